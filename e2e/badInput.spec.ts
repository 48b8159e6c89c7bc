import { truncateSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { block, changed, firstFaces, stl } from './files.ts'
import { expect, test } from './mivro.ts'

test.describe('files', () => {
  const refused: [string, () => Buffer, string][] = [
    [
      'cut off',
      () => block().subarray(0, 400),
      'The file announces 12 triangles and ends after 6: it was cut off.',
    ],
    [
      'with a wrong count',
      () => changed((view) => view.setUint32(80, 40, true)),
      'announces 40 triangles and holds 12, so its count is wrong',
    ],
    [
      'of nothing but NaN',
      () =>
        changed((view) => {
          for (let t = 0; t < 12; t++) view.setFloat32(84 + 50 * t + 12, NaN, true)
        }),
      'None of the 12 triangles holds usable numbers',
    ],
    ['without volume', () => firstFaces(2), 'encloses no volume: it is flat or folded onto itself'],
    [
      'that is a picture',
      () => Buffer.from('GIF89a'.padEnd(300, '\u0001')),
      'This is a GIF picture, whatever its name says, and not a shape',
    ],
    [
      'that is nothing known',
      () => Buffer.from('\u0001\u0002'.repeat(200)),
      'This is not an STL file',
    ],
  ]
  for (const [name, bytes, sentence] of refused) {
    test(`one ${name} is refused with its reason, and what was typed stays`, async ({
      mivro,
      page,
    }) => {
      await mivro.open('/pieces/new')
      await mivro.field('Name').fill('My bear')
      await page.locator('input[type=file]').setInputFiles(stl('bear.stl', bytes()))
      await expect(page.getByRole('alert')).toContainText(sentence)
      await expect(mivro.field('Name')).toHaveValue('My bear')
      await expect(page.getByRole('button', { name: 'Create piece' })).toBeHidden()
      // And the way out works: another file.
      await page.getByRole('button', { name: 'Choose another file' }).click()
      await page.locator('input[type=file]').setInputFiles(stl('block.stl', block()))
      await expect(page.getByText('Yes, watertight')).toBeVisible()
    })
  }

  test('one over 200 MB is refused before it is read', async ({ mivro, page }) => {
    const path = join(mivro.server.folder, 'huge.stl')
    writeFileSync(path, '')
    truncateSync(path, 200_000_001)
    await mivro.open('/pieces/new')
    await page.locator('input[type=file]').setInputFiles(path)
    await expect(page.getByRole('alert')).toContainText(
      '200 MB is the most taken here. Save it with fewer triangles.',
    )
  })

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

test.describe('the pour', () => {
  test.beforeEach(async ({ mivro }) => {
    await mivro.open('/pieces/demo-orrery/pour')
    await mivro.layer('Clear foot').click()
  })

  test('a layer above the top', async ({ mivro, page }) => {
    await mivro.type(/^From .* up to/, '44')
    await expect(page.locator('[data-code="layer-above-top"]:visible')).toHaveText(
      /Clear foot goes up to 44.0 mm, but the piece ends at 30.0 mm. Bring it down to 30.0 mm or less./,
    )
    await expect(mivro.field(/^From .* up to/)).toHaveValue('44.0')
  })

  test('layers out of order', async ({ mivro, page }) => {
    await mivro.type(/^From .* up to/, '8 mm')
    await expect(page.locator('[data-code="layer-out-of-order"]:visible')).toContainText(
      'Clear foot ends at 8.0 mm, below the top of Dark body at 22.0 mm. Raise Clear foot, or lower Dark body.',
    )
    await expect(mivro.field(/^From .* up to/)).toHaveValue('8.0')
  })

  test('a negative tint', async ({ mivro, page }) => {
    await mivro.layer('Dark body').click()
    const field = "Tint, share of the resin's weight"
    await mivro.type(field, '-2 %')
    await expect(page.getByRole('alert')).toContainText(
      '−2 % is outside what makes sense here: 0 % to 95 %',
    )
    await expect(mivro.field(field)).toHaveValue('-2 %')
  })

  test('an inclusion bigger than its layer', async ({ mivro, page }) => {
    await mivro.pick('Add inclusion', 'Something else')
    await mivro.type('Name', 'Steel ball')
    await mivro.type('Density', '7.8 g/ml')
    await mivro.type('Weight of one', '500 g')
    await expect(page.locator('[data-code="inclusions-too-big"]:visible')).toContainText(
      'The inclusions take 64.1 ml and Clear foot holds 48.0 ml in all, so no resin is left to hold them.',
    )
    await expect(mivro.field('Weight of one')).toHaveValue('500.00')
  })

  test('an unknown unit, and a bare ounce where a volume is wanted', async ({ mivro, page }) => {
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
  })

  test('half a copy', async ({ mivro, page }) => {
    await page.getByRole('button', { name: 'Show the whole pour' }).click()
    await mivro.type('Copies in this mix', '2.5')
    await expect(page.getByRole('alert')).toContainText(
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
