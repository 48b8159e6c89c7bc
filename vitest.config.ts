import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

/** No test is timed: what takes longer than this, on a busy machine too, hangs, ms. */
const hanging = 60_000

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts'],
          environment: 'node',
          testTimeout: hanging,
        },
      },
      {
        test: {
          name: 'words',
          include: ['words/src/**/*.test.ts'],
          environment: 'node',
          testTimeout: hanging,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.ts'],
          environment: 'node',
          testTimeout: hanging,
        },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          environment: 'jsdom',
          setupFiles: ['web/src/theme/inTests.ts'],
          testTimeout: hanging,
        },
      },
    ],
  },
})
