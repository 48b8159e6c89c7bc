import { gzipSync } from 'node:zlib'
import { expect, test } from './mivro.ts'

/** Gzipped scripts that the first screen may take, bytes. */
const firstScreen = 300_000

test('the scripts of the first screen stay under 300 kB gzipped', async ({ mivro, page }) => {
  const sizes: Promise<number>[] = []
  page.on('response', (response) => {
    if (response.url().endsWith('.js'))
      sizes.push(response.body().then((body) => gzipSync(body).byteLength))
  })
  await mivro.open('/pieces')
  await expect(page.locator('.picture svg').first()).toBeVisible()
  await page.waitForLoadState('networkidle')
  const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0)
  expect(total).toBeGreaterThan(50_000)
  expect(total).toBeLessThan(firstScreen)
})

test('no task over 50 ms while a surface is dragged', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-meteorite/pour')
  await expect(mivro.surface(0)).toBeVisible()
  await mivro.drag(0, -20)
  await page.waitForTimeout(500)
  await page.evaluate(() => {
    const store = window as unknown as { long: number[] }
    store.long = []
    new PerformanceObserver((list) =>
      store.long.push(...list.getEntries().map((e) => e.duration)),
    ).observe({ entryTypes: ['longtask'] })
  })
  const box = (await mivro.surface(0).locator('.grip').boundingBox())!
  await page.mouse.move(box.x + 6, box.y + 6)
  await page.mouse.down()
  for (let i = 0; i < 60; i++) await page.mouse.move(box.x + 6, box.y + 6 - 60 * Math.sin(i / 10))
  await page.mouse.up()
  await mivro.saved()
  expect(await page.evaluate(() => (window as unknown as { long: number[] }).long)).toEqual([])
})
