import vue from '@vitejs/plugin-vue'
import ElementPlus from 'unplugin-element-plus/vite'
import { defineConfig } from 'vite'

const server = process.env.MIVRO_SERVER ?? 'http://127.0.0.1:5317'

export default defineConfig({
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
