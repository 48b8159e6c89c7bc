import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { bodyMatter, matterOf, mixed } from '@mivro/core/matter/colour'
import { LookMaker, type Look } from '@mivro/core/matter/light'
import type { Resin, Tint } from '@mivro/core/matter/material'
import { cavityOf } from '@mivro/core/form/mesh'
import { usualLift } from '@mivro/core/work/plan'
import { buildSolid } from '@mivro/core/form/shape'
import { expect, test, type Mivro } from './mivro.ts'
import { linesOf } from './pdf.ts'

const finest = '800'

/** The picture of the finished piece as fine as it gets: the bytes of its canvas. */
async function pictureOf(page: Page): Promise<{ width: number; height: number; bytes: Buffer }> {
  const canvas = page.locator(`canvas[data-drawn="${finest}"]`)
  await expect(canvas).toBeVisible({ timeout: 120_000 })
  const { url, ...sides } = await canvas.evaluate(async (drawn: HTMLCanvasElement) => {
    const { width, height } = drawn
    const { data } = drawn.getContext('2d')!.getImageData(0, 0, width, height)
    const reader = new FileReader()
    reader.readAsDataURL(new Blob([data]))
    await new Promise((read) => (reader.onload = read))
    return { width, height, url: reader.result as string }
  })
  return { ...sides, bytes: Buffer.from(url.slice(url.indexOf(',') + 1), 'base64') }
}

/** Waits for the first picture, however coarse it is. */
async function seen(page: Page): Promise<void> {
  await expect(page.locator('canvas[data-drawn]')).toBeVisible()
  await expect(page.getByText('Following the light')).toBeHidden({ timeout: 120_000 })
}

/** The share of what is yellow in the picture that stands. */
const yellowIn = (page: Page) =>
  page.locator('canvas[data-drawn]').evaluate((canvas: HTMLCanvasElement) => {
    const { width, height } = canvas
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, width, height)
    let count = 0
    for (let i = 0; i < data.length; i += 4) if (data[i] > data[i + 2] + 40) count++
    return (4 * count) / data.length
  })

/** Stands for a picture: millions of bytes compared one by one would keep a failed test busy for hours. */
async function fingerprint(page: Page): Promise<string> {
  const canvas = page.locator(`canvas[data-drawn="${finest}"]`)
  await expect(canvas).toBeVisible({ timeout: 120_000 })
  return canvas.evaluate(async (drawn: HTMLCanvasElement) => {
    const { width, height } = drawn
    const { data } = drawn.getContext('2d')!.getImageData(0, 0, width, height)
    const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', data))
    return [...hash].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  })
}

async function taken(page: Page, button: string): Promise<Buffer> {
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: button, exact: true }).click()
  return readFileSync((await (await waiting).path())!)
}

const lens = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Lenses' }).getByRole('button', { name, exact: true }).click()

/** A layer is chosen on the clock, whatever the lens. */
const choose = (page: Page, layer: string) => page.getByText(layer, { exact: true }).first().click()

async function wish(mivro: Mivro, colour: string): Promise<void> {
  const { page } = mivro
  await page.getByRole('button', { name: 'Wished colour' }).click()
  const dialog = page.getByRole('dialog')
  const field = dialog.getByRole('textbox')
  await field.fill(colour)
  await field.press('Enter')
  await dialog.getByRole('button', { name: 'OK' }).click()
}

test('a coaster is tinted to a picked colour, gets forty flakes, is split, and comes back the same', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-coaster/pour?lens=colour')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(panel.getByRole('heading', { name: 'Clear face' })).toBeVisible()
  await wish(mivro, '#d8c6ea')
  await expect(panel).toContainText(/Nobody can tell it|Close:|Near,/)
  await panel.getByRole('button', { name: 'Use these doses' }).click()
  await expect(panel.getByRole('region', { name: 'Recipe' })).toContainText('per 100 g')
  const card = await taken(page, 'Save recipe card')
  expect(card.toString('latin1').startsWith('%PDF')).toBe(true)

  await lens(page, 'Inclusions')
  await panel.getByRole('combobox', { name: 'Add inclusion' }).click({ force: true })
  await page.getByRole('option', { name: 'Silver leaf flakes', exact: true }).click()
  await mivro.type('Count per copy', '40')
  await expect(page.locator('[data-thing]')).toHaveCount(40)
  await page.keyboard.press('3')
  const first = page.locator('[data-thing]').first()
  const before = await first.getAttribute('transform')
  await panel.getByRole('button', { name: 'Another layout' }).click()
  await expect(first).not.toHaveAttribute('transform', before!)

  const pdf = await taken(page, 'Save PDF')
  // The check line is 50 mm; a point is 25.4/72 mm.
  const printed = linesOf(pdf).map(({ length }) => (length * 25.4) / 72)
  expect(printed.some((length) => Math.abs(length - 50) < 0.2)).toBe(true)
  const mirrored = await taken(page, 'Save mirrored PDF')
  expect(mirrored.toString('latin1').startsWith('%PDF')).toBe(true)

  await choose(page, '1 Clear face')
  await page.getByRole('button', { name: 'Split', exact: true }).click()
  await expect(page.getByRole('slider', { name: 'When Clear face is poured' })).toBeVisible()
  await mivro.saved()

  await lens(page, 'Colour')
  let kept = ''
  await expect
    .poll(
      async () => {
        const before = kept
        kept = await fingerprint(page)
        return kept === before
      },
      { timeout: 120_000 },
    )
    .toBe(true)
  await page.reload()
  await expect.poll(() => fingerprint(page), { timeout: 120_000 }).toBe(kept)
})

