import type { Page } from '@playwright/test'
import { block, stl } from './files.ts'
import { expect, test, type Mivro } from './mivro.ts'

const figures = async (page: Page, part: 'A' | 'B') =>
  Number(await page.locator(`aside .part-${part} td`).nth(1).textContent())

/** Makes a piece of measured volume and sides. */
async function measured(mivro: Mivro, page: Page): Promise<void> {
  await mivro.open('/pieces/new')
  await page.getByText('Measured', { exact: true }).click()
  await mivro.type('Weight', '40 g')
  await mivro.type('Density', '1.15')
  await mivro.type('Width', '50')
  await mivro.type('Depth', '40')
  await mivro.type('Height', '60')
}

// By hand: 40 g at 1.15 g/ml are 34.8 ml. The sides are 50 x 40 x 60 mm; 10 mm beside, 12 under and
// over make a box of 70 x 60 x 84 mm, 352.8 ml, and leave 318.0 ml around the thing.
test('a measured piece gets a box that it fits into, and sizes that are those typed', async ({
  mivro,
  page,
}) => {
  await measured(mivro, page)
  await mivro.field('Name').fill('Measured thing')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await expect(page.locator('.facts')).toContainText('50 × 40 × 60 mm · 34.8 ml')
  await page.getByRole('link', { name: 'Mould', exact: true }).click()
  await page.getByRole('button', { name: 'Plan a mould' }).click()
  await page.getByRole('link', { name: /^Silicone/ }).click()
  await expect(page.getByText('70.0 mm inside')).toBeVisible({ timeout: 120_000 })
  await expect(page.getByText('from above, 70.0 mm by 60.0 mm')).toBeVisible()
  await mivro.pick('Silicone', 'Firm platinum silicone 30A')
  // 318.0 ml of a silicone whose mix is 1.11 g/ml: 353 g in the mould.
  const [a, b] = [await figures(page, 'A'), await figures(page, 'B')]
  await expect(page.locator('[data-amount="mixed"]')).toContainText(/\d/)
  const mixed = Number(
    (await page.locator('[data-amount="mixed"]').textContent())!.replace(/[^\d.]/g, ''),
  )
  expect(Math.abs(a + b - mixed)).toBeLessThan(1)
  expect(mixed / 1.1 / 318.0).toBeGreaterThan(1.05)
  expect(mixed / 1.1 / 318.0).toBeLessThan(1.2)
})

test('a measured piece whose sides hold less than its volume is refused at its place', async ({
  mivro,
  page,
}) => {
  await measured(mivro, page)
  await mivro.type('Weight', '400 g')
  await expect(page.getByRole('alert')).toContainText(/120.0 ml/)
  await mivro.field('Name').fill('Too heavy')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await expect(page.getByText(/Weight stands in red/)).toBeVisible()
  await expect(page).toHaveURL(/\/pieces\/new$/)
})

test('a size in red never makes the last good one without saying so', async ({ mivro, page }) => {
  await mivro.open('/pieces/new')
  await page.getByText('Dimensions', { exact: true }).click()
  await mivro.field('Name').fill('Coaster')
  await mivro.type('Diameter', '-5')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await expect(page.getByText(/Diameter stands in red: mend it/)).toBeVisible()
  await expect(page).toHaveURL(/\/pieces\/new$/)
  await mivro.type('Diameter', '90')
  await page.reload()
  await expect(mivro.field('Name')).toHaveValue('Coaster')
  await expect(mivro.field('Diameter')).toHaveValue('90.0')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await expect(page.locator('.facts')).toContainText('90 × 90')
})

test('nothing, and less than nothing, can’t be in a cup or in a pull', async ({ mivro, page }) => {
  await mivro.open('/desk')
  const cup = mivro.field(/that is in the cup$/)
  for (const wrong of ['-3', '0']) {
    await cup.fill(wrong)
    await cup.press('Enter')
    await expect(page.getByRole('alert')).toContainText('outside what makes sense')
    await expect(cup).toHaveValue(wrong)
  }
  await cup.fill('3')
  await cup.press('Enter')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await mivro.open('/pieces/demo-coaster/pulls')
  const really = mivro.field(/actually weighed$/)
  const before = await really.inputValue()
  await really.fill('-2')
  await really.press('Enter')
  await expect(page.getByRole('alert')).toContainText('outside what makes sense')
  await really.press('Escape')
  await expect(really).toHaveValue(before)
})

// By hand: a block of 2 ml a millimetre, 20 mm of it: 40 ml, and a tenth of reserve: 44 ml in all.
// Clear slow epoxy: 3.3 g in 3 ml, so 48.4 g; in two cups 24.2 g each, of it 2.28/3.3 part A.
test('cups are weighed one by one, on the screen and on the run sheet', async ({ mivro, page }) => {
  await mivro.open('/pieces/new')
  await page.locator('input[type=file]').setInputFiles(stl('cups.stl', block()))
  await page.getByRole('button', { name: 'Create piece' }).click()
  await page.getByRole('button', { name: 'Add layer' }).click()
  await mivro.layer('Layer 1').click()
  await mivro.type(/^From 0.0 mm up to/, '20')
  await mivro.pick('Resin', 'Clear slow epoxy 2:1')
  expect(await figures(page, 'A')).toBeCloseTo((48.4 * 2.28) / 3.3, 1)
  await mivro.type('Number of cups', '2')
  expect(await figures(page, 'A')).toBeCloseTo((24.2 * 2.28) / 3.3, 1)
  expect(await figures(page, 'B')).toBeCloseTo((24.2 * 1.02) / 3.3, 1)
  await expect(page.locator('aside')).toContainText('into each of 2 cups')
  await expect(page.locator('aside')).toContainText('44.0 ml in all')
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour sheet' }).click()
  await expect(page.getByText(/Weigh this into each of 2 cups/)).toBeVisible()
  await expect(page.getByText('16.7 g')).toBeVisible()
  await expect(page.getByText(/Mix the first of 2 cups/)).toBeVisible()
})

