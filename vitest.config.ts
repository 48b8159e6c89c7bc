import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts'],
          environment: 'node',
          testTimeout: 30000,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.ts'],
          environment: 'node',
          testTimeout: 20000,
        },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          environment: 'jsdom',
          testTimeout: 20000,
        },
      },
    ],
  },
})
