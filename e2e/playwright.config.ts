import { chromiumArgs } from '../tools/chromium.mjs'
import { defineConfig } from '@playwright/test'

/** Clocks run there in real time: beside other load they would be late. */
const realTime = /bench.*\.spec\.ts$/
/** One long walk through all views for each size: begun last it would keep one worker waiting. */
const walks = /views\.spec\.ts$/

export default defineConfig({
  testDir: '.',
  workers: 2,
  fullyParallel: true,
  // What takes longer hangs, on a busy machine too: no test is timed.
  timeout: 420_000,
  // A machine that is too slow, or a page that is broken altogether, is told early.
  globalTimeout: 75 * 60_000,
  maxFailures: 12,
  expect: { timeout: 40_000 },
  forbidOnly: true,
  globalSetup: './filledStore.ts',
  outputDir: './test-results',
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'], ['list']] : [['list']],
  projects: [
    // First, since they take the longest, and one at a time beside the others.
    { name: 'bench', testMatch: realTime, workers: 1, fullyParallel: false },
    { name: 'walks', testMatch: walks },
    { name: 'pages', testIgnore: [realTime, walks] },
  ],
  use: {
    actionTimeout: 40_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    launchOptions: {
      executablePath: process.env.MIVRO_CHROMIUM ?? '/usr/bin/chromium',
      args: chromiumArgs,
    },
  },
})
