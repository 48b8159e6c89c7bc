import { readFileSync } from 'node:fs'
import { expect, test } from './mivro.ts'

test('a block is cut where it does not show, as far as frees the piece; the sheet says the same', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-astronomer/mould/parting')
  const said = page.locator('[data-seam]')
  await expect(said).toContainText(
    /^Down the back: [\d.]+ mm from the gate in this silicone \(22A\)/,
  )
  const [, cut] = /: ([\d.]+) mm/.exec(await said.innerText())!
  expect(Number(cut)).toBeGreaterThan(40)
  expect(Number(cut)).toBeLessThan(100)
  await mivro.pick('Its face looks to the', 'back')
  await expect(said).toContainText(/^Down the front/)
  await mivro.saved()
  await page.getByRole('link', { name: 'Record', exact: true }).click()
  await expect(page.getByText('Where to cut it, true size: down the front')).toBeVisible()
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'SVG', exact: true }).nth(1).click()
  const svg = readFileSync((await (await waiting).path())!, 'utf8')
  // The wave, its end, and the line on the skin.
  expect(svg.match(/stroke="#a8232b"/g)).toHaveLength(3)
})

test('tears and the end of a mould are kept in its record, and its kind is advised by them', async ({
  mivro,
  page,
}) => {
  await mivro.open('/moulds/demo-crater-mould')
  const marks = page.getByRole('region', { name: 'Tears and patches' })
  await marks.getByRole('button', { name: 'It is torn' }).click()
  await mivro.type('Where: Torn', 'rim, 4 mm')
  await expect(page.getByText('Torn and not patched')).toBeVisible()
  await marks.getByRole('button', { name: 'I patched it' }).click()
  await expect(page.getByText('Fresh.')).toBeVisible()
  await marks.getByRole('button', { name: 'It is worn out' }).click()
  await mivro.type('Pulls until then: Worn out', '20')
  await mivro.saved()
  await mivro.open('/pieces/demo-crater-keycap/mould/kind')
  await expect(page.getByText(/^About \d+ pulls, between .* as 1 of your own/)).toBeVisible()
  await mivro.open('/pieces/demo-crater-keycap/mould/passport')
  await expect(page.getByRole('textbox', { name: 'Where: Torn' })).toHaveValue('rim, 4 mm')
  await expect(page.getByText('Worn out.', { exact: true })).toBeVisible()
})
