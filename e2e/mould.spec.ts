import { astronomer } from '../server/src/demo/astronomer.ts'
import {
  closureOf,
  isClosed,
  measure,
  readStl,
  scaleInPlace,
  weld,
  writeStl,
} from '@mivro/core/form/mesh'
import { readFileSync } from 'node:fs'
import type { Download, Page } from '@playwright/test'
import { stl } from './files.ts'
import { expect, test, type Mivro } from './mivro.ts'

const lens = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'What to look at' }).getByRole('link', { name })
const pockets = (page: Page) => page.locator('[data-list="pockets"] li')
const choose = (mivro: Mivro, label: string, option: string) => mivro.pick(label, option)
const bytesOf = async (download: Download) => readFileSync((await download.path())!)

test('a newcomer goes from an STL to a printed mould sheet', async ({ mivro, page }) => {
  await mivro.open('/pieces/new')
  await test.step('a figure from a file, foot up as it is poured', async () => {
    const file = Buffer.from(writeStl(await astronomer()))
    await page.locator('input[type=file]').setInputFiles(stl('stargazer.stl', file))
    await page.getByRole('button', { name: 'Create piece' }).click()
    await page.getByRole('link', { name: 'Shape' }).click()
    await page.getByText('Bottom', { exact: true }).click()
    await mivro.saved()
    await page.getByRole('link', { name: 'Mould', exact: true }).click()
    await page.getByRole('button', { name: 'Plan a mould' }).click()
  })

  await test.step('air: a gate, and what stays is vented or prefilled', async () => {
    await expect(page.getByText('There is no gate yet')).toBeVisible({ timeout: 120_000 })
    await page.getByRole('button', { name: 'Gate', exact: true }).click()
    await expect(pockets(page)).toHaveCount(3)
    await pockets(page).nth(0).getByRole('button', { name: 'Vent it' }).click()
    await expect(pockets(page)).toHaveCount(2)
    await pockets(page).nth(0).getByRole('button', { name: 'Vent it' }).click()
    await expect(pockets(page)).toHaveCount(1)
    await pockets(page).nth(0).getByRole('button', { name: 'Prefill' }).click()
    await expect(pockets(page).nth(0)).toContainText('prefilled')
    await expect(page.locator('aside .good')).toHaveText('none')
  })

  await test.step('the kind is advised and taken', async () => {
    await lens(page, 'Kind').click()
    const chart = page.locator('[data-chart="break-even"]')
    await expect(chart).toBeVisible({ timeout: 120_000 })
    await expect(chart).toHaveAttribute('aria-label', /From 1: /)
    await mivro.type('Copies in total', '2')
    const advised = page.locator('tr[class*="kind-"]', { hasText: 'recommended' })
    await expect(advised).toHaveClass(/kind-cut-block/)
    await mivro.type('Copies in total', '6')
  })

  await test.step('silicone: what to mix, with the cautions before it', async () => {
    await lens(page, 'Silicone').click()
    await expect(page.locator('[data-code="silicone-not-chosen"]')).toBeVisible()
    await mivro.pick('Silicone', 'Clear platinum silicone 22A')
    await expect(page.locator('[data-safety="silicone-hands"]')).toBeVisible()
    const mixed = Number(
      (await page.locator('[data-amount="mixed"]').textContent())!.replace(/[^\d.]/g, ''),
    )
    // 10:1 by weight, in two cups of 650 ml.
    const { weigh } = await mivro.weights('A')
    const { weigh: catalyst } = await mivro.weights('B')
    expect(weigh / catalyst).toBeCloseTo(10, 1)
    expect(2 * (weigh + catalyst)).toBeCloseTo(mixed, 0)
    await mivro.unfold('Cup, vacuum and pressure')
    await mivro.type('Vacuum vessel holds', '3 l')
    await expect(page.locator('[data-safety="vacuum"]')).toBeVisible()
  })

  await test.step('contact: a fresh print stops platinum, baked and coated it does not', async () => {
    await lens(page, 'Compatibility').click()
    const print = page.locator('[data-verdict]', { hasText: 'on resin print' })
    await expect(print).toHaveAttribute('data-verdict', 'inhibited')
    await expect(print).toContainText('Age it for four weeks')
    await expect(page.locator('[data-safety="oven"]')).toBeVisible()
    await page.getByText('baked', { exact: true }).click()
    await choose(mivro, 'Finish', 'acrylic coat')
    await expect(print).toHaveAttribute('data-verdict', 'cures')
    await print.getByRole('button', { name: 'Add patch test' }).click()
    await print.getByRole('button', { name: 'stayed tacky' }).click()
    await expect(print).toHaveAttribute('data-verdict', 'inhibited')
    await expect(print).toContainText('Your patch test of')
    await page.getByRole('button', { name: /Delete the test of/ }).click()
    await expect(print).toHaveAttribute('data-verdict', 'cures')
  })

  await test.step('the sheet is printed', async () => {
    await mivro.saved()
    await lens(page, 'Record').click()
    await expect(page.getByText('1 and 2')).toBeVisible()
    await page.getByRole('link', { name: 'Mould sheet' }).click()
    await expect(page.locator('[data-step="silicone"]').first()).toBeVisible({ timeout: 120_000 })
    // Each line stands once, within its step and before its words.
    for (const [line, step] of [
      ['sanding', 'prepare'],
      ['build-blade', 'build'],
      ['silicone-hands', 'silicone'],
      ['vacuum', 'vacuum'],
      ['cut-open', 'open'],
    ]) {
      await expect(page.locator(`[data-safety="${line}"]`)).toHaveCount(1)
      await expect(page.locator(`[data-step="${step}"] [data-safety="${line}"]`)).toBeVisible()
    }
    await expect(page.locator('.template img')).toBeVisible()
    const pdf = await page.pdf({ preferCSSPageSize: true })
    expect(pdf.length).toBeGreaterThan(10_000)
  })
})

