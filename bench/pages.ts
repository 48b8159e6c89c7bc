import { chromium, type Page } from '@playwright/test'
import { chromiumArgs, findChromium } from '../tools/chromium.mjs'
import { Running, studioOf } from './store.ts'
import { within } from './timing.ts'

/** Pages over large studios, in the browser: how soon they are painted, how long they freeze. */
export async function benchPages(): Promise<void> {
  const executablePath = await findChromium()
  if (!executablePath) return console.log('\nNo Chromium: the pages are not measured.')
  const browser = await chromium.launch({ executablePath, args: chromiumArgs })
  for (const pieces of [1000, 3000]) {
    console.log(`\nThe list of ${pieces} pieces in the browser`)
    const server = await Running.over(
      await studioOf({ pieces, plans: 3 * pieces, pulls: 10 * pieces }),
    )
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(() => {
      const long: number[] = []
      Object.assign(globalThis, { longTasks: long })
      new PerformanceObserver((list) =>
        long.push(...list.getEntries().map((entry) => entry.duration)),
      ).observe({ type: 'longtask' })
    })
    // A first visit warms what is the same for every studio: scripts and fonts.
    await page.goto(`${server.address}/studio`)
    await page.goto(`${server.address}/pieces`)
    within('until its cards are painted', await painted(page), 1000)
    for (let i = 0; i < 12; i++) {
      await page.mouse.move(600, 500)
      await page.mouse.wheel(0, 4000)
      await page.waitForTimeout(250)
    }
    const longest = await page.evaluate(() =>
      Math.max(0, ...(globalThis as unknown as { longTasks: number[] }).longTasks),
    )
    within('the longest freeze, scrolled through', longest, 100)
    const before = await page.locator('.card').count()
    const start = performance.now()
    await page.locator('.card').first().hover()
    await page.locator('.card .remove').first().click()
    await page.waitForFunction((n) => document.querySelectorAll('.card').length < n, before)
    within('until one is deleted', performance.now() - start, 1000)
    await page.close()
    await server.stop()
  }
  await browser.close()
}

/** From the beginning of the navigation to the first card in the picture, ms. */
async function painted(page: Page): Promise<number> {
  await page.locator('.card h2').first().waitFor()
  return page.evaluate(
    () => new Promise<number>((done) => requestAnimationFrame(() => done(performance.now()))),
  )
}