test('the picture on the screen is the one that is rendered anywhere for the same question', async ({
  mivro,
  page,
}) => {
  // A slab of one resin and one tint: its question can be written down by hand.
  const answer = await page.request.get(`${mivro.server.address}/api/materials`)
  const { items: list } = (await answer.json()) as {
    items: { id: string; document: Resin | Tint }[]
  }
  const material = <M>(id: string) => list.find((one) => one.id === id)!.document as M
  await mivro.open('/pieces/demo-coaster/pour')
  for (const layer of ['3 Night back', '2 Moonlight']) {
    await choose(page, layer)
    await page.getByRole('button', { name: 'Delete', exact: true }).click()
  }
  await choose(page, '1 Clear face')
  await mivro.type(/^From .* up to$/, '8 mm')
  await mivro.pick('Tint', 'Violet dye')
  await mivro.type("Tint, share of the resin's weight", '0.15')
  await mivro.saved()
  await lens(page, 'Colour')
  const shown = await pictureOf(page)

  const { mesh } = cavityOf(
    buildSolid({ solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0.001 }),
  )
  const matter = mixed(bodyMatter(material<Resin>('demo-slow-epoxy')), [
    { matter: matterOf(material<Tint>('demo-violet')), dose: 0.0015 },
  ])
  const { width, height } = shown
  const look: Look = {
    up: [0, 0, 1],
    stands: [0, 0, -1],
    layers: [{ top: 0.008, join: 'crisp', matter }],
    things: [],
    setting: { table: 'white', lamp: 'behind' },
    view: { turn: 0.4, lift: usualLift({ height: 0.008, volume: 62.7e-6 }), width, height },
  }
  const rendered = new LookMaker(mesh).pixels(look)
  const off = Array.from(shown.bytes, (byte, i) => Math.abs(byte - rendered[i]))
  expect(Math.max(...off.filter((_, i) => i % 997 === 0))).toBeLessThanOrEqual(1)
  expect(off.filter((far) => far > 1).length / off.length).toBeLessThan(0.001)
})

test('brass stars in a deep layer: told, laid on a gelled base in one click, and dragged to their place', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour?lens=inclusions')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await choose(page, '2 Dusk violet')
  await mivro.type("Above the layer's floor", '')
  await expect(panel).toContainText('Brass stars: heavier than the resin')
  await expect(panel).toContainText(/sink to the floor of its layer before the gel/)
  await panel.getByRole('button', { name: 'Pour a base, set them on the gel, cover' }).click()
  await expect(page.getByRole('slider', { name: 'When Dusk violet, base is poured' })).toBeVisible()
  await choose(page, '3 Dusk violet')
  await expect(panel).not.toContainText('heavier than the resin')
  await expect(page.locator('[data-thing]')).toHaveCount(12)

  const star = page.locator('[data-thing]').first()
  const before = await star.getAttribute('transform')
  await star.focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(star).not.toHaveAttribute('transform', before!)
  await expect(panel).toContainText('laid by hand')
  const moved = await star.getAttribute('transform')
  await mivro.saved()
  await page.reload()
  await choose(page, '3 Dusk violet')
  await expect(page.locator('[data-thing]').first()).toHaveAttribute('transform', moved!)
})

test('a turntable of the piece is saved as one PNG of 24 pictures, side by side or turning', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour?lens=colour')
  await seen(page)
  await page.getByRole('button', { name: 'Turn over', exact: true }).click()
  await page
    .getByRole('button', { name: 'Black', exact: true })
    .or(page.getByText('Black'))
    .first()
    .click()
  const around = async (as: string, name: string) => {
    const waiting = page.waitForEvent('download', { timeout: 120_000 })
    await page.getByRole('button', { name: 'Save turntable' }).click()
    await page.getByRole('menuitem', { name: as }).click()
    const download = await waiting
    expect(download.suggestedFilename()).toBe(name)
    const png = readFileSync((await download.path())!)
    expect(png.subarray(1, 4).toString()).toBe('PNG')
    // A PNG says its sides in its header.
    return { png, sides: [png.readUInt32BE(16), png.readUInt32BE(20)] }
  }
  const sheet = await around('Contact sheet, PNG', 'orrery-base-contact-sheet.png')
  expect(sheet.sides).toEqual([1920, 1280])
  const { png, sides } = await around('Animated PNG', 'orrery-base-turntable.png')
  expect(sides).toEqual([320, 320])
  // The animation control chunk (PNG 3rd edition, acTL) says how many frames.
  expect(png.readUInt32BE(png.indexOf('acTL') + 4)).toBe(24)
})

