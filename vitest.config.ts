import { readdirSync, readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

/** No test is timed: what takes longer than this, on a busy machine too, hangs, ms. */
const testTimeout = 180_000

/** Pure functions leave nothing behind: a process reads them once for all of its files. */
const pure = { environment: 'node', isolate: false, testTimeout, hookTimeout: testTimeout }

/** Files of the interface that replace a module: each reads all of its modules for itself. */
const replacing = readdirSync(join(import.meta.dirname, 'web/src'), { recursive: true })
  .map((file) => `web/src/${file}`)
  .filter((file) => file.endsWith('.test.ts') && readFileSync(file, 'utf8').includes('vi.mock('))

/** The interface's, in a page of jsdom. */
const ofPages = {
  environment: 'jsdom',
  setupFiles: ['web/src/theme/inTests.ts'],
  testTimeout,
  hookTimeout: testTimeout,
}

export default defineConfig({
  test: {
    maxWorkers: availableParallelism(),
    projects: [
      {
        test: {
          ...pure,
          name: 'core',
          setupFiles: ['tools/seed.ts'],
          include: ['core/src/**/*.test.ts'],
        },
      },
      { test: { ...pure, name: 'words', include: ['words/src/**/*.test.ts'] } },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.ts'],
          environment: 'node',
          testTimeout,
          hookTimeout: testTimeout,
        },
      },
      {
        plugins: [vue()],
        test: {
          ...ofPages,
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          exclude: replacing,
          isolate: false,
        },
      },
      { plugins: [vue()], test: { ...ofPages, name: 'web, modules replaced', include: replacing } },
    ],
  },
})
