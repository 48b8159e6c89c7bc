import { changed, firstFaces, stl } from './files.ts'
import { expect, test } from './mivro.ts'

test.describe('files', () => {
  test('an open mesh is taken, its holes counted, with a band on the volume', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/new')
    await page.locator('input[type=file]').setInputFiles(stl('open.stl', firstFaces(10)))
    await expect(
      page.getByText(/The surface has 1 hole \(4 open edges\), so the volume is only known to ±/),
    ).toBeVisible()
    await expect(page.getByText(/ml ± \d/)).toBeVisible()
    await expect(page.getByRole('button', { name: 'Create piece' })).toBeVisible()
  })

  test('a doubtful size asks for its unit', async ({ mivro, page }) => {
    const inches = changed((view) => {
      for (let t = 0; t < 12; t++) {
        for (let k = 3; k < 12; k++) {
          const at = 84 + 50 * t + 4 * k
          view.setFloat32(at, view.getFloat32(at, true) / 25.4, true)
        }
      }
    })
    await mivro.open('/pieces/new')
    await page.locator('input[type=file]').setInputFiles(stl('inches.stl', inches))
    await expect(page.getByText(/in millimetres this would be 2.0 mm long/)).toBeVisible()
    await expect(page.getByText('Say which unit the file means')).toBeVisible()
    const units = page.getByRole('radiogroup', { name: 'One unit in the file is' })
    const inch = units.locator('label', { hasText: /^in$/ })
    await inch.hover()
    await expect(page.getByRole('tooltip', { name: '50.0 mm long' })).toBeVisible()
    await inch.click()
    await expect(page.getByText('40.0 mm × 50.0 mm × 30.0 mm')).toBeVisible()
  })
})

test('in the pour: what cannot be is said at its place, and stays as it was typed', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await mivro.layer('Clear foot').click()

  await test.step('a layer above the top', async () => {
    await mivro.type(/^From .* up to/, '44')
    await expect(page.locator('[data-code="layer-above-top"]:visible')).toHaveText(
      /Clear foot goes up to 44.0 mm, but the piece ends at 30.0 mm. Bring it down to 30.0 mm or less./,
    )
    await expect(mivro.field(/^From .* up to/)).toHaveValue('44.0')
  })

  await test.step('layers out of order', async () => {
    await mivro.type(/^From .* up to/, '8 mm')
    await expect(page.locator('[data-code="layer-out-of-order"]:visible')).toContainText(
      'Clear foot ends at 8.0 mm, below the top of Dark body at 22.0 mm. Raise Clear foot, or lower Dark body.',
    )
    await expect(mivro.field(/^From .* up to/)).toHaveValue('8.0')
    await mivro.type(/^From .* up to/, '30')
  })

  await test.step('a negative tint', async () => {
    await mivro.layer('Dark body').click()
    const field = "Tint, share of the resin's weight"
    await mivro.type(field, '-2 %')
    await expect(page.getByRole('alert')).toContainText(
      '−2 % is outside what makes sense here: 0 % to 95 %',
    )
    await expect(mivro.field(field)).toHaveValue('-2 %')
    await mivro.field(field).press('Escape')
    await mivro.layer('Clear foot').click()
  })

  await test.step('an unknown unit, and a bare ounce where a volume is wanted', async () => {
    await mivro.type(/^From .* up to/, '3 cubits')
    await expect(page.getByRole('alert')).toContainText(
      '"cubits" is not a unit of length known here. Use mm, cm, m, in, ft.',
    )
    await expect(mivro.field(/^From .* up to/)).toHaveValue('3 cubits')
    await mivro.field(/^From .* up to/).press('Escape')
    await mivro.type('Resin per copy', '2 oz')
    await expect(page.getByRole('alert')).toContainText(
      'Write "2 fl oz" for volume, or give it in ml.',
    )
    await mivro.field('Resin per copy').press('Escape')
  })

  await test.step('an inclusion bigger than its layer', async () => {
    await mivro.pick('Add inclusion', 'Something else')
    await mivro.type('Name', 'Steel ball')
    await mivro.type('Density', '7.8 g/ml')
    await mivro.type('Weight of one', '500 g')
    await expect(page.locator('[data-code="inclusions-too-big"]:visible')).toContainText(
      'The inclusions take 64.1 ml and Clear foot holds 48.0 ml in all, so no resin is left to hold them.',
    )
    await expect(mivro.field('Weight of one')).toHaveValue('500.00')
  })

  await test.step('half a copy', async () => {
    await page.getByRole('button', { name: 'Show the whole pour' }).click()
    await mivro.type('Copies in this mix', '2.5')
    await expect(page.getByRole('alert').first()).toContainText(
      '2.5 has to be a whole number from 1 to 1000.',
    )
  })
})

test.describe('the shelf', () => {
  test('a ratio of 0, and a density of 1100 g/ml', async ({ mivro, page }) => {
    await mivro.open('/shelf/demo-slow-epoxy')
    await mivro.type('Mix ratio, A to B', '2:0')
    await expect(page.getByRole('alert')).toContainText(
      'nothing would cure. Write both parts, such as 2:1.',
    )
    await expect(mivro.field('Mix ratio, A to B')).toHaveValue('2:0')
    await mivro.type('Density of part A', '1100 g/ml')
    await expect(
      page.getByText('1100 g/ml is outside what makes sense here: 0.7 g/ml to 3 g/ml.'),
    ).toBeVisible()
  })

  test('a pot life of 40 s for a deep epoxy is asked about', async ({ mivro, page }) => {
    await mivro.open('/shelf/demo-deep-epoxy')
    await mivro.type('Pot life', '40 s')
    await expect(page.locator('[data-code="sheet-slip"]:visible')).toContainText(
      'A pot life of 40 s is unusual for a deep-pour epoxy: 1 h 30 min to 24 h is common.',
    )
    await mivro.type('Pot life', '33 min')
    await mivro.saved()
  })
})
