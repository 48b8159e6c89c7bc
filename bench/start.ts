import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium, type Browser } from '@playwright/test'
import { chromiumArgs, findChromium } from '../tools/chromium.mjs'
import { Running } from './store.ts'
import { within } from './timing.ts'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const newStore = () => join(mkdtempSync(join(tmpdir(), 'mivro-bench-')), 'store.sqlite')

/** From the command to the address, ms. */
function untilAddress(database: string): Promise<number> {
  const start = performance.now()
  const command = ['tools/start.mjs', '--port', '0', '--database', database]
  const child = spawn(process.execPath, command, {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  return new Promise((done) =>
    child.stdout.on('data', (part: Buffer) => {
      if (!/http:/.test(String(part))) return
      const taken = performance.now() - start
      child.once('exit', () => done(taken))
      child.kill('SIGTERM')
    }),
  )
}

/** What is opened, and what is drawn first of it. */
const opened: [string, string, string][] = [
  ['a figure', '/pieces/demo-astronomer/mould/air', '.cut svg, svg.cut, .air svg'],
  ['a drop', '/pieces/demo-comet-drop/pour', '[data-surface]'],
  ['a coaster', '/pieces/demo-coaster/pour', '[data-surface]'],
  ['a run', '/runs/demo-run-keycaps', '[data-mould]'],
  ['the log', '/log', 'tbody tr'],
]

/** Until nothing was asked for six pictures of the screen. As text: the loader's helpers stay here. */
const calm = `new Promise((done) => {
  let still = 0
  const look = () => {
    still = document.body.dataset.working === undefined ? still + 1 : 0
    if (still > 6) done()
    else requestAnimationFrame(look)
  }
  look()
})`

/** Until something is drawn, until all is there, and the longest task meanwhile, ms. */
async function open(browser: Browser, address: string, shown: string) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await page.addInitScript(`
    globalThis.long = [0]
    new PerformanceObserver((list) => long.push(...list.getEntries().map((one) => one.duration)))
      .observe({ type: 'longtask' })
  `)
  const visit = async (go: () => Promise<unknown>) => {
    const start = performance.now()
    await go()
    await page.locator(shown).first().waitFor({ timeout: 60_000 })
    const first = performance.now() - start
    await page.evaluate(calm)
    const all = performance.now() - start
    const long = await page.evaluate<number>('Math.max(...long)')
    return { first, all, long }
  }
  const fresh = await visit(() => page.goto(address, { waitUntil: 'commit' }))
  const again = await visit(() => page.reload({ waitUntil: 'commit' }))
  await context.close()
  return { fresh, again }
}

/** From a built clone to the address, and from the address to what is on the screen. */
export async function benchStart(): Promise<void> {
  console.log('\nFrom the command to the address, on a built clone')
  const store = newStore()
  const times: number[] = []
  for (let i = 0; i < 4; i++) times.push(await untilAddress(store))
  within('npm start, the best of the last three', Math.min(...times.slice(1)), 1000)
  const executablePath = await findChromium()
  if (!executablePath) return console.log('No Chromium: nothing is opened.')
  console.log('\nOpened on a fresh page, and again')
  const server = await Running.over(newStore(), '--demo')
  for (const [name, path, shown] of opened) {
    const browser = await chromium.launch({ executablePath, args: chromiumArgs })
    const { fresh, again } = await open(browser, server.address + path, shown)
    within(`${name}: first drawing`, fresh.first, 1000)
    within(`${name}: all of it`, fresh.all, 1800)
    within(`${name}: the longest task`, fresh.long, 150)
    within(`${name}: again, first drawing`, again.first, 500)
    await browser.close()
  }
  await server.stop()
}
