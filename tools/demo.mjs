import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { say } from './say.mjs'
import { root } from './run.mjs'
import { serve } from './serve.mjs'

// The demo studio has a store of its own and never touches the person's.
const store = 'data/demo.sqlite'
const fresh = process.argv.indexOf('--fresh')
if (fresh > 0) {
  process.argv.splice(fresh, 1)
  for (const ending of ['', '-wal', '-shm']) rmSync(join(root, store + ending), { force: true })
  say('The demo studio begins anew.')
}
await serve(['--demo', '--database', store])
