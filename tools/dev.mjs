import { bundled, ready } from './ready.mjs'
import { bin, run } from './run.mjs'

// The server restarts on a change, the page reloads by Vite, which passes /api on.
await ready()
// Backups run in the bundle's process.
await bundled()
await Promise.race([
  run(bin('tsx'), ['watch', 'server/src/main.ts', '--demo', '--database', 'data/dev.sqlite']),
  run(bin('vite'), ['web', '--config', 'web/vite.config.ts']),
])
process.exit(0)
