import AxeBuilder from '@axe-core/playwright'
import { expect, test } from './mivro.ts'
import { views } from './views.ts'

for (const [name, path] of views) {
  test(`axe finds nothing serious on ${name}`, async ({ mivro, page }) => {
    await mivro.open(path)
    await page.waitForLoadState('networkidle')
    if (name === 'Pour') await mivro.layer('Dusk violet').click()
    if (path.includes('mould') || path.includes('heat')) await page.waitForTimeout(4000)
    if (name === 'New piece') await page.getByText('Dimensions').click()
    const { violations } = await new AxeBuilder({ page }).analyze()
    const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
    expect(serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(' | ')}`)).toEqual([])
  })
}

test('the main path works by keyboard alone', async ({ mivro, page }) => {
  await mivro.open('/pieces')
  const press = (key: string) => page.keyboard.press(key)
  const tabTo = async (
    name: string | RegExp,
    role: 'link' | 'button' | 'textbox' | 'slider' | 'combobox' | 'radio',
  ) => {
    const target = page.getByRole(role, { name, exact: true }).first()
    for (let i = 0; i < 80; i++) {
      if (await target.evaluate((element) => element === document.activeElement).catch(() => false))
        return
      await press('Tab')
    }
    throw new Error(`the Tab key never reached ${role} ${name}`)
  }

  await tabTo('New piece', 'link')
  await press('Enter')
  await tabTo('A file', 'radio')
  await press('ArrowRight')
  await tabTo('Name', 'textbox')
  await page.keyboard.type('Key disc')
  await tabTo('Thickness', 'textbox')
  await page.keyboard.type('1/2 in')
  await tabTo('Create piece', 'button')
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'Key disc' })).toBeVisible()

  await press('a')
  await expect(mivro.surface(0)).toBeVisible()
  await tabTo('Resin', 'combobox')
  await press('Enter')
  await expect(page.getByRole('option').first()).toBeVisible()
  await press('ArrowDown')
  await press('Enter')
  await expect(page.locator('aside .part-A')).toBeVisible()
  await expect(page.locator('.el-select__popper[aria-hidden="false"]')).toHaveCount(0)
  await tabTo('Add layer', 'button')
  await press('Enter')
  await expect(mivro.surface(1)).toBeVisible()
  await tabTo('Surface of Layer 1', 'slider')
  const before = await mivro.heightOf(0)
  await press('ArrowUp')
  expect(await mivro.heightOf(0)).toBeCloseTo(before + 0.5, 6)
  await press('Control+z')
  await expect.poll(() => mivro.heightOf(0)).toBeCloseTo(before, 6)
  await tabTo('Pulls', 'link')
  await press('Enter')
  await tabTo('Record a pull', 'button')
  await press('Enter')
  await tabTo('What to change next time', 'textbox')
  await page.keyboard.type('Nothing')
  await press('Tab')
  await mivro.saved()
  await page.reload()
  await expect(mivro.field('What to change next time')).toHaveValue('Nothing')
})

test('the mould is reached and worked by keys', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-astronomer/mould')
  const rows = page.locator('[data-list="pockets"] li')
  await expect(rows).toHaveCount(3)
  const vent = rows.first().getByRole('button', { name: 'Vent it' })
  await vent.focus()
  await page.keyboard.press('Enter')
  await expect(rows).toHaveCount(2)
  await page.keyboard.press('4')
  await expect(page).toHaveURL(/mould\/silicone/)
  await page.keyboard.press('1')
  await page.locator('[data-opening="vent"]').focus()
  await page.keyboard.press('Delete')
  await expect(rows).toHaveCount(3)
})

test('a question mark lists the shortcuts', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await expect(mivro.surface(0)).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toContainText(
    'Move the surface by 0.5 mm',
  )
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeHidden()
})
