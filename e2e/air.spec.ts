import { expect, test } from './mivro.ts'

test('a slow epoxy clears itself; a fast urethane is told to go into the pot, with numbers', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour?lens=air')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel).toContainText('Neither vacuum nor pressure', { timeout: 120_000 })

  await mivro.open('/pieces/demo-keycap/pour')
  for (const layer of ['1 Clear face', '2 Violet skirt']) {
    await page.getByText(layer, { exact: true }).first().click()
    await mivro.pick('Resin', 'Clear urethane 100:82')
  }
  await page
    .getByRole('group', { name: 'Lenses' })
    .getByRole('button', { name: 'Air', exact: true })
    .click()
  await expect(panel).toContainText(/Pressure until it is hard|bubbles stay/, { timeout: 120_000 })
  const row = (way: string) => panel.locator('.el-table__row', { hasText: way })
  await expect(row('Neither')).toBeVisible()
  await row('Neither').click()
  const untreated = await page.locator('.bubbles circle').count()
  await row('Pressure').click()
  await expect
    .poll(() => page.locator('.bubbles circle').count())
    .toBeLessThan(Math.max(1, untreated))
  await expect(panel.locator('[data-safety="pressure"]')).toBeVisible()
  // At the pour all of them are there.
  await page.getByRole('slider', { name: 'Moment of the bubbles' }).focus()
  await page.keyboard.press('Home')
  await expect.poll(() => page.locator('.bubbles circle').count()).toBeGreaterThan(untreated)
})

test("one's own way is tried beside the others: let go too early it is told as harm", async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-astronomer-solid/pour?lens=air')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel).toContainText('Pressure until it is hard', { timeout: 120_000 })
  await expect(panel).toContainText('Vacuum after mixing would eat its pot life')
  await panel.getByRole('button', { name: 'Try a way of your own' }).click()
  await mivro.type('Pressure let go at', '3 min')
  await expect(panel).toContainText('bubbles grow again: worse than none')
  await mivro.type('Pressure let go at', '1 h')
  await mivro.type('Pressure from', '30 min')
  await expect(panel).toContainText('pressure after the gel does nothing')
  await mivro.type('Pressure let go at', '20 min')
  await expect(panel.getByRole('alert').first()).toContainText('before it begins')
  await panel.getByRole('button', { name: 'How it is stirred and poured' }).click()
  const seen = () => panel.locator('.el-table__row', { hasText: 'Neither' }).textContent()
  const before = await seen()
  // An answer that comes while the mouse is down moves what lies under it: pressed until it is ticked.
  const vibrate = panel.getByRole('checkbox', { name: 'Vibrate' })
  await expect(async () => {
    if (!(await vibrate.isChecked())) await panel.getByText('Vibrate', { exact: true }).click()
    await expect(vibrate).toBeChecked({ timeout: 2000 })
  }).toPass({ timeout: 40_000 })
  await expect.poll(seen).not.toBe(before)
  await mivro.saved()
  await page.reload()
  await expect(panel).toContainText('pressure after the gel does nothing', { timeout: 120_000 })
})

test('a porous charm changes the answer of a slow epoxy', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-orrery/pour?lens=air')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel).toContainText('it clears itself', { timeout: 120_000 })
  await page.getByRole('button', { name: 'Inclusions', exact: true }).click()
  await page.getByText('2 Clear foot', { exact: true }).first().click()
  await panel.getByRole('combobox', { name: 'Add inclusion' }).click({ force: true })
  await page.getByRole('option', { name: 'Crescent charm', exact: true }).click()
  await mivro.type('Count per copy', '12')
  await panel.getByText('Porous', { exact: true }).click()
  await page.getByRole('button', { name: 'Air', exact: true }).click()
  await expect(panel).not.toContainText('it clears itself', { timeout: 120_000 })
  await expect(panel).toContainText(/bubbles stay/)
})

test('without a vessel the ways say so', async ({ mivro, page }) => {
  await mivro.open('/equipment')
  await page.getByRole('button', { name: 'Delete vacuum vessel' }).click()
  await expect(page.getByRole('button', { name: 'Add a vacuum vessel' })).toBeVisible()
  await mivro.saved()
  await mivro.open('/pieces/demo-comet-drop/pour?lens=air')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel).toContainText('no vacuum vessel in Equipment', { timeout: 120_000 })
})
