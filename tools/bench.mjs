import { built, ready } from './ready.mjs'
import { bin, run } from './run.mjs'
import { fail } from './say.mjs'

await ready()
if ((await built()) !== 0) fail('Mivro could not be built.')
const { code } = await run(bin('tsx'), ['bench/main.ts', ...process.argv.slice(2)])
process.exit(code)
