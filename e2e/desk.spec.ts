import { readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from './mivro.ts'

/**
 * By hand: 100 g of 2:1 by volume, parts of 1.14 and 1.02 g/ml. A is 2.28/3.3 of the weight: 69.1 g,
 * B 30.9 g. With 80 g of A in the cup B has to be 35.8 g; 30 g of it are in: 5.8 g are missing.
 */
test('the ratio desk: what to weigh, past the mark, a cup too small', async ({ mivro, page }) => {
  await mivro.open('/desk')
  const row = (part: string) => page.locator(`tr.part-${part}`)
  await expect(row('A')).toContainText('69.1')
  await expect(row('B')).toContainText('30.9')
  await expect(page.getByText('2:1 by volume is 2.24:1 by weight')).toBeVisible()
  await mivro.type('Part A, resin that is in the cup', '80')
  await mivro.type('Part B, hardener that is in the cup', '30')
  await expect(page.getByText('+19.3 %')).toBeVisible()
  await expect(page.locator('.add')).toContainText('5.8 g of Part B, hardener')
  await expect(page.getByText(/more than a cup of 150 ml stirs/)).toBeVisible()
  await mivro.type('Part B, hardener that is in the cup', '35.8')
  await expect(page.getByText(/It matches: 115\.8 g/)).toBeVisible()
  await page.getByRole('button', { name: 'Empty the cup' }).click()
  await expect(page.getByText('+19.3 %')).toBeHidden()
})

test('the desk from one part, by volume, and what it refuses', async ({ mivro, page }) => {
  await mivro.open('/desk')
  await mivro.pick('What is mixed', 'Custom ratio')
  await mivro.type('Mix ratio, A to B', '10:9')
  await page.getByText('From A', { exact: true }).click()
  await mivro.type(/^In the cup of Part A/, '6 g')
  await expect(page.locator('tr.part-B')).toContainText('5.4')
  await expect(page.getByText(/is 17\.\d g|stays within/).first()).toBeVisible()
  await mivro.type(/^In the cup of Part A/, '0')
  await expect(page.getByText(/between|0\.1 g/).first()).toBeVisible()
  await page.getByRole('radiogroup', { name: 'Known amount' }).getByText('Volume').click()
  await mivro.type('All together', '4 oz')
  await expect(page.getByText('An ounce alone is a weight')).toBeVisible()
  await mivro.type('All together', '4 fl oz')
  await expect(page.locator('tfoot')).toContainText('118.3')
})

test('stirred in besides, less than the scale shows, and drops that are learned', async ({
  mivro,
  page,
}) => {
  await mivro.open('/desk')
  await page.getByRole('button', { name: 'Tint', exact: true }).click()
  await mivro.type('Its share', '0.05 %')
  await expect(page.getByText(/Tint, 0\.050 g is too little/).first()).toBeVisible()
  await expect(page.locator('.thin')).toContainText('use 0.50 g of it')
  await page.getByRole('button', { name: 'Metal powder' }).click()
  await expect(page.locator('[data-safety="dust"]')).toBeVisible()

  await mivro.type('Drops counted', '20')
  await mivro.type('weighed together', '0.6 g')
  await page.getByRole('button', { name: 'Save this count' }).click()
  await expect(page.getByText(/One drop is/)).toContainText('0.030 g')
  await mivro.saved()
  await page.reload()
  await expect(page.getByText(/One drop is/)).toContainText('0.030 g')
})

test('a layer is laid out on the desk with what the plan needs', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await mivro.layer('Night blue').click()
  await page.getByText('Over-poured?').click()
  await mivro.type('Part A, resin that is in the cup', '60')
  await expect(page.locator('.past .add')).toContainText('of Part B, hardener')
  await page.getByRole('button', { name: 'Open in Mixing' }).click()
  await expect(page.getByRole('heading', { name: 'Mixing' })).toBeVisible()
  await expect(page.locator('tr.part-tint-1')).toContainText('Night blue dye')
})