// Stirred for half a minute from two o'clock on: poured at 14:00:30, not at 14:01.
test('a pour sheet of a fast urethane says the planned start, times of day and seconds', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/new')
  await page.locator('input[type=file]').setInputFiles(stl('fast.stl', block()))
  await page.getByRole('button', { name: 'Create piece' }).click()
  await page.getByText('Working hours', { exact: true }).click()
  await mivro.type('First mix at', '14:00')
  await page.getByRole('button', { name: 'Add layer' }).click()
  await mivro.layer('Layer 1').click()
  await mivro.type(/^From 0.0 mm up to/, '5')
  await mivro.pick('Resin', 'Fast white urethane 1:1')
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour sheet' }).click()
  await expect(page.getByText(/first mix planned at 14:00, actual/)).toBeVisible()
  await expect(page.locator('[data-step="pour"]')).toContainText(
    'Pour: 14:00:30, 30 s after the first mix. 5.0 mm deep',
  )
  await expect(page.locator('[data-step="demould"]')).toContainText(
    'The witness cup runs ahead of thin and hollow parts',
  )
})

// A gate of 6 mm through 12 mm of silicone holds π/4 · 0.6² · 1.2 = 0.339 ml.
test('gates count by themselves, the mould says that it is closed, a caution mends itself', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/new')
  await page.locator('input[type=file]').setInputFiles(stl('gated.stl', block()))
  await page.getByRole('button', { name: 'Create piece' }).click()
  await page.getByRole('button', { name: 'Add layer' }).click()
  await page.getByRole('link', { name: 'Mould', exact: true }).click()
  await page.getByRole('button', { name: 'Plan a mould' }).click()
  await page.getByRole('button', { name: 'Gate', exact: true }).click()
  await expect(page.getByText('Together they keep 0.34 ml of resin in each copy')).toBeVisible()
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour', exact: true }).click()
  await expect(page.getByText('0.34 ml')).not.toHaveCount(0)
  await expect(page.locator('aside')).toContainText('Closed, as its mould is')
  await mivro.type('Copies in this mix', '3')
  await expect(page.locator('[data-code="copies-over-cavities"]')).toBeVisible()
  await page.getByRole('button', { name: 'Pour 1 at a time' }).click()
  await expect(page.locator('[data-code="copies-over-cavities"]')).toHaveCount(0)
  await expect(mivro.field('Copies in this mix')).toHaveValue('1')
  // Turned over, its gate lies below: said, and one click carries it up.
  await page.getByRole('link', { name: 'Shape' }).click()
  await page.getByText('Bottom', { exact: true }).click()
  await page.getByRole('link', { name: 'Mould', exact: true }).click()
  await expect(page.locator('[data-code="opening-through-piece"]')).toBeVisible()
  await page.getByRole('button', { name: 'Move it to the top' }).click()
  await expect(page.locator('[data-code="opening-through-piece"]')).toHaveCount(0)
  // How it is held is said alike wherever it is said.
  const held = 'the other way up than it stood in its box'
  await expect(page.getByText(`It is poured ${held}.`)).toBeVisible()
  await page
    .getByRole('navigation', { name: 'What to look at' })
    .getByRole('link', { name: 'Record' })
    .click()
  await expect(page.getByText(held, { exact: true })).toBeVisible()
  await mivro.saved()
  for (const sheet of ['Mould sheet', 'Pour sheet']) {
    await page.getByRole('link', { name: sheet }).click()
    await expect(page.getByText(`It is poured ${held}.`)).toBeVisible({ timeout: 120_000 })
    await page.goBack()
  }
})

test('what is assumed of a new resin is marked until its sheet is typed', async ({
  mivro,
  page,
}) => {
  await mivro.open('/shelf')
  await page.getByRole('button', { name: 'Add a resin' }).click()
  const marks = page.getByText('assumed, not from its sheet')
  await expect(marks.first()).toBeVisible()
  const before = await marks.count()
  expect(before).toBeGreaterThan(5)
  await mivro.type('Pot life', '40 min')
  await expect(marks).toHaveCount(before - 1)
  await page.getByRole('button', { name: 'Confirm' }).first().click()
  await expect(marks).toHaveCount(before - 2)
})

test('what was found of a figure is there again after a reload, without its file', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-astronomer/mould/parting')
  await expect(page.getByText('Parting and pull')).toBeVisible({ timeout: 120_000 })
  // It is kept when the page is calm.
  await expect.poll(() => keptAnswers(page)).toContain('geometry')
  let files = 0
  await page.route('**/api/meshes/*', (route) => {
    files++
    return route.continue()
  })
  await page.reload()
  await expect(page.getByText('Parting and pull')).toBeVisible()
  expect(files).toBe(0)
})

/** Names of the jobs whose answers the browser keeps over visits. */
const keptAnswers = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string[]>((done, failed) => {
        const opening = indexedDB.open('mivro-answers')
        opening.onerror = () => failed(opening.error)
        opening.onsuccess = () => {
          const keys = opening.result.transaction('answers').objectStore('answers').getAllKeys()
          keys.onsuccess = () => done(keys.result.map((key) => String(key).split(' ')[1]))
        }
      }),
  )
