import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts'],
    // As many as there are cores: by itself it would leave one of two idle.
    maxWorkers: '100%',
    setupFiles: ['src/test-setup.ts'],
    testTimeout: 180_000,
    tags: [{ name: 'long', description: 'takes seconds, of what shorter tests look at, too' }],
    // Modules are loaded once a worker, not once a file: that took longer than the tests.
    isolate: false,
  },
})
