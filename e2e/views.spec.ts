import type { Page } from '@playwright/test'
import { seriousOf } from './axe.ts'
import { cutOff } from './cutOff.ts'
import { expect, test, type Mivro } from './mivro.ts'
import { overlaps } from './overlaps.ts'
import { states } from './states.ts'
import { views } from './views.ts'

/** What is chosen in a view before it is looked at, so that its panel is open. */
const chosen: Record<string, (page: Page) => Promise<void>> = {
  Pour: (page) => page.locator('.tag', { hasText: 'Dusk violet' }).click(),
  'New piece': (page) => page.getByText('Dimensions').click(),
}

const desk = { name: 'the desk', width: 1280, height: 800 }
const smaller = [
  { name: 'a small laptop', width: 1024, height: 768 },
  { name: 'a tablet upright', width: 800, height: 1280 },
  { name: '1280 x 800 enlarged to twice its size', width: 640, height: 400 },
]

/** Nothing cut off, nothing on one another; paper is as wide as paper. */
async function fits(page: Page, path: string): Promise<string[]> {
  const lines = await overlaps(page)
  if (!path.endsWith('sheet')) lines.push(...(await cutOff(page)))
  return lines
}

/** Without a pot there is no plate beside the lists. */
async function withoutPot(mivro: Mivro, page: Page): Promise<void> {
  await mivro.go('/runs/demo-run-keycaps')
  await page.getByText('Neither', { exact: true }).click()
  await expect(page.getByText('The pot from above')).toBeHidden()
  await mivro.calm()
}

test('on the desk no view is cut off, axe finds nothing serious, and nothing is fetched from elsewhere', async ({
  mivro,
  page,
}) => {
  const elsewhere: string[] = []
  page.context().on('request', (asked) => {
    const { protocol, origin } = new URL(asked.url())
    if (/^(http|ws)/.test(protocol) && origin !== mivro.server.address) elsewhere.push(origin)
  })
  await page.setViewportSize(desk)
  await mivro.open('/pieces')
  for (const [view, path] of views) {
    await mivro.go(path)
    await expect(page.locator('h1, h2').first(), view).toBeVisible()
    await chosen[view]?.(page)
    expect(await seriousOf(page), view).toEqual([])
    expect(await fits(page, path), view).toEqual([])
  }
  await withoutPot(mivro, page)
  expect(await overlaps(page), 'Run without a pot').toEqual([])
  expect(elsewhere).toEqual([])
})

test(`no view is cut off on ${smaller.map(({ name }) => name).join(', on ')}`, async ({
  mivro,
  page,
}) => {
  const found: string[] = []
  const tryAll = async (view: string, path: string) => {
    for (const { name, width, height } of smaller) {
      await page.setViewportSize({ width, height })
      await mivro.calm()
      await expect(page.locator('h1, h2').first(), `${view} on ${name}`).toBeVisible()
      found.push(...(await fits(page, path)).map((line) => `${view} on ${name}: ${line}`))
    }
  }
  await mivro.open('/pieces')
  for (const [view, path] of views) {
    await mivro.go(path)
    await tryAll(view, path)
  }
  await withoutPot(mivro, page)
  await tryAll('Run without a pot', '/runs/demo-run-keycaps')
  expect(found).toEqual([])
})

for (const [at, [state, make]] of Object.entries(states).entries()) {
  test(`in another state no words are cut or stand on others: ${state}`, async ({
    mivro,
    page,
  }) => {
    await mivro.open('/nowhere')
    await make(mivro.server.address)
    const found: string[] = []
    // Each in a size of its own.
    const { width, height } = [desk, smaller[1]][at]
    await page.setViewportSize({ width, height })
    await mivro.open('/pieces')
    for (const [view, path] of views) {
      await mivro.go(path)
      found.push(...(await fits(page, path)).map((line) => `${view}, ${width} px: ${line}`))
    }
    expect(found).toEqual([])
  })
}
