import { readFileSync } from 'node:fs'
import { closureOf, isClosed, readStl, weld } from '@mivro/core/form/mesh'
import { expect, test } from './mivro.ts'
import { linesOf } from './pdf.ts'

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
  const download = async (name: string) => {
    const waiting = page.waitForEvent('download', { timeout: 120_000 })
    await page.getByRole('button', { name, exact: true }).click()
    return readFileSync((await (await waiting).path())!)
  }
  const svg = (await download('Six sides, SVG')).toString()
  for (const side of ['Front', 'Right side', 'Back', 'Left side', 'Top', 'Foot']) {
    expect(svg).toContain(`>${side} of the block`)
  }
  expect(svg).toContain('>Front of the block: cut here')
  expect(svg).toContain('>Back of the block: not cut from here')
  // A page for each side, each with its own line of 50 mm.
  const pdf = await download('Six sides, PDF')
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(6)
  const printed = linesOf(pdf).filter(({ length }) => Math.abs((length / 72) * 25.4 - 50) < 0.2)
  expect(printed.length).toBeGreaterThanOrEqual(6)
  const stl = new Uint8Array(await download('Master with flag, STL'))
  expect(isClosed(closureOf(weld(readStl(stl).mesh)))).toBe(true)
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