test('a ladder is printed, and how a chip came out becomes a chip that stays', async ({
  mivro,
  page,
}) => {
  await mivro.open('/shelf/demo-moonlight')
  const beside = page.getByRole('complementary', { name: 'Chips and ladder' })
  await expect(beside).toContainText('No chip yet, so it is taken as the colour above at 2.5 %')
  const pdf = await taken(page, 'Save ladder as PDF')
  expect(pdf.toString('latin1').startsWith('%PDF')).toBe(true)
  await beside.getByRole('button', { name: 'How 2.5 % came out' }).click()
  await page.getByRole('dialog').getByRole('textbox').fill('#c0c8d0')
  await page.getByRole('dialog').getByRole('textbox').press('Enter')
  await page.getByRole('dialog').getByRole('button', { name: 'OK' }).click()
  await expect(beside.locator('[data-chip]')).toHaveCount(1)
  await mivro.saved()
  await page.reload()
  await expect(beside.locator('[data-chip]')).toHaveCount(1)
  await mivro.type('Dose of chip 1', 'plenty')
  await expect(beside.getByRole('alert')).toContainText('does not read as a share')
})

test('water in a tint is refused with the reason, and petals bring their days to the sheet', async ({
  mivro,
  page,
}) => {
  await mivro.open('/shelf/demo-violet')
  await page.getByText('Water', { exact: true }).click()
  await mivro.saved()
  await mivro.open('/pieces/demo-comet-drop/pour')
  await choose(page, '2 Dusk violet')
  await expect(page.locator('[data-code="tint-water"]:visible')).toContainText(
    'Violet dye is thinned with water, and water spoils Clear slow epoxy 2:1',
  )
  await mivro.open('/pieces/demo-comet-drop/sheet')
  await expect(page.getByText('Before the day.')).toBeVisible()
  await expect(page.locator('main')).toContainText(
    'Brass stars: degrease it with alcohol and touch it no more (30 min).',
  )
})

test('doses are kept as a recipe, used in another layer, and go out as a table', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour?lens=colour')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await choose(page, '2 Dusk violet')
  await panel.getByRole('button', { name: 'Save recipe', exact: true }).click()
  await expect(panel).toContainText('Kept among your materials')
  await choose(page, '3 Comet tail')
  await panel.locator('.kept').click()
  await page.getByRole('option', { name: 'Comet drop, large, Dusk violet', exact: true }).click()
  await expect(mivro.field("Tint, share of the resin's weight")).toHaveValue('0.15')
  await mivro.saved()

  await mivro.open('/shelf')
  await page.getByRole('link', { name: /^Comet drop, large, Dusk violet/ }).click()
  const weighed = page.getByRole('region', { name: 'Weighed out' })
  await expect(weighed).toContainText('Violet dye')
  await mivro.type('Resin, both parts', '250 g')
  // 0.15 % of 250 g.
  await expect(weighed).toContainText(/0\.3[78]\d* g/)
  await page.getByRole('button', { name: 'Export' }).click()
  const waiting = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: 'CSV, a table' }).click()
  const table = readFileSync((await (await waiting).path())!, 'utf8')
  expect(table).toContain('Violet dye 0.15 %')
  // The same file comes back: everything is here already.
  await page.getByRole('button', { name: 'Import' }).click()
  await page
    .locator('.el-dialog input[type=file]')
    .setInputFiles({ name: 'm.csv', mimeType: 'text/csv', buffer: Buffer.from(table) })
  await expect(page.getByRole('dialog')).toContainText(/0 new/)
})

test('doses are counted in drops of this bottle, and a coat outside has doses of its own', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour?lens=colour')
  const panel = page.getByRole('complementary', { name: 'What is chosen' })
  await choose(page, '2 Dusk violet')
  await mivro.pick('Doses in', 'Drops')
  await expect(panel).toContainText('as you weighed')
  await mivro.type('Tint, drops in this mix', '10')
  // The studio's drops weigh 1.49 g for 50; ten of them are 0.298 g.
  await mivro.pick('Doses in', 'Weight')
  await expect(mivro.field('Tint, weight in this mix')).toHaveValue(/^0\.29[78]/)
  await mivro.type('Tint, weight in this mix', '-1')
  await expect(panel.getByRole('alert').first()).toBeVisible()
  await panel.getByText('Coat outside', { exact: true }).click()
  await expect(panel).toContainText('Thickness of the coat')
  await wish(mivro, '#c9a0b4')
  await expect(panel).toContainText('Stir these shares into the coat')
  await expect(panel.getByRole('button', { name: 'Use these doses' })).toHaveCount(0)
})

test('a gem in a gold mount is gold where it is held', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-comet-drop/pour?lens=colour')
  await seen(page)
  const free = await yellowIn(page)
  await mivro.pick('Held in', 'In gold')
  // The picture that stands is shown until the new one is drawn.
  await expect.poll(() => yellowIn(page), { timeout: 120_000 }).toBeGreaterThan(free + 0.002)
})
