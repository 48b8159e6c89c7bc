import { gzipSync } from 'node:zlib'
import type { Page } from '@playwright/test'
import { expect, test, type Mivro } from './mivro.ts'

/** Gzipped scripts that the first screen may take, bytes. */
const firstScreen = 300_000

/** A task longer than this is felt, ms (the browser's own measure of a long task). */
const felt = 50

/** The machine is shared: a cause in the page shows in every visit, a neighbour's does not. */
const visits = 3

test('the scripts of the first screen stay under 300 kB gzipped', async ({ mivro, page }) => {
  const sizes: Promise<number>[] = []
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) {
      sizes.push(response.body().then((body) => gzipSync(body).byteLength))
    }
  })
  await mivro.open('/pieces')
  await expect(page.locator('.picture svg').first()).toBeVisible()
  await page.waitForLoadState('networkidle')
  const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0)
  expect(total).toBeGreaterThan(50_000)
  expect(total).toBeLessThan(firstScreen)
})

test('no task over 50 ms while a surface is dragged', async ({ mivro, page }) => {
  await unfelt(() => longestTaskOfADrag(mivro, page))
})

test('no task over 50 ms while a vent is dragged and the air followed', async ({ mivro, page }) => {
  test.slow()
  await mivro.open('/pieces/demo-meteorite/mould')
  await page.getByRole('button', { name: 'Plan a mould' }).click()
  await page.getByRole('button', { name: 'Gate', exact: true }).click()
  await mivro.saved()
  await unfelt(() => longestTaskOfAVent(mivro, page))
})

test('no task over 50 ms while the moment of the heat is dragged', async ({ mivro, page }) => {
  test.slow()
  await unfelt(() => longestTaskOfALook(mivro, page))
})

/** In the best of a few visits no task is felt. */
async function unfelt(longestTask: () => Promise<number>): Promise<void> {
  const longest: number[] = []
  for (let visit = 0; visit < visits; visit++) {
    longest.push(await longestTask())
    if (longest[visit] <= felt) return
  }
  expect(Math.min(...longest), `longest tasks of ${visits} visits: ${longest}`).toBeLessThanOrEqual(
    felt,
  )
}

const watchTasks = (page: Page) =>
  page.evaluate(() => {
    const store = window as unknown as { long: number[] }
    store.long = [0]
    new PerformanceObserver((list) =>
      store.long.push(...list.getEntries().map((entry) => entry.duration)),
    ).observe({ entryTypes: ['longtask'] })
  })
const longestSince = (page: Page) =>
  page.evaluate(() => Math.max(...(window as unknown as { long: number[] }).long))

/** Opens the air anew and drags the gate about; the geometry is looked for meanwhile. */
async function longestTaskOfAVent(mivro: Mivro, page: Page): Promise<number> {
  await page.reload()
  const gate = page.locator('[data-opening="gate"]')
  await expect(gate).toBeVisible()
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(500)
  await watchTasks(page)
  const box = (await gate.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) await page.mouse.move(x + 60 * Math.sin(i / 9), y + 2 * i)
  await page.mouse.up()
  await mivro.saved()
  await page.waitForTimeout(4000)
  return longestSince(page)
}

/** Opens the heat anew and drags the moment that is looked at. */
async function longestTaskOfALook(mivro: Mivro, page: Page): Promise<number> {
  await mivro.open('/pieces/demo-comet-drop/pour?lens=heat')
  const scrubber = page.getByRole('slider', { name: 'The moment looked at' })
  await expect(scrubber).toBeVisible({ timeout: 60_000 })
  await page.waitForTimeout(3000)
  await watchTasks(page)
  const before = await scrubber.getAttribute('aria-valuenow')
  const box = (await scrubber.locator('.tab').boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) await page.mouse.move(x + 80 * Math.sin(i / 9), y)
  await page.mouse.up()
  expect(await scrubber.getAttribute('aria-valuenow')).not.toBe(before)
  return longestSince(page)
}

/** Opens a pour anew and drags a surface that was not touched before; 0 when no task was long. */
async function longestTaskOfADrag(mivro: Mivro, page: Page): Promise<number> {
  await mivro.open('/pieces/demo-meteorite/pour')
  await expect(mivro.surface(0)).toBeVisible()
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(500)
  await watchTasks(page)
  const before = await mivro.heightOf(0)
  const box = (await mivro.surface(0).locator('.grip').boundingBox())!
  await page.mouse.move(box.x + 6, box.y + 6)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) await page.mouse.move(box.x + 6, box.y + 6 - 60 * Math.sin(i / 10))
  await page.mouse.up()
  await mivro.saved()
  expect(await mivro.heightOf(0)).not.toBe(before)
  return longestSince(page)
}
