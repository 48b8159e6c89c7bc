import { expect, test } from './mivro.ts'

test('a slow epoxy clears itself; a fast urethane is told to go into the pot, with numbers', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour?lens=air')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel).toContainText('Neither vacuum nor pressure', { timeout: 20_000 })

  await mivro.open('/pieces/demo-keycap/pour')
  for (const layer of ['1 Clear face', '2 Violet skirt']) {
    await page.getByText(layer, { exact: true }).first().click()
    await mivro.pick('Resin', 'Clear urethane 100:82')
  }
  await page
    .getByRole('group', { name: 'Lenses' })
    .getByRole('button', { name: 'Air', exact: true })
    .click()
  await expect(panel).toContainText(/Pressure until it is hard|bubbles stay/, { timeout: 20_000 })
  const row = (way: string) => panel.locator('.el-table__row', { hasText: way })
  await expect(row('Neither')).toBeVisible()
  await row('Neither').click()
  const untreated = await page.locator('.bubbles circle').count()
  await row('Pressure').click()
  await expect
    .poll(() => page.locator('.bubbles circle').count())
    .toBeLessThan(Math.max(1, untreated))
  await expect(panel.locator('[data-safety="pressure"]')).toBeVisible()
})

test('a pot is never set over its mark, and without one the ways say so', async ({
  mivro,
  page,
}) => {
  await mivro.open('/studio')
  const tools = page.getByRole('region', { name: 'Against bubbles' })
  await expect(tools.locator('[data-safety="pressure"]')).toBeVisible()
  await mivro.type('Casts are cured at', '9 bar')
  await expect(tools.getByRole('alert').first()).toContainText('over what the pot is marked for')
  await mivro.type('Casts are cured at', '2 bar')
  await tools.getByRole('button', { name: 'Delete vacuum vessel' }).click()
  await expect(tools.getByRole('button', { name: 'Add a vacuum vessel' })).toBeVisible()
  await mivro.saved()
  await page.reload()
  await expect(mivro.field('Casts are cured at')).toHaveValue('2.0')
  await mivro.open('/pieces/demo-comet-drop/pour?lens=air')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel).toContainText('no vacuum vessel in Settings', { timeout: 20_000 })
})
