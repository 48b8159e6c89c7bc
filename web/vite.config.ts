import vue from '@vitejs/plugin-vue'
import ElementPlus from 'unplugin-element-plus/vite'
import { defineConfig, type Plugin } from 'vite'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'

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

/** Text is compressed once, as it is built, for the server to send as it lies. */
const compressed: Plugin = {
  name: 'compressed',
  apply: 'build',
  writeBundle({ dir }, files) {
    for (const name of Object.keys(files).filter((file) => /\.(js|css|wasm|svg)$/.test(file))) {
      const file = join(dir!, name)
      writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }))
    }
  },
}

/**
 * What is used together stands in one file: a hundred little files take a second to fetch, whatever
 * their sum. `vue`, `controls` and `kit` are the frame's and the first screen's; views bring the rest.
 */
const groups = [
  { name: 'vue', test: /node_modules\/(@vue\/|vue-router|pinia|zod)|preload-helper/ },
  {
    name: 'controls',
    test: /element-plus\/(es\/(hooks|utils|constants|locale|_virtual|components\/(config-provider|icon|button|popper|tooltip|slot|focus-trap|popover|segmented|form|breadcrumb|alert)\/)|node_modules)|@popperjs|@ctrl|async-validator|tinykeys/,
  },
  {
    name: 'fields',
    test: /element-plus\/es\/(directives|components\/(input|checkbox|select|option|tag|scrollbar|table|collapse|collapse-transition|dialog|overlay)\/)/,
  },
  {
    name: 'kit',
    test: /web\/src\/(api|ui\/(Tip|ProblemNote|FieldRow|Says|SegmentField|useShortcuts|undo))/,
  },
]

export default defineConfig({
  define: { __COMPUTATION__: JSON.stringify(hashOfComputation()) },
  root: import.meta.dirname,
  plugins: [vue(), ElementPlus({}), compressed],
  worker: { format: 'es' },
  build: {
    // Nothing is inlined as data: the policy allows our own files only.
    assetsInlineLimit: 0,
    target: 'es2022',
    chunkSizeWarningLimit: 600,
    manifest: true,
    // One file of styles: fifty little ones take longer than all of them in one.
    cssCodeSplit: false,
    rolldownOptions: { output: { codeSplitting: { groups } } },
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
