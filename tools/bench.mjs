import { ready } from './ready.mjs'
import { bin, run } from './run.mjs'

await ready()
const { code } = await run(bin('tsx'), ['bench/main.ts', ...process.argv.slice(2)])
process.exit(code)
