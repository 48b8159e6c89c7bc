import { expect, test } from './mivro.ts'
import { block, stl } from './files.ts'

/**
 * The hand calculation. The block holds 2 ml for each millimetre. Clear slow epoxy 2:1 by
 * volume, parts of 1.14 and 1.02 g/ml: 3.3 g in 3 ml, A is 2.28/3.3 of the weight, B 1.02/3.3.
 * Six copies and 10 % reserve: times 6.6.
 *
 * 1  0 to 12.7 mm (1/2 in): 25.4 ml, 167.64 ml in all. With 0.2 % of a dye of 1.08 g/ml on top:
 *    167.64 / (3/3.3 + 0.002/1.08) = 184.03 g of resin. A 127.1, dye 0.37, B 56.9.
 * 2  12.7 to 21 mm: 16.6 ml less ten charms of 0.4 g at 8.5 g/ml (0.4706 ml) = 16.129 ml,
 *    106.454 ml in all. With 0.15 % dye: 106.454 / (3/3.3 + 0.0015/1.08) = 116.92 g.
 *    A 80.8, dye 0.18, B 36.1.
 * 3  21 to 30 mm: 18 ml, 118.8 ml in all, 130.68 g. A 90.3, B 40.4.
 */
const expected = [
  { name: 'Layer 1', A: 127.1, tint: 0.37, B: 56.9 },
  { name: 'Layer 2', A: 80.8, tint: 0.18, B: 36.1 },
  { name: 'Layer 3', A: 90.3, B: 40.4 },
]