test.describe('in the demo studio', () => {
  test('while its air is followed and its silicone measured, the piece stands there with what can be done', async ({
    mivro,
    page,
  }) => {
    // Workers that never come to an end with these.
    await page.addInitScript(() => {
      const post = Worker.prototype.postMessage
      Worker.prototype.postMessage = function (message: { job?: string }, ...rest: unknown[]) {
        if (message.job === 'air' || message.job === 'geometry') return
        post.call(this, message, ...(rest as []))
      }
    })
    await mivro.open('/pieces/demo-astronomer/mould')
    await expect(page.getByRole('status').filter({ hasText: 'Following the air' })).toBeVisible()
    const drawing = page.locator('.backlit svg path').first()
    await expect(drawing).toBeVisible()
    await expect(page.getByRole('button', { name: 'Gate', exact: true })).toBeVisible()
    await lens(page, 'Silicone').click()
    await expect(page.getByRole('combobox', { name: 'Silicone' })).toBeVisible()
    await expect(drawing).toBeVisible()
  })

  test('a vent dragged along the outline changes the air, keys nudge it, undo brings it back', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/demo-astronomer/mould')
    await expect(pockets(page)).toHaveCount(3)
    await pockets(page).nth(0).getByRole('button', { name: 'Vent it' }).click()
    await expect(pockets(page)).toHaveCount(2)
    const vent = page.locator('[data-opening="vent"]')
    const box = (await vent.boundingBox())!
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x, y + 160, { steps: 10 })
    await page.mouse.up()
    await expect(pockets(page)).toHaveCount(3)
    await page.keyboard.press('Control+z')
    await expect(pockets(page)).toHaveCount(2)
    await vent.focus()
    const before = await vent.boundingBox()
    for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowLeft')
    await expect.poll(async () => (await vent.boundingBox())!.x).toBeLessThan(before!.x - 5)
  })

  test('a mould is made step by step: the box as it stands, ticks that stay, what comes first, a calendar, the bench', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/demo-comet-drop/mould/steps')
    const step = (does: string, nth = 0) => page.locator(`li[data-does="${does}"]`).nth(nth)
    const stage = page.locator('.cut svg')
    await step('bed').getByRole('button').click()
    await expect(stage).toHaveAccessibleName('The master in its bed of clay.')
    await step('pour', 1).getByRole('button').click()
    await expect(stage).toHaveAccessibleName(/turned over, the second half poured/)
    // By keys the list is walked, and the drawing follows.
    await page.keyboard.press('ArrowDown')
    await expect(step('cure', 1).getByRole('button')).toHaveAttribute('aria-current', 'true')
    await step('fill').locator('.el-checkbox').click()
    await expect(page.getByText('Ticked all the same.')).toContainText('Wash it out')
    await step('wash').locator('.el-checkbox').click()
    await expect(page.getByText('Ticked all the same.')).toBeHidden()
    await expect(page.getByText('2 of 23 done')).toBeVisible()
    await mivro.saved()
    await page.reload()
    await expect(page.getByText('2 of 23 done')).toBeVisible()

    const waiting = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save calendar' }).click()
    const calendar = readFileSync((await (await waiting).path())!, 'utf8')
    expect(calendar.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(4)
    expect(calendar).toContain('UID:demo-drop-mould-making-0@mivro')

    // Prepared for gloss it is polished, once, here.
    await lens(page, 'Compatibility').click()
    await mivro.pick('Its casts show', 'Gloss and clear')
    await lens(page, 'Steps').click()
    await expect(step('polish')).toBeVisible()
    await page.keyboard.press('Control+z')
    await expect(step('polish')).toHaveCount(0)

    // The bench goes on where the list stands.
    await page.getByRole('button', { name: 'Make it at the bench' }).click()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', /step|wait/)
    await expect(page.locator('.bench .steps .done').first()).toContainText('Wash it out')
  })

  test('what is done before each pull is kept with the mould, in an order that the trade allows', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/demo-comet-drop/mould/passport')
    const list = page.getByRole('region', { name: 'Before each pull' })
    await expect(list.locator('li')).toHaveCount(2)
    await mivro.pick('Add a line', 'Powder it')
    await expect(list.locator('li')).toHaveCount(3)
    const select = (name: string) =>
      page.locator('.el-select', { has: page.getByRole('combobox', { name, exact: true }) })
    await expect(select('Dust')).toContainText('starch')
    await list.getByRole('button', { name: 'Powder it earlier' }).click()
    await expect(list.getByRole('alert')).toHaveText(
      'Wipe it comes before Powder it: alcohol takes off again what lies there.',
    )
    await mivro.pick('When: Powder it', 'every 3rd pull')
    await mivro.type('Time: Wipe it', '40')
    await expect(list).toContainText('1 min 15 s of hands for a mould at its first pull')
    await mivro.saved()
    await page.reload()
    await expect(mivro.field('Time: Wipe it')).toHaveValue('40 s')
    await expect(select('When: Powder it')).toContainText('every 3rd')
    // Nonsense is refused at its place.
    await mivro.type('Time: Wipe it', 'soon')
    await expect(list.locator('.wrong')).toBeVisible()
    await mivro.type('Time: Wipe it', '40 s')
    // Its sheet says it.
    await mivro.open('/pieces/demo-comet-drop/sheet')
    await expect(
      page.getByText(/Before it is poured: .*powder it \(every 3rd pull\)/),
    ).toBeVisible()
  })

  test('the search proposes a tilt with fewer vents; it can be stopped', async ({
    mivro,
    page,
  }) => {
    await mivro.forgetAnswers()
    await mivro.open('/pieces/demo-astronomer/mould')
    await expect(pockets(page)).toHaveCount(3)
    await page.getByRole('button', { name: /Find the best tilt/ }).click()
    await page.getByRole('button', { name: 'Stop' }).click()
    await expect(page.getByRole('button', { name: /Find the best tilt/ })).toBeVisible()
    await page.getByRole('button', { name: /Find the best tilt/ }).click()
    const best = page.locator('[data-list="tilts"] li').first()
    await expect(best).toContainText('2 vents, nothing stays', { timeout: 120_000 })
    await best.getByRole('button', { name: 'Apply' }).click()
    await expect(page.getByText('All of it fills')).toBeVisible()
    await expect(page.locator('[data-opening="vent"]')).toHaveCount(2)
    await mivro.saved()
    await page.reload()
    await expect(page.getByText('All of it fills')).toBeVisible()
  })

  test('in 3D, silicone over it, and filling', async ({ mivro, page }) => {
    await mivro.open('/pieces/demo-astronomer/mould')
    await expect(pockets(page)).toHaveCount(3)
    await page.getByRole('button', { name: '3D' }).click()
    await expect(page.locator('canvas')).toBeVisible()
    await page.getByRole('button', { name: 'Cut it open here too' }).click()
    await page.getByRole('button', { name: 'Section', exact: true }).click()
    await page.getByText('Silicone over it').click()
    await expect(page.getByText('Air under the silicone')).toBeVisible()
    await page.getByText('Resin in it').click()
    // The middle of the track.
    await page.locator('.fill .el-slider__runway').click()
    await expect(page.locator('.fill .num')).toHaveText('47.0 mm')
  })

  test('the shell that is handed out is closed and holds what it says', async ({ mivro, page }) => {
    await mivro.open('/pieces/demo-astronomer/mould/passport')
    const downloads: Download[] = []
    page.on('download', (download) => downloads.push(download))
    await page.getByRole('button', { name: /STL, 6.0 mm/ }).click()
    await expect(page.getByText(/It takes .* of silicone around the master/)).toBeVisible({
      timeout: 120_000,
    })
    await expect.poll(() => downloads.length).toBe(2)
    for (const download of downloads) {
      const half = scaleInPlace(weld(readStl(new Uint8Array(await bytesOf(download))).mesh), 1e-3)
      expect(isClosed(closureOf(half))).toBe(true)
      expect(measure(half).volume).toBeGreaterThan(1e-6)
    }
  })

  test('templates come as SVG and as PDF at true size', async ({ mivro, page }) => {
    await mivro.open('/pieces/demo-astronomer/mould/passport')
    const take = async (name: string) => {
      const waiting = page.waitForEvent('download')
      await page.getByRole('button', { name, exact: true }).first().click()
      return bytesOf(await waiting)
    }
    const svg = (await take('SVG')).toString()
    const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!
    // The box hugs a figure of 85 by 45 mm at 10 mm, 8 mm of margin around.
    expect(Number(width)).toBeCloseTo(105.5 + 16, 0)
    const pdf = (await take('PDF')).toString('latin1')
    expect(pdf.startsWith('%PDF')).toBe(true)
    const [, w, h] = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf)!
    // A4 in points.
    expect(Number(w)).toBeCloseTo(595.28, 0)
    expect(Number(h)).toBeCloseTo(841.89, 0)
    expect(Number(height)).toBeLessThan(297)
  })

  test('the template of a mould of two cavities shows both masters and their gates', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/demo-comet-drop/mould-sheet')
    const drawing = page.getByRole('img', { name: /^The box from above/ })
    await expect(drawing).toBeVisible({ timeout: 120_000 })
    // As it stands at each step that changes it: bed, rods, walls, first half, turned and so on.
    await expect(page.locator('figure')).toHaveCount(9)
    await expect(page.getByRole('img', { name: /in its first half, turned over/ })).toHaveCount(3)
    const svg = decodeURIComponent((await drawing.getAttribute('src'))!)
    expect(svg.match(/gate 6.0 mm/g)).toHaveLength(2)
  })

  test('a bought mould belongs to several pieces and keeps its passport', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/moulds')
    await page.getByRole('link', { name: /Round coaster, bought/ }).click()
    await expect(page.getByText('Pulls so far: 2')).toBeVisible()
    await choose(mivro, 'Add a piece', 'Meteorite paperweight')
    await expect(
      page.getByRole('link', { name: 'Meteorite paperweight', exact: true }),
    ).toBeVisible()
    await mivro.type('Bands', '3')
    await mivro.saved()
    await page.getByRole('link', { name: 'Meteorite paperweight', exact: true }).click()
    await lens(page, 'Record').click()
    await expect(mivro.field('Bands')).toHaveValue('3')
  })

  test('a tray that is bought says its cavities once, and a run of one cast weighs one', async ({
    mivro,
    page,
  }) => {
    const cup = page.getByText(/1 mould, [\d.]+ ml in/)
    const weighed = async () =>
      Number(/1 mould, ([\d.]+) ml/.exec((await cup.first().textContent())!)![1])
    const plan = async () => {
      await mivro.open('/runs')
      await page.getByRole('button', { name: 'New run', exact: true }).click()
      await mivro.pick('Add a piece', 'Moon-phase coaster')
      await mivro.type('Casts wanted', '1')
      await expect(cup.first()).toBeVisible({ timeout: 120_000 })
    }
    await plan()
    const one = await weighed()
    await mivro.open('/moulds')
    await page.getByRole('link', { name: /Round coaster, bought/ }).click()
    await mivro.type('Cavities of a mould', '3')
    await mivro.saved()
    await plan()
    await expect(page.getByText('Each casts 3 at once')).toBeVisible()
    expect(await weighed()).toBe(one)
  })
})
