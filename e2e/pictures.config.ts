import { defineConfig } from '@playwright/test'
import base from '../playwright.config'

/** `npm run pictures`: the pictures of docs/screenshots, made from the demo plans. */
export default defineConfig({
  ...base,
  testDir: '.',
  testMatch: 'pictures.ts',
  outputDir: '../test-results/pictures',
  workers: 1,
})
