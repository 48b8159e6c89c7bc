import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, test } from './mivro.ts'
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

for (const [name, width, height] of [
  ['a small laptop', 1024, 768],
  ['a tablet upright', 800, 1280],
  ['1280 x 800 enlarged to twice its size', 640, 400],
] as const) {
  test(`on ${name} nothing is cut off, in any view`, async ({ mivro, page }) => {
    test.setTimeout(240_000)
    await page.setViewportSize({ width, height })
    for (const [view, path] of views) {
      if (path.endsWith('sheet')) continue
      await mivro.open(path)
      await expect(page.locator('h1, h2').first()).toBeVisible()
      await page.waitForTimeout(700)
      expect(await cutOff(page), view).toEqual([])
    }
  })
}

test('axe finds nothing serious at 1024 x 768', async ({ mivro, page }) => {
  test.setTimeout(240_000)
  await page.setViewportSize({ width: 1024, height: 768 })
  for (const [view, path] of views) {
    await mivro.open(path)
    await page.waitForLoadState('networkidle')
    const { violations } = await new AxeBuilder({ page }).analyze()
    const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
    expect(
      serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(' | ')}`),
      view,
    ).toEqual([])
  }
})

test('the title names piece and stage, and the focus goes to the heading of what is opened', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await expect(page).toHaveTitle('Comet drop, large, Pour · Mivro')
  await page.getByRole('link', { name: 'Pulls' }).click()
  await expect(page).toHaveTitle('Comet drop, large, Pulls · Mivro')
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused()
  await page.getByRole('link', { name: 'Materials' }).click()
  await expect(page).toHaveTitle('Materials · Mivro')
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused()
})

test('a link leaps over bar and rail to the content', async ({ mivro, page }) => {
  await mivro.open('/pieces')
  await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible()
  await page.keyboard.press('Tab')
  const skip = page.getByRole('link', { name: 'Skip to the content' })
  await expect(skip).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
})

test('walking through the surfaces keeps the panel; Enter, Home and End work on them', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await mivro.surface(0).focus()
  await expect(mivro.field('Copies in this mix')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(mivro.field('Name of the layer')).toHaveValue('Night blue')
  await page.keyboard.press('End')
  expect(await mivro.heightOf(0)).toBeGreaterThan(26)
  await page.keyboard.press('Home')
  expect(await mivro.heightOf(0)).toBeLessThan(1)
  // Delete where another is shown than the one that has the focus only shows that one.
  await page.keyboard.press('Escape')
  await mivro.surface(1).focus()
  await page.keyboard.press('Delete')
  await expect(mivro.field('Name of the layer')).toHaveValue('Dusk violet')
  await page.keyboard.press('Delete')
  await expect(mivro.layer('Dusk violet')).toBeHidden()
})
