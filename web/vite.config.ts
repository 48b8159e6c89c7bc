import vue from '@vitejs/plugin-vue'
import ElementPlus from 'unplugin-element-plus/vite'
import { defineConfig } from 'vite'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const server = process.env.MIVRO_SERVER ?? 'http://127.0.0.1:5317'

/** What the computation is made of: answers kept in the browser are those of one version. */
function hashOfComputation(): string {
  const core = join(import.meta.dirname, '../core/src')
  const hash = createHash('sha256')
  for (const file of readdirSync(core, { recursive: true, encoding: 'utf8' }).sort()) {
    if (file.endsWith('.ts') && !file.endsWith('.test.ts'))
      hash.update(readFileSync(join(core, file)))
  }
  return hash.digest('hex').slice(0, 16)
}

export default defineConfig({
  define: { __COMPUTATION__: JSON.stringify(hashOfComputation()) },
  root: import.meta.dirname,
  plugins: [vue(), ElementPlus({})],
  worker: { format: 'es' },
  build: {
    // Nothing is inlined as data: the policy allows our own files only.
    assetsInlineLimit: 0,
    target: 'es2022',
    chunkSizeWarningLimit: 600,
    manifest: true,
  },
  server: {
    proxy: {
      '/api': {
        target: server,
        changeOrigin: true,
        // The server refuses pages of another origin; while developing, this page is one.
        configure: (proxy) => proxy.on('proxyReq', (request) => request.removeHeader('origin')),
      },
    },
  },
})
