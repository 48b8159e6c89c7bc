import { chromiumArgs } from '../tools/chromium.mjs'
import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  workers: 1,
  timeout: 60_000,
  // A machine that is too slow, or a page that is broken altogether, is told early.
  globalTimeout: 60 * 60_000,
  maxFailures: 12,
  expect: { timeout: 8_000 },
  forbidOnly: true,
  outputDir: './test-results',
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'], ['list']] : [['list']],
  use: {
    actionTimeout: 8_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    launchOptions: {
      executablePath: process.env.MIVRO_CHROMIUM ?? '/usr/bin/chromium',
      args: chromiumArgs,
    },
  },
})
