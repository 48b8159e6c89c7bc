import type { Page } from '@playwright/test'
import { seriousOf } from './axe.ts'
import { cutOff } from './cutOff.ts'
import { expect, test } from './mivro.ts'
import { overlaps } from './overlaps.ts'
import { states } from './states.ts'
import { views } from './views.ts'

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
  test(`on ${name} no view is cut off${axe ? ', axe finds nothing serious, and nothing is fetched from elsewhere' : ''}`, async ({
    mivro,
    page,
  }) => {
    const elsewhere: string[] = []
    page.context().on('request', (asked) => {
      const { protocol, origin } = new URL(asked.url())
      if (/^(http|ws)/.test(protocol) && origin !== mivro.server.address) elsewhere.push(origin)
    })
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
    expect(elsewhere).toEqual([])
  })
}

for (const [at, [state, make]] of Object.entries(states).entries()) {
  test(`in another state no words are cut or stand on others: ${state}`, async ({
    mivro,
    page,
  }) => {
    await mivro.open('/nowhere')
    await make(mivro.server.address)
    const found: string[] = []
    // Each in a size of its own.
    const { width, height } = sizes[2 * at]
    await page.setViewportSize({ width, height })
    await mivro.open('/pieces')
    for (const [view, path] of views) {
      await mivro.go(path)
      const lines = await overlaps(page)
      if (!path.endsWith('sheet')) lines.push(...(await cutOff(page)))
      found.push(...lines.map((line) => `${view}, ${width} px: ${line}`))
    }
    expect(found).toEqual([])
  })
}