test('a sheet is read: what a field means, and what it does to a piece', async ({
  mivro,
  page,
}) => {
  await mivro.open('/shelf/demo-slow-epoxy')
  const box = page.getByRole('combobox', { name: 'Example', exact: true })
  const list = page.locator('.el-select', { has: box })
  await expect(list).toContainText('Night blue', { timeout: 120_000 })
  await mivro.field('Pot life').focus()
  await expect(page.getByText(/How long a cup of the stated mass can be worked/)).toBeVisible()
  await expect(page.getByRole('columnheader', { name: 'a fifth more' })).toBeVisible()
  await mivro.type('Demould time', '2 h')
  await expect(page.getByText(/comes early for its pot life/)).toBeVisible({ timeout: 120_000 })
  await mivro.type('Tested amount', '')
  await expect(page.getByText(/names no mass for its pot life/)).toBeVisible()
  await mivro.type('Peak exotherm in that cup', '30')
  await expect(page.getByText(/does not go with this pot life/).first()).toBeVisible({
    timeout: 120_000,
  })
})

test('three pot lives move the clock, and one can be left out', async ({ mivro, page }) => {
  await mivro.open('/shelf/demo-slow-epoxy')
  const pours = page
    .getByRole('row', { name: /^The cup pours for/ })
    .getByRole('cell')
    .nth(1)
  await expect(pours).not.toBeEmpty({ timeout: 120_000 })
  const before = await pours.textContent()
  const seen = page.getByRole('region', { name: 'Measurements' })
  for (const [room, time] of [
    ['18', '60 min'],
    ['23', '34 min'],
    ['28', '20 min'],
  ]) {
    await seen.getByLabel('Measured time').fill(time)
    await seen.getByLabel('Measured time').press('Enter')
    await seen.getByLabel('Room', { exact: true }).fill(room)
    await seen.getByLabel('Room', { exact: true }).press('Enter')
    await seen.getByRole('button', { name: 'Add measurement' }).click()
    await expect(seen.getByRole('checkbox')).toHaveCount(room === '18' ? 1 : room === '23' ? 2 : 3)
  }
  await expect(pours).not.toHaveText(before!, { timeout: 120_000 })
  const learned = await pours.textContent()
  await seen.locator('.el-checkbox').first().click()
  await expect(pours).not.toHaveText(learned!, { timeout: 120_000 })
  await mivro.saved()

  await mivro.open('/pieces/demo-comet-drop/pour')
  await mivro.layer('Night blue').click()
  await expect(page.getByText('by the cure of each layer')).toBeVisible({ timeout: 120_000 })
  await page.getByRole('button', { name: 'Where this time comes from' }).click()
  await expect(page.getByText(/Learned from 2 of your own/)).toBeVisible({ timeout: 120_000 })
})

test('materials go out as a table and come in again', async ({ mivro, page }) => {
  await mivro.open('/shelf')
  await expect(page.getByRole('link', { name: /Clear slow epoxy/ })).toBeVisible()
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export' }).click()
  await page.getByText('CSV, a table').click()
  const path = join(tmpdir(), `mivro-materials-${Date.now()}.csv`)
  await (await waiting).saveAs(path)
  const lines = readFileSync(path, 'utf8').trim().split(/\r?\n/)
  expect(lines[0]).toContain('kind,name,class')
  const epoxy = lines.find((line) => line.includes('Clear slow epoxy'))!
  const table = [
    lines[0],
    epoxy,
    epoxy.replace('Clear slow epoxy 2:1', 'Winter epoxy 2:1'),
    epoxy.replace('2:1,volume', 'two to one,volume').replace('Clear slow epoxy 2:1', 'Odd epoxy'),
  ]
  writeFileSync(path, table.join('\n'))

  await page.getByRole('button', { name: 'Import', exact: true }).click()
  const dialog = page.getByRole('dialog')
  await dialog.locator('input[type=file]').setInputFiles(path)
  await expect(dialog).toContainText(
    "1 new, 1 already here, 0 differ from one of that name, 1 can't be read",
  )
  await expect(dialog).toContainText('ratio: ')
  await dialog.getByRole('button', { name: 'Import 1' }).click()
  await expect(page.getByRole('link', { name: /Winter epoxy/ })).toBeVisible()

  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"materials": 4}'),
  })
  await expect(dialog).toContainText('it holds no list "materials"')
})
