import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Locator, type Page } from '@playwright/test'
import { chromiumArgs, findChromium } from '../tools/chromium.mjs'
import { Running } from './store.ts'
import { within } from './timing.ts'

/** A task longer than this is felt, ms (the browser's own measure of a long task). */
const felt = 50

/** Visits of each: on a shared machine a cause in the page shows in all, a neighbour's does not. */
const visits = 3

/** What a hand drags about in the demo, and the longest task of the page meanwhile. */
export async function benchDrags(): Promise<void> {
  const executablePath = await findChromium()
  if (!executablePath) return console.log('\nNo Chromium: nothing is dragged.')
  const browser = await chromium.launch({ executablePath, args: chromiumArgs })
  const server = await Running.over(
    join(mkdtempSync(join(tmpdir(), 'mivro-bench-')), 'store.sqlite'),
    '--demo',
  )
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  console.log(`\nDragged about in the browser, the best of ${visits} visits`)
  for (const [name, drag] of Object.entries(drags)) {
    const longest: number[] = []
    for (let visit = 0; visit < visits; visit++) longest.push(await drag(page, server.address))
    within(`the longest task: ${name}`, Math.min(...longest), felt)
  }
  console.log('\nStages of a figure, opened the second time')
  for (const stage of ['mould/air', 'mould/parting', 'mould/kind', 'pour']) {
    const address = `${server.address}/pieces/demo-astronomer/${stage}`
    await page.goto(address)
    await page.waitForLoadState('networkidle')
    await page.waitForTimeout(6000)
    const taken: number[] = []
    for (let visit = 0; visit < visits; visit++) {
      await page.reload({ waitUntil: 'commit' })
      await page.locator(shownBy[stage]).first().waitFor()
      taken.push(await page.evaluate(() => performance.now()))
      await page.waitForLoadState('networkidle')
    }
    within(stage, Math.min(...taken), 700)
  }
  await browser.close()
  await server.stop()
}

/** What is there when a stage has all of its figures. */
const shownBy: Record<string, string> = {
  'mould/air': '[data-list="pockets"] li',
  'mould/parting': 'h3:has-text("Parting and pull")',
  'mould/kind': 'tr.kind-two-part',
  pour: '[data-surface]',
}

const drags: Record<string, (page: Page, address: string) => Promise<number>> = {
  'a surface of the pour': async (page, address) => {
    await page.goto(`${address}/pieces/demo-meteorite/pour`)
    const grip = page.locator('[data-surface="0"] .grip')
    return longestTask(page, grip, 500, (i) => [0, -60 * Math.sin(i / 10)])
  },
  'the gate, while air is looked for': async (page, address) => {
    await page.goto(`${address}/pieces/demo-astronomer/mould/air`)
    const gate = page.locator('[data-opening="gate"]')
    return longestTask(page, gate, 500, (i) => [60 * Math.sin(i / 9), 2 * i], 4000)
  },
  'the moment of the heat': async (page, address) => {
    await page.goto(`${address}/pieces/demo-comet-drop/pour?lens=heat`)
    const tab = page.getByRole('slider', { name: 'Time', exact: true }).locator('.tab')
    return longestTask(page, tab, 3000, (i) => [80 * Math.sin(i / 9), 0])
  },
}

/** Waits until the handle is there and the page calm, drags it, and answers the longest task, ms. */
async function longestTask(
  page: Page,
  handle: Locator,
  calm: number,
  path: (step: number) => [number, number],
  after = 500,
): Promise<number> {
  await handle.first().waitFor({ timeout: 60_000 })
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(calm)
  await page.evaluate(() => {
    const store = globalThis as unknown as { long: number[] }
    store.long = [0]
    new PerformanceObserver((list) =>
      store.long.push(...list.getEntries().map((entry) => entry.duration)),
    ).observe({ entryTypes: ['longtask'] })
  })
  const box = (await handle.first().boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) {
    const [dx, dy] = path(i)
    await page.mouse.move(x + dx, y + dy)
  }
  await page.mouse.up()
  await page.waitForTimeout(after)
  return page.evaluate(() => Math.max(...(globalThis as unknown as { long: number[] }).long))
}
