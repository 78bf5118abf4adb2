import { defineConfig } from '@playwright/test'
import { chromiumOptions } from './e2e/browser'

const port = 4185

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  outputDir: 'test-results',
  timeout: 90_000,
  expect: { timeout: 20_000 },
  workers: 2,
  forbidOnly: true,
  use: {
    ...chromiumOptions,
    // The tests of offline use allow them.
    serviceWorkers: 'block',
    colorScheme: 'dark',
    baseURL: `http://localhost:${String(port)}`,
  },
  // As the demo is served, and as the app is deployed.
  webServer: [
    { port, firstVisit: 'examples' },
    { port: port + 1, firstVisit: 'empty' },
  ].map(({ port: own, firstVisit }) => ({
    cwd: import.meta.dirname,
    command: `${process.execPath} --import tsx src/server/main.ts`,
    env: { PORT: String(own), FIRST_VISIT: firstVisit },
    url: `http://localhost:${String(own)}/health`,
    reuseExistingServer: false,
  })),
})
