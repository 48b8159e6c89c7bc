import { buildSolid } from '@mivro/core/form/shape'
import { writeStl, type Mesh } from '@mivro/core/form/mesh'
import { stl } from './files.ts'
import { expect, test, type Mivro } from './mivro.ts'

const cube = (side: number, x: number): Mesh => {
  const mesh = buildSolid({ solid: 'block', width: side, depth: side, height: side })
  return {
    ...mesh,
    positions: mesh.positions.map((v, i) => (i % 3 === 0 ? v + x : v)) as Float64Array,
  }
}
const together = (one: Mesh, other: Mesh): Mesh => ({
  positions: Float64Array.of(...one.positions, ...other.positions),
  triangles: Uint32Array.of(...one.triangles, ...other.triangles.map((v) => v + 8)),
})
const give = (mivro: Mivro, name: string, content: Buffer) =>
  mivro.page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: content })

test.describe('shapes', () => {
  test('two pieces in one file, one inside out or a thousand times too large are said; holes are closed at a press', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/new')
    const two = together(cube(0.02, 0), cube(0.02, 0.05))
    await page.locator('input[type=file]').setInputFiles(stl('two.stl', Buffer.from(writeStl(two))))
    await expect(page.locator('[data-code="mesh-parts"]')).toContainText('2 separate pieces')
    const turned = cube(0.02, 0)
    turned.triangles.reverse()
    await page.getByRole('button', { name: 'Choose another file' }).click()
    await page
      .locator('input[type=file]')
      .setInputFiles(stl('in.stl', Buffer.from(writeStl(turned))))
    await expect(page.locator('[data-code="mesh-turned"]')).toBeVisible()
    await page.getByRole('button', { name: 'Choose another file' }).click()
    await page
      .locator('input[type=file]')
      .setInputFiles(stl('km.stl', Buffer.from(writeStl(cube(20, 0)))))
    await expect(page.getByText(/in millimetres this would be 20000 mm/)).toBeVisible()
    await expect(page.getByRole('button', { name: 'Create piece' })).toBeHidden()
    await page.getByRole('button', { name: 'Choose another file' }).click()
    const open = { ...cube(0.02, 0), triangles: cube(0.02, 0).triangles.slice(6) }
    await page
      .locator('input[type=file]')
      .setInputFiles(stl('open.stl', Buffer.from(writeStl(open))))
    await expect(page.locator('[data-code="mesh-open"]')).toBeVisible()
    await page.getByRole('button', { name: 'Create piece' }).click()
    await page.getByRole('link', { name: 'Shape' }).click()
    await page.getByRole('button', { name: 'Close the holes with a skin' }).click()
    await expect(page.locator('[data-code="mesh-holes-closed"]')).toContainText(
      '1 hole was closed with 4.0 cm²',
    )
    await expect(page.getByText('Yes, watertight')).toBeVisible()
  })

  const outline = (d: string) =>
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="40mm" viewBox="0 0 60 40"><path d="${d}"/></svg>`,
    )

  test('an SVG outline becomes a tag; one that crosses itself is joined, an open one refused', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/new')
    await give(mivro, 'bow.svg', outline('M0 0L60 40L60 0L0 40Z'))
    // Two triangles of 30 · 20 mm that touch: 2 · 60 · 20 / 2 · 6 mm³.
    await expect(page.getByText('7.20 ml')).toBeVisible()
    await page.getByRole('button', { name: 'Choose another file' }).click()
    await give(mivro, 'gap.svg', outline('M0 0L60 0L60 40L0 40'))
    await expect(page.getByRole('alert')).toContainText('its ends lie 40.0 mm apart')
    await page.getByRole('button', { name: 'Choose another file' }).click()
    await give(mivro, 'tag.svg', outline('M0 0H60V40H0ZM5 5h10v10h-10z'))
    await expect(mivro.field('Width of the outline')).toHaveValue('60.0')
    // (60 · 40 − 10 · 10) · 6 mm³
    await expect(page.getByText('13.8 ml')).toBeVisible()
    await mivro.type('Bevel of the face', '9')
    await expect(page.getByRole('alert')).toContainText('A bevel of 9.0 mm does not fit')
    await mivro.type('Bevel of the face', '1')
    await page.getByRole('button', { name: 'Create piece' }).click()
    await expect(page.getByRole('button', { name: 'Add layer' })).toBeVisible()
  })

  test('a master without a file: by weight and density', async ({ mivro, page }) => {
    await mivro.open('/pieces/new')
    await page.getByText('Measured', { exact: true }).click()
    await mivro.type('Weight', '90 g')
    await mivro.type('Density', '1.8')
    await expect(page.getByText('50.0 ml').first()).toBeVisible()
    await expect(page.locator('[data-code="shape-measured"]')).toBeVisible()
    await mivro.type('Weight', '900 g')
    await expect(page.getByRole('alert')).toContainText('do not fit into sides that hold')
  })
})

test.describe('moulds', () => {
  test('silicone short, a box too small, a wall too thin: each at its place', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/demo-astronomer/mould/silicone')
    await expect(page.locator('[data-amount="mixed"]')).toBeVisible({ timeout: 120_000 })
    await mivro.unfold('Losses, filler and what is on hand')
    await mivro.type('On hand', '300 g')
    await expect(page.locator('[data-code="silicone-short"]')).toContainText(
      /2\d\d g short: what there is would stand at/,
    )
    await mivro.unfold('Existing box')
    await mivro.type('Inner width', '50')
    await mivro.pick('Walls', 'Square walls')
    await expect(page.getByRole('alert')).toContainText(
      '50.0 mm in width and the piece needs 85.5 mm',
    )
    await mivro.type('Inner width', '110')
    await expect(page.getByRole('alert')).toBeHidden()
    await mivro.type('Mixing loss', '70 %')
    await expect(page.getByRole('alert')).toContainText('0 % to 60 %')
    await page
      .getByRole('navigation', { name: 'What to look at' })
      .getByRole('link', { name: 'Kind' })
      .click()
    await page.locator('.kind-printed-shell button').click()
    await page
      .getByRole('navigation', { name: 'What to look at' })
      .getByRole('link', { name: 'Silicone' })
      .click()
    await mivro.type('Wall of the shell', '0.3')
    await expect(page.locator('[data-code="shell-thin"]')).toContainText(
      '0.3 mm is thinner than printers lay',
    )
    await expect(page.getByRole('heading', { name: /^First half, / })).toBeVisible()
    await expect(page.getByRole('heading', { name: /^Second half, / })).toBeVisible()
    await expect(page.getByRole('img', { name: /in its shell/ })).toBeVisible()
  })

  test('a gate that misses the piece after it was made smaller', async ({ mivro, page }) => {
    await mivro.open('/pieces/demo-comet-drop/shape')
    await mivro.type('Height', '30')
    await mivro.saved()
    await page.getByRole('link', { name: 'Mould', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText(/ends \d+\.\d mm away from the piece/)
  })
})
