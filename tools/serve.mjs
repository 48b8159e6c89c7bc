import { fail } from './say.mjs'
import { built, ready } from './ready.mjs'
import { bin, run } from './run.mjs'

/** Prepares what is needed, then serves until it is stopped. */
export async function serve(args) {
  await ready()
  if ((await built()) !== 0) fail('The web application could not be built.')
  const { code } = await run(bin('tsx'), ['server/src/main.ts', ...args, ...process.argv.slice(2)])
  process.exit(code)
}
