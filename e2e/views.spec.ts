import type { Page } from '@playwright/test'
import { seriousOf } from './axe.ts'
import { expect, test } from './mivro.ts'
import { overlaps } from './overlaps.ts'
import { views } from './views.ts'

/** What stands outside the page to the right or left, or is wider than what holds it. */
const cutOff = (page: Page) =>
  page.evaluate(() => {
    const root = document.scrollingElement!
    const found: string[] = []
    if (root.scrollWidth > innerWidth) found.push(`the page is ${root.scrollWidth} px wide`)
    for (const element of document.querySelectorAll(
      'main button, main input:not([type=radio], [type=checkbox], [type=file]), main a, main h1, main h2',
    )) {
      const { left, right, width } = element.getBoundingClientRect()
      if (width === 0 || element.closest('.visually-hidden')) continue
      if (left < -1 || right > innerWidth + 1) {
        found.push(`${element.tagName} "${element.textContent?.trim().slice(0, 30)}" at ${right}`)
      }
    }
    return found
  })

/** What is chosen in a view before it is looked at, so that its panel is open. */
const chosen: Record<string, (page: Page) => Promise<void>> = {
  Pour: (page) => page.locator('.tag', { hasText: 'Dusk violet' }).click(),
  'New piece': (page) => page.getByText('Dimensions').click(),
}

const sizes = [
  { name: 'the desk', width: 1280, height: 800, axe: true },
  { name: 'a small laptop', width: 1024, height: 768, axe: false },
  { name: 'a tablet upright', width: 800, height: 1280, axe: false },
  { name: '1280 x 800 enlarged to twice its size', width: 640, height: 400, axe: false },
]

for (const { name, width, height, axe } of sizes) {
  test(`on ${name} no view is cut off${axe ? ', and axe finds nothing serious' : ''}`, async ({
    mivro,
    page,
  }) => {
    await page.setViewportSize({ width, height })
    await mivro.open('/pieces')
    for (const [view, path] of views) {
      await mivro.go(path)
      await expect(page.locator('h1, h2').first(), view).toBeVisible()
      if (axe) {
        await chosen[view]?.(page)
        expect(await seriousOf(page), view).toEqual([])
      }
      expect(await overlaps(page), view).toEqual([])
      // Paper is as wide as paper.
      if (!path.endsWith('sheet')) expect(await cutOff(page), view).toEqual([])
    }
    // Without a pot there is no plate beside the lists.
    await mivro.go('/runs/demo-run-keycaps')
    await page.getByText('Neither', { exact: true }).click()
    await expect(page.getByText('The pot from above')).toBeHidden()
    await mivro.calm()
    expect(await overlaps(page), 'Run without a pot').toEqual([])
  })
}
