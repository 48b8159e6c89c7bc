import { expect, test } from './mivro.ts'

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

test('the title names piece and stage, and the focus goes to the heading of what is opened', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await expect(page).toHaveTitle('Comet drop, large, Pour · Mivro')
  await page.getByRole('link', { name: 'Pulls' }).click()
  await expect(page).toHaveTitle('Comet drop, large, Pulls · Mivro')
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused()
  await page.getByRole('link', { name: 'Materials' }).click()
  await expect(page).toHaveTitle('Materials · Mivro')
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused()
})

test('a link leaps over bar and rail to the content', async ({ mivro, page }) => {
  await mivro.open('/pieces')
  await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible()
  await page.keyboard.press('Tab')
  const skip = page.getByRole('link', { name: 'Skip to the content' })
  await expect(skip).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
})

test('walking through the surfaces keeps the panel; Enter, Home and End work on them', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await mivro.surface(0).focus()
  await expect(mivro.field('Copies in this mix')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(mivro.field('Name of the layer')).toHaveValue('Night blue')
  await page.keyboard.press('End')
  expect(await mivro.heightOf(0)).toBeGreaterThan(26)
  await page.keyboard.press('Home')
  expect(await mivro.heightOf(0)).toBeLessThan(1)
  // Delete where another is shown than the one that has the focus only shows that one.
  await page.keyboard.press('Escape')
  await mivro.surface(1).focus()
  await page.keyboard.press('Delete')
  await expect(mivro.field('Name of the layer')).toHaveValue('Dusk violet')
  await page.keyboard.press('Delete')
  await expect(mivro.layer('Dusk violet')).toBeHidden()
})
