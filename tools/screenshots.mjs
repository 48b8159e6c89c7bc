import { findChromium, missingChromium } from './chromium.mjs'
import { built, ready } from './ready.mjs'
import { bin, run } from './run.mjs'
import { fail } from './say.mjs'

// The pictures of the README, from the demo studio, by the same driver as the tests.
await ready()
const browser = await findChromium()
if (!browser) fail(missingChromium)
if ((await built()) !== 0) fail('Mivro could not be built.')
const { code } = await run(
  bin('playwright'),
  ['test', '--config', 'e2e/playwright.config.ts', 'screenshots'],
  {
    env: { MIVRO_CHROMIUM: browser, MIVRO_SHOTS: 'docs/screenshots' },
  },
)
process.exit(code)