test('from an STL to a pull that is still there tomorrow', async ({ mivro, page }) => {
  await mivro.open('/')
  await expect(page.getByRole('heading', { name: 'Moon-phase coaster' })).toBeVisible()

  await test.step('make a piece from a file', async () => {
    await page.getByRole('link', { name: 'New piece' }).click()
    await page.locator('input[type=file]').setInputFiles(stl('test-block.stl', block()))
    await expect(page.getByText('Yes, watertight')).toBeVisible()
    await expect(page.getByRole('radio', { name: 'mm', exact: true })).toBeChecked()
    await expect(mivro.field('Name')).toHaveValue('Test block')
    await expect(page.getByText('40.0 mm × 50.0 mm × 30.0 mm')).toBeVisible()
    await page.getByRole('button', { name: 'Create piece' }).click()
    await expect(page.getByRole('button', { name: 'Add layer' })).toBeVisible()
  })

  await test.step('cut it into three layers by dragging', async () => {
    await mivro.type('Copies in this mix', '6')
    await page.getByRole('button', { name: 'Add layer' }).click()
    await mivro.pick('Resin', 'Clear slow epoxy 2:1')
    await page.getByRole('button', { name: 'Add layer' }).click()
    await page.getByRole('button', { name: 'Add layer' }).click()
    const before = [await mivro.heightOf(0), await mivro.heightOf(1)]
    expect(before).toEqual([15, 22.5])
    await mivro.drag(0, 25)
    await mivro.drag(1, 12)
    const [first, second] = [await mivro.heightOf(0), await mivro.heightOf(1)]
    expect(first).toBeLessThan(before[0])
    expect(second).toBeLessThan(before[1])
    expect(second).toBeGreaterThan(first)
  })

  await test.step('type one height in inches and one in millimetres', async () => {
    await mivro.layer('Layer 1').click()
    await mivro.type('From 0.0 mm up to', '1/2 in')
    expect(await mivro.heightOf(0)).toBe(12.7)
    await mivro.layer('Layer 2').click()
    await mivro.type('From 12.7 mm up to', '21')
    expect(await mivro.heightOf(1)).toBe(21)
  })

  await test.step('two tints, and ten brass charms', async () => {
    await mivro.layer('Layer 1').click()
    await mivro.pick('Tint', 'Night blue dye')
    await mivro.type("Tint, share of the resin's weight", '0,2 %')
    await mivro.layer('Layer 2').click()
    await mivro.pick('Tint', 'Violet dye')
    await mivro.type("Tint, share of the resin's weight", '0.15')
    await mivro.pick('Add inclusion', 'Something else')
    await mivro.type('Name', 'Brass charms')
    await mivro.type('Count per copy', '10')
    await mivro.type('Weight of one', '0.4 g')
    await mivro.type('Density', '8.5 g/ml')
    await expect(mivro.layer('Layer 2')).toContainText('16.1 ml')
  })

  await test.step('the weights agree with the hand calculation', async () => {
    for (const { name, ...parts } of expected) {
      await mivro.layer(name).click()
      await expect(page.locator('aside').getByLabel('Name of the layer')).toHaveValue(name)
      for (const [part, grams] of Object.entries(parts)) {
        expect((await mivro.weights(part as 'A')).weigh, `${name} ${part}`).toBe(grams)
      }
    }
    await mivro.layer('Layer 3').click()
    expect((await mivro.weights('B')).reading).toBe(130.7)
  })

  await test.step('the screen says which side is up, and the cautions stand before their step', async () => {
    await expect(page.getByText('Face: down in the mould, poured first')).toBeVisible()
    await expect(page.getByText('Back: open to the air, poured last')).toBeVisible()
    const order = await page.locator('aside').evaluate((panel) => {
      const at = (selector: string) => {
        const element = panel.querySelector(selector)!
        return [...panel.querySelectorAll('*')].indexOf(element)
      }
      return [
        at('[data-safety="gloves"]'),
        at('.part-A'),
        at('[data-safety="smoking-cup"]'),
        at('.times'),
      ]
    })
    expect(order).toEqual([...order].sort((a, b) => a - b))
    await mivro.saved()
  })

  await test.step('the run sheet is one page, cautions before their steps', async () => {
    await page.getByRole('link', { name: 'Pour sheet' }).click()
    await expect(page.getByRole('heading', { name: 'Test block' })).toBeVisible()
    await expect(page.locator('[data-part], li.weigh')).toHaveCount(3)
    await expect(page.getByText('127.1 g')).toBeVisible()
    await expect(page.getByText('safety data sheet and your local rules come first')).toBeVisible()
    const steps = page.locator('[data-step]')
    await expect(steps.first().locator('[data-safety="gloves"]')).toBeVisible()
    await expect(steps.last().locator('[data-safety="uncured"]')).toBeVisible()
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
    expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1)
    await page.getByRole('link', { name: 'Back to the pour' }).click()
  })

  await test.step('record a pull', async () => {
    await page.getByRole('link', { name: 'Pulls' }).click()
    await page.getByRole('button', { name: 'Record a pull' }).click()
    await mivro.type('Part A, resin of Layer 1, actually weighed', '127.4')
    await mivro.type('Part B, hardener of Layer 1, actually weighed', '56.9 g')
    await mivro.type('Humidity', '47 %')
    await page.getByText('Fixable').click()
    await page.getByRole('button', { name: 'void at a tip' }).click()
    await mivro.field('What to change next time').fill('Warm the mould to 30 °C first')
    await mivro.field('What to change next time').blur()
    await mivro.saved()
  })

  await test.step('after a reload all is there, and the plan opens with the word from last time', async () => {
    await page.reload()
    await expect(mivro.field('Part A, resin of Layer 1, actually weighed')).toHaveValue('127.4')
    await expect(mivro.field('Humidity')).toHaveValue('47')
    await expect(page.getByRole('button', { name: 'void at a tip' })).toHaveAttribute(
      'aria-pressed',
      'true',
    )
    await page.getByRole('link', { name: 'Pour', exact: true }).click()
    await expect(page.locator('.word')).toContainText('Warm the mould to 30 °C first')
    expect(await mivro.heightOf(0)).toBe(12.7)
    await mivro.layer('Layer 2').click()
    expect((await mivro.weights('A')).weigh).toBe(80.8)
    await page.getByRole('link', { name: 'Pulls' }).click()
    await page.getByRole('button', { name: 'Plan the next pour' }).click()
    await expect(page.locator('.word')).toContainText('Warm the mould to 30 °C first')
    await expect(mivro.field('Name of the pour')).toHaveValue('Pour 2')
  })
})
