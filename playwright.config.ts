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
    baseURL: `http://localhost:${String(port)}`,
  },
  webServer: {
    cwd: import.meta.dirname,
    command: `${process.execPath} --import tsx src/server/main.ts`,
    env: { PORT: String(port) },
    url: `http://localhost:${String(port)}/health`,
    reuseExistingServer: false,
  },
})
