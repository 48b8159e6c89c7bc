import { readFileSync } from 'node:fs'
import { png } from '../core/src/base/picture/samples.ts'
import { expect, test } from './mivro.ts'

test('the log over all pieces is filtered, compared and taken along', async ({ mivro, page }) => {
  await mivro.open('/log')
  const status = page.locator('.title [role=status]')
  await expect(status).toContainText('18 pulls · 39 casts · 18 good')
  await mivro.field('Search').fill('hem hollow')
  await expect(status).toContainText('1 pull ·')
  await page.getByRole('button', { name: 'Show all' }).click()
  await mivro.pick('Fault', 'void at a tip')
  await expect(status).toContainText('5 pulls')
  await mivro.pick('Piece', 'Solid astronomer')
  await expect(status).toContainText('4 pulls')
  await page.getByText('month', { exact: true }).click()
  await expect(page.getByLabel('Comparison')).toContainText('2026-09')
  const save = async (name: string) => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ])
    return readFileSync((await file.path())!, 'utf8')
  }
  const lines = (await save('CSV')).trim().split('\n')
  expect(lines).toHaveLength(5)
  expect(lines[0]).toContain('poured,piece,mould')
  const json = JSON.parse(await save('JSON')) as { pulls: { pieceName: string }[] }
  expect(json.pulls.map(({ pieceName }) => pieceName)).toEqual(Array(4).fill('Solid astronomer'))
  await page.getByRole('link', { name: /16 Sep/ }).click()
  await expect(page.getByRole('heading', { name: 'Pull 3' })).toBeVisible()
})

test('what a hem has taught: cause, change and what came of it', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-astronomer-solid/pulls/demo-astronomer-solid-pull-3')
  await expect(page.locator('[data-cause]').first()).toHaveAttribute(
    'data-cause',
    'no way out for air',
    { timeout: 120_000 },
  )
  await expect(page.getByLabel('What came of it')).toContainText(
    'void at a tip: 3 of 3 before, 0 of 10 since (now between 0 and 24 %, nine times in ten). It helped.',
  )
  await mivro.open('/pieces/demo-crater-keycap/pulls/demo-crater-keycap-pull-1')
  await expect(page.getByLabel('What came of it')).toContainText('5 of 6 without, 0 of 6 with')
  await mivro.open('/moulds/demo-astronomer-solid-mould')
  await expect(page.getByLabel('The life of the mould')).toContainText('13 of about 15 pulls')
  await expect(page.getByLabel('The life of the mould')).toContainText(/order the next/)
})

test('a question is answered, a vent goes into the mould, and the next pour says why', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pulls')
  await expect(page.getByRole('button', { name: 'Add a pin' })).toBeVisible({ timeout: 120_000 })
  await page.getByRole('button', { name: 'Add a pin' }).click()
  const causes = page.getByLabel('Causes')
  await expect(causes).toContainText('Why: void at a tip')
  await expect(causes.getByRole('button', { name: /^(Yes|No): / }).first()).toBeVisible()
  // What the air in the mould says by itself is asked no more: the questions move up.
  let asked: string | null = null
  await expect(async () => {
    asked = await causes
      .getByRole('button', { name: /^Yes: / })
      .first()
      .getAttribute('aria-label')
    await causes.getByRole('button', { name: asked! }).click({ timeout: 2000 })
  }).toPass()
  await expect(causes.getByRole('button', { name: asked! })).toBeHidden()
  const before = await (await mivro.server.call('GET', 'moulds/demo-drop-mould')).json()
  // Whatever is first, a vent is offered where air is the cause.
  const vent = causes.getByRole('button', { name: 'Vent here', exact: true })
  for (let i = 0; i < 4 && !(await vent.isVisible()); i++) {
    await causes.getByRole('button', { name: /^No: / }).first().click()
  }
  await vent.click()
  await mivro.saved()
  const after = await (await mivro.server.call('GET', 'moulds/demo-drop-mould')).json()
  expect(after.document.openings.length).toBe(before.document.openings.length + 1)
  await mivro.open('/pieces/demo-comet-drop/pour')
  await expect(page.locator('.word')).toContainText('Vent here, for a void at a tip')
})

test('pictures: one that is none, lies, or is huge is refused at its place; a good one stays', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-coaster/pulls')
  await expect(page.getByRole('button', { name: 'Add a pin' })).toBeVisible({ timeout: 120_000 })
  const add = async (name: string, mimeType: string, buffer: Buffer) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Add a picture' }).last().click(),
    ])
    await chooser.setFiles({ name, mimeType, buffer })
  }
  const alert = page.locator('.picture [role=alert]')
  await add('notes.png', 'image/png', Buffer.from('not a picture'))
  await expect(alert).toContainText('notes.png is no picture')
  await add('edge.jpg', 'image/jpeg', Buffer.from(png(9, 9)))
  await expect(alert).toContainText('It is called image/jpeg and is image/png')
  await add('huge.png', 'image/png', Buffer.alloc(20_000_001))
  await expect(alert).toContainText('20')
  await add('rim.png', 'image/png', Buffer.from(png(60, 40, 'GPS 48.1 N')))
  await expect(page.getByAltText('rim.png')).toBeVisible()
  await mivro.saved()
  await page.reload()
  const shown = page.getByAltText('rim.png')
  await expect(shown).toBeVisible()
  const kept = await page.request.get(
    new URL((await shown.getAttribute('src'))!.replace('small', 'whole'), page.url()).href,
  )
  expect((await kept.body()).includes(Buffer.from('GPS'))).toBe(false)
})

test('a pin beside the piece is refused with how far it is, and nothing is lost', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pulls')
  await page.getByRole('button', { name: 'Record a pull' }).click()
  const canvas = page.locator('.canvas')
  await expect(canvas).toBeVisible({ timeout: 120_000 })
  const box = (await canvas.boundingBox())!
  await page.mouse.click(box.x + 8, box.y + 8)
  await expect(page.locator('.pins [role=alert]')).toContainText('beside the piece')
  await expect(page.locator('.pin')).toHaveCount(0)
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
  await expect(page.locator('.pin')).toHaveCount(1)
  await expect(page.locator('.pins [role=alert]')).toHaveCount(0)
  // In 3D too: on the piece, and beside it.
  await page.getByRole('radiogroup', { name: 'Shown as' }).getByText('3D').click()
  const solid = page.locator('.solid canvas')
  await expect(solid).toBeVisible({ timeout: 120_000 })
  await mivro.calm()
  const around = (await solid.boundingBox())!
  await page.mouse.click(around.x + around.width / 2, around.y + around.height / 2)
  await expect(page.locator('.rows li')).toHaveCount(2)
  await page.mouse.click(around.x + 4, around.y + 4)
  await expect(page.locator('.pins [role=alert]')).toContainText('beside the piece')
  await page.getByRole('button', { name: 'Delete pin 2' }).click()
  await page.getByRole('radiogroup', { name: 'Shown as' }).getByText('Cut').click()
  // By keyboard it is moved by half a millimetre.
  await page.locator('.pin').focus()
  await page.keyboard.press('Shift+ArrowUp')
  await mivro.saved()
  await page.keyboard.press('Control+z')
  await expect(page.locator('.pin')).toHaveCount(1)
})
