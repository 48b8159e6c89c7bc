import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { buildSolid } from '@mivro/core/form/shape'
import { writeStl } from '@mivro/core/form/mesh'
import { stl } from './files.ts'
import { expect, test } from './mivro.ts'
import { linesOf } from './pdf.ts'

const panelOf = (page: Page) => page.getByRole('complementary', { name: 'What is chosen' })
const choose = (page: Page, layer: string) => page.getByText(layer, { exact: true }).first().click()
const drawing = (path: string) => ({
  name: 'charm.svg',
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="20mm" viewBox="0 0 20 20"><path d="${path}"/></svg>`,
  ),
})

test('a charm has its shape from a drawing or a mesh file, at the size it has there', async ({
  mivro,
  page,
}) => {
  await mivro.open('/shelf/demo-brass-stars')
  const sheet = page.getByRole('region', { name: 'The sheet' })
  const files = sheet.locator('input[type=file]')
  // 20 x 10 mm: its corners lie on a circle of √500 = 22.4 mm.
  await files.setInputFiles(drawing('M0 0H20V10H0Z'))
  await expect(sheet).toContainText('22.4 mm wide and 0.5 mm thick')
  // 200 mm² of half a millimetre of 8.5 g/ml.
  await expect(mivro.field('Weight of one')).toHaveValue('0.85')
  await files.setInputFiles(
    stl(
      'block.stl',
      Buffer.from(
        writeStl(buildSolid({ solid: 'block', width: 0.006, depth: 0.008, height: 0.004 })),
      ),
    ),
  )
  await expect(sheet).toContainText('10.0 mm wide and 4.0 mm thick')
  await expect(mivro.field('Weight of one')).toHaveValue('1.63')
  await mivro.saved()
  await page.reload()
  await expect(sheet).toContainText('10.0 mm wide and 4.0 mm thick')

  // What is no such file is said, and the shape stays.
  await files.setInputFiles(drawing('M0 0L20 0L20 10'))
  await expect(sheet.getByRole('alert')).toContainText(/not closed|open/i)
  await files.setInputFiles(stl('page.stl', Buffer.from('<html><body>no mesh</body></html>')))
  await expect(sheet.getByRole('alert')).toContainText('This is a web page')
  await expect(sheet).toContainText('10.0 mm wide and 4.0 mm thick')
  await files.setInputFiles(stl('empty.stl', Buffer.alloc(0)))
  await expect(sheet.getByRole('alert')).toBeVisible()
})

test('a thing is dragged from the tray into the layer, turned, tilted and raised on the section', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-coaster/pour?lens=inclusions')
  const panel = panelOf(page)
  await choose(page, '1 Clear face')
  const from = (await page.getByRole('button', { name: 'Set in Crescent charm' }).boundingBox())!
  const to = (await page.locator('[data-top]').boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 12)
  await page.mouse.down()
  await page.mouse.move(to.x + to.width / 2 + 40, to.y + to.height / 2, { steps: 10 })
  await page.mouse.up()
  await expect(page.locator('[data-thing]')).toHaveCount(1)
  await expect(panel).toContainText('Crescent charm, 1 of 1')
  const right = Number(await mivro.field('Right of the middle').inputValue())
  expect(right).toBeGreaterThan(5)
  await page.getByRole('button', { name: 'Set in Crescent charm' }).press('Enter')
  await expect(page.locator('[data-thing]')).toHaveCount(2)

  await page.locator('[data-thing]').first().focus()
  await page.keyboard.press('r')
  await expect(mivro.field('Turned')).toHaveValue('15')
  await mivro.type('Tilted', '120')
  await expect(panel).toContainText('120° is more than a thing can be tilted')
  await mivro.type('Tilted', '20')
  await mivro.type('Right of the middle', '70 mm')
  await expect(panel).toContainText('1 of Crescent charm lies out of the piece')
  await mivro.type('Right of the middle', '4 mm')
  await expect(panel).toContainText('2 of Crescent charm meet another')
  await mivro.type('Right of the middle', '25 mm')
  await expect(panel).not.toContainText('meet another')

  // On the section it is taken up from the floor of its layer.
  const mark = page.locator('[data-mark]').first()
  const box = (await mark.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 12, box.y - 3, { steps: 6 })
  await page.mouse.up()
  await expect(mivro.field('Above the others')).not.toHaveValue('')
  await mivro.saved()
  const placed = await page.locator('[data-thing]').first().getAttribute('transform')
  await page.reload()
  await choose(page, '1 Clear face')
  await expect(page.locator('[data-thing]').first()).toHaveAttribute('transform', placed!)
  await page.locator('[data-thing]').first().focus()
  await page.keyboard.press('Delete')
  await expect(page.locator('[data-thing]')).toHaveCount(1)
})

test('a thing is dragged in 3D along the height where it rests', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-coaster/pour?lens=inclusions')
  await choose(page, '1 Clear face')
  await page.getByRole('button', { name: 'Set in Crescent charm' }).press('Enter')
  await expect(mivro.field('Right of the middle')).toHaveValue('0.0')
  await page.getByText('3D', { exact: true }).click()
  const round = page.getByRole('img', { name: /^What is set in, in 3D/ })
  await expect(round.locator('canvas')).toBeVisible()
  await mivro.calm()
  const box = (await round.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  // The horns of the crescent open to the right: it is taken at its back.
  let taken = false
  for (const [dx, dy] of [
    [-14, 0],
    [-18, 4],
    [-10, 6],
    [-22, 0],
    [-14, 10],
    [-6, 8],
  ]) {
    await page.mouse.move(x + dx, y + dy)
    await page.mouse.down()
    await page.mouse.move(x + dx + 40, y + dy, { steps: 8 })
    await page.mouse.up()
    if (Number(await mivro.field('Right of the middle').inputValue()) > 3) {
      taken = true
      break
    }
  }
  expect(taken).toBe(true)
  await expect(panelOf(page)).toContainText('laid by hand')
})

test('things follow a drawn line, grow smaller along it, and are listed for the tweezers', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-coaster/pour?lens=inclusions')
  const panel = panelOf(page)
  await choose(page, '2 Moonlight')
  await mivro.pick('Layout', 'Along a line')
  const top = page.locator('[data-top]')
  const box = (await top.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.click(x - 90, y)
  await page.mouse.click(x, y - 70)
  await page.mouse.click(x + 90, y)
  await expect(top.locator('.point')).toHaveCount(3)
  await mivro.type('Smallest, of the largest', '30')
  await mivro.type('Smallest, of the largest', '500')
  await expect(panel.getByRole('alert').first()).toBeVisible()
  await mivro.type('Smallest, of the largest', '30')
  const waiting = page.waitForEvent('download')
  await panel.getByRole('button', { name: 'Save laying-out list' }).click()
  const list = await waiting
  expect(list.suggestedFilename()).toBe('moon-phase-coaster-moonlight-laying-out.pdf')
  const bytes = readFileSync((await list.path())!)
  expect(bytes.toString('latin1').startsWith('%PDF')).toBe(true)
  // A rule above each of 24 rows at least.
  expect(linesOf(bytes).length).toBeGreaterThan(24)
  await page.getByRole('button', { name: 'Clear line' }).click()
  await expect(top.locator('.point')).toHaveCount(0)
})

test('what floats is dabbed in one click, its moment stands on clock, sheet and calendar', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour?lens=inclusions')
  const panel = panelOf(page)
  await choose(page, '2 Dusk violet')
  await panel.getByRole('button', { name: /12 Brass stars/ }).click()
  await mivro.type('Density', '0.6')
  await panel.getByText('Porous', { exact: true }).click()
  await expect(panel).toContainText('Brass stars: lighter than the resin')
  await expect(panel).toContainText('Brass stars: porous, so it drinks about')
  await panel.getByRole('button', { name: 'Fix them with a dab' }).click()
  await expect(panel).not.toContainText('lighter than the resin')
  await expect(page.locator('.setting title').first()).toContainText('with a dab')
  await mivro.saved()

  await mivro.open('/pieces/demo-comet-drop/sheet')
  await expect(page.locator('[data-step="set"]')).toContainText(
    'Fix to the gel with a dab: Brass stars, 12 in each copy.',
  )
  await expect(page.locator('[data-step="set"]')).toContainText('Set inclusions with tweezers')
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save calendar' }).click()
  const calendar = await waiting
  expect(calendar.suggestedFilename()).toMatch(/\.ics$/)
  const text = readFileSync((await calendar.path())!, 'utf8').replace(/\r\n[ \t]/g, '')
  expect(text).toContain('BEGIN:VCALENDAR')
  expect(text).toContain('SUMMARY:Brass stars: press and dry it through')
  expect(text).toContain('SUMMARY:Pour: Dusk violet')
  expect(text).toContain('SUMMARY:Set in: Dusk violet')
})

test('more than a layer holds, and what is larger than it, is said with the number', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-keycap/pour?lens=inclusions')
  const panel = panelOf(page)
  await choose(page, '1 Clear face')
  await panel.getByRole('button', { name: /2 Tiny washers/ }).click()
  await mivro.type('Count per copy', '400')
  await expect(panel).toContainText(/\d+ of 400 Tiny washers find room/)
  await mivro.type('Count per copy', '-3')
  await expect(panel.getByRole('alert').first()).toBeVisible()
  await mivro.type('Thickness', '9 mm')
  await expect(panel).toContainText('so it would stick out')
})
