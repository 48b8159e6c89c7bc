import { fail } from './say.mjs'
import { built, ready } from './ready.mjs'
import { run } from './run.mjs'

/** Prepares what is needed, then serves until it is stopped. */
export async function serve(args) {
  await ready()
  if ((await built()) !== 0) fail('Mivro could not be built.')
  const server = ['server/dist/main.js', ...args, ...process.argv.slice(2)]
  const { code } = await run(process.execPath, server, { passSignals: true })
  process.exit(code)
}
