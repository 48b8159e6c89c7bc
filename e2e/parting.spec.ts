import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import {
  closureOf,
  isClosed,
  measure,
  readStl,
  scaleInPlace,
  weld,
  writeStl,
  type Mesh,
} from '@mivro/core/form/mesh'
import { solidKernel } from '../server/src/demo/solidKernel.ts'
import { stl } from './files.ts'
import { expect, test, type Mivro } from './mivro.ts'
import { linesOf } from './pdf.ts'

/** In millimetres: a cylinder that lies askew by 20°, a ring lying flat, a saddle of 3 mm. */
async function shapes(): Promise<Record<'cylinder' | 'ring' | 'saddle', Buffer>> {
  const { Manifold, CrossSection } = await solidKernel()
  const saddle = Manifold.cylinder(3, 20, 20, 96, true)
    .refine(8)
    .warp((v) => {
      v[2] += (v[0] * v[0] - v[1] * v[1]) / 40
    })
  const solids = {
    cylinder: Manifold.cylinder(60, 10, 10, 96, true).rotate([0, 70, 0]),
    ring: Manifold.revolve(CrossSection.circle(5, 40).translate([18, 0]), 80),
    saddle,
  }
  const fileOf = (solid: typeof saddle) => {
    const { vertProperties, triVerts } = solid.getMesh()
    const mesh: Mesh = {
      positions: Float64Array.from(vertProperties, (x) => x / 1000),
      triangles: triVerts,
    }
    return Buffer.from(writeStl(mesh))
  }
  return {
    cylinder: fileOf(solids.cylinder),
    ring: fileOf(solids.ring),
    saddle: fileOf(solids.saddle),
  }
}

/** From a file to the parting of a mould in two halves. */
async function inTwoHalves(mivro: Mivro, page: Page, name: string, file: Buffer) {
  await mivro.open('/pieces/new')
  await page.locator('input[type=file]').setInputFiles(stl(`${name}.stl`, file))
  await page.getByRole('button', { name: 'Create piece' }).click()
  await page.getByRole('link', { name: 'Mould', exact: true }).click()
  await page.getByRole('button', { name: 'Plan a mould' }).click()
  await page.getByRole('link', { name: 'Kind', exact: true }).click()
  await page.getByRole('button', { name: /^Two-part/ }).click({ timeout: 120_000 })
  await page.getByRole('link', { name: 'Parting', exact: true }).click()
  await expect(page.getByText('Locked, climbing')).toBeVisible({ timeout: 120_000 })
}
const ml = async (page: Page, label: string) => {
  const row = page.locator('aside dl div', { hasText: label })
  return Number(/([\d.]+) ml/.exec(await row.innerText())![1])
}
const download = async (page: Page, name: string) => {
  const waiting = page.waitForEvent('download', { timeout: 120_000 })
  await page.getByRole('button', { name, exact: true }).click()
  return readFileSync((await (await waiting).path())!)
}

test('what a level parting locks comes free along a bed that climbs: askew, a ring, a saddle', async ({
  mivro,
  page,
}) => {
  const files = await shapes()
  await inTwoHalves(mivro, page, 'askew', files.cylinder)
  expect(await ml(page, 'Locked, parted level')).toBeGreaterThan(0.3)
  expect(await ml(page, 'Locked, climbing')).toBe(0)

  // Turned by hand it says what it would lock, and lays the master so.
  await page.getByRole('button', { name: 'Turn the pull down' }).click()
  await page.getByRole('button', { name: 'Turn the pull down' }).click()
  const tried = page.locator('[data-tried]')
  await expect(tried).toContainText(/^10° from now: about [\d.]+ ml locked when parted level/)
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(tried).toHaveCount(0)
  await page.getByRole('button', { name: 'Turn the pull up' }).click()
  await page.getByRole('button', { name: 'Lay the master so' }).click()
  await expect(tried).toHaveCount(0)
  await mivro.saved()

  await inTwoHalves(mivro, page, 'ring', files.ring)
  await expect(page.locator('[data-parting]')).toContainText('Parted level nothing is locked')

  await inTwoHalves(mivro, page, 'saddle', files.saddle)
  expect(await ml(page, 'Locked, parted level')).toBeGreaterThan(1)
  expect(await ml(page, 'Locked, climbing')).toBe(0)
  await page.getByText('Climbing', { exact: true }).click()
  await expect(page.locator('[data-parting]')).toContainText(/^Climbing .* sets [\d.]+ ml free/)
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-parting]')).toContainText(/^Parted level, [\d.]+ ml/)
  await page.keyboard.press('Control+y')
  await mivro.saved()

  // The steps say the same, and go on by it.
  await page.getByRole('link', { name: 'Steps', exact: true }).click()
  await expect(page.getByText(/of clay that climbs with the outline, from/).first()).toBeVisible()
  await page.getByRole('link', { name: 'Parting', exact: true }).click()

  const bed = scaleInPlace(
    weld(readStl(new Uint8Array(await download(page, 'STL to print'))).mesh),
    1e-3,
  )
  expect(isClosed(closureOf(bed))).toBe(true)
  const { low, high } = measure(bed)
  // 40 mm across and 8 mm to each wall, less 0.05 mm of play on each side.
  expect((high[0] - low[0]) * 1000).toBeCloseTo(55.9, 1)
  expect((high[1] - low[1]) * 1000).toBeCloseTo(55.9, 1)

  await mivro.type('Thickness of a card', '4 mm')
  await mivro.saved()
  const pdf = await download(page, 'Cards, PDF')
  const pages = pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length
  expect(pages).toBe(Math.ceil(((high[2] - low[2]) * 1000) / 4))
  // On each page the line that the print is checked by is 50 mm long.
  const checked = linesOf(pdf).filter(({ length }) => Math.abs((length / 72) * 25.4 - 50) < 0.2)
  expect(checked.length).toBeGreaterThanOrEqual(pages)
  const svg = (await download(page, 'SVG')).toString()
  expect(svg.match(/Card \d+ of/g)).toHaveLength(pages)
  await mivro.type('Thickness of a card', '0.2 mm')
  await expect(page.getByText(/0.2 mm .*1.0.*20.0 mm/)).toBeVisible()
})
