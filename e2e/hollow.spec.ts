import type { Page } from '@playwright/test'
import { AtBench } from './bench.ts'
import { expect, test, type Mivro } from './mivro.ts'

/** Of a cylinder of 50 x 20 mm what a wall of t mm takes, ml: all walls, or all but its open mouth. */
const shellOf = (t: number, open = false) =>
  (Math.PI * (25 ** 2 * 20 - (25 - t) ** 2 * (20 - (open ? t : 2 * t)))) / 1000
const value = async (mivro: Mivro, name: string | RegExp) =>
  Number(await mivro.field(name).inputValue())

/** A run by keys alone, without instruments: each shot is turned until nothing moves. Which sides were called? */
async function carryOut(bench: AtBench, page: Page): Promise<Set<string>> {
  for (const instrument of ['scale', 'pot gauge', 'vacuum gauge']) {
    await bench.act({ do: 'fail', instrument, how: 'gone' })
  }
  const sides = new Set<string>()
  let turned = 0
  for (let i = 0; i < 300 && (await bench.task) !== 'done'; i++) {
    if ((await bench.task) === 'mix' && (await bench.cautionsShown())) {
      // Read before its parts meet.
      expect(await bench.readCaution()).toEqual(
        expect.arrayContaining(['turn-gloves', 'turn-plug']),
      )
    }
    if ((await bench.task) !== 'turn') {
      await bench.onward()
      continue
    }
    expect(await bench.cautionsShown()).toBe(false)
    if (turned === 0) {
      await bench.key('Space')
      await expect(page.getByRole('alert')).toContainText('It still runs for about')
    }
    await bench.speed(60)
    const left = page.locator('[data-clock="turn"] b')
    await expect
      .poll(
        async () => {
          const lie = await page.locator('[data-lie]').getAttribute('data-lie')
          if (lie) sides.add(lie)
          return left.innerText()
        },
        { intervals: [100], timeout: 120_000 },
      )
      .toBe('now')
    await expect(page.locator('[data-film]')).toContainText('nobody rests')
    await expect(page.locator('.bench')).toHaveAttribute('data-beats', /\d/)
    await bench.speed(1)
    await bench.done()
    turned++
  }
  expect(turned).toBe(2)
  return sides
}

test('a piece is cast hollow: planned, carried out at the bench, weighed, and learned from', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/new')
  await page.getByText('Dimensions', { exact: true }).click()
  await mivro.type('Diameter', '50')
  await mivro.type('Thickness', '20')
  await mivro.type(/^Bevel/, '0')
  await mivro.field('Name').fill('Hollow moon')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await expect(page.getByText(/50 × 50 × 20 mm/)).toBeVisible()
  await page.getByText('Closed', { exact: true }).click()
  await page.getByRole('button', { name: 'Add layer' }).click()
  await mivro.pick('Resin', 'Fast white urethane 1:1')
  const solid = (await mivro.weights('A')).weigh

  // By elementary geometry, to 1 %.
  await page.getByText('As a wall', { exact: true }).click()
  const facts = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(facts).toContainText('A third of solid would make')
  const resin = () => value(mivro, 'Resin per copy')
  /** What it is of what is wanted, where that is not near. */
  const near = (wanted: number) => async () => {
    const of = (await resin()) / wanted
    return Math.abs(of - 1) < 0.012 || of
  }
  await expect.poll(near(shellOf(3))).toBe(true)
  // Two shots: each of them half.
  const each = (await mivro.weights('A')).weigh
  expect(each / (solid * (shellOf(3) / shellOf(10)))).toBeCloseTo(0.5, 1)
  await mivro.type('Wall', '2')
  await expect.poll(near(shellOf(2))).toBe(true)
  await mivro.type('Shots', '1')
  await expect.poll(async () => (await mivro.weights('A')).weigh / each).toBeGreaterThan(1.3)
  await expect(page.locator('[data-turning]')).toContainText(/from .* until /)

  // Backwards: a cast was weighed.
  const before = await value(mivro, 'Weight of a cast')
  await mivro.type('Weight of a cast', String(before * 1.25))
  await expect.poll(near(shellOf(2) * 1.25)).toBe(true)
  expect(await value(mivro, 'Wall')).toBeGreaterThan(2.3)

  // The inner face by keys, and undone.
  await mivro.type('Wall', '3')
  const face = page.locator('[data-wall="0"]')
  await face.focus()
  await page.keyboard.press('ArrowLeft')
  await expect(face).toHaveAttribute('aria-valuenow', '3.1')
  await page.keyboard.press('Control+z')
  await expect(face).toHaveAttribute('aria-valuenow', '3')

  // In two shots, carried out at the bench in fast time.
  await mivro.type('Shots', '2')
  const shot = (await mivro.weights('A')).weigh
  const wished = await value(mivro, 'Weight of a cast')
  await mivro.saved()
  const pour = new URL(page.url()).pathname
  await page.getByRole('button', { name: 'Show the whole pour' }).click()
  await page.getByRole('button', { name: 'Plan a run of it' }).click()
  const clock = page.getByRole('group', { name: 'The clock of this load' })
  await expect(clock).toContainText('Plug the port', { timeout: 120_000 })
  await mivro.saved()
  const bench = new AtBench(mivro)
  await bench.begin(/runs\/([\w-]+)/.exec(page.url())![1])
  const sides = await carryOut(bench, page)
  expect(sides.size).toBeGreaterThan(2)

  // What was weighed out stands in its pull, both shots in one.
  await mivro.open(pour.replace(/pour$/, 'pulls'))
  await expect
    .poll(() => value(mivro, /^Part A.* of Layer 1, actually weighed$/))
    .toBeCloseTo(2 * shot, 0)

  // The cast is weighed: nine tenths of what was wished are a thinner wall, and more is mixed next.
  await mivro.type('Weight of one cast', String(wished * 0.9))
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour', exact: true }).click()
  await mivro.layer('Layer 1').click()
  const said = page.locator('[data-cast]')
  await expect(said).toContainText('for the 3.0 mm that were wished')
  const wall = Number(/a wall of ([\d.]+) mm/.exec(await said.innerText())![1])
  expect(shellOf(wall) / shellOf(3)).toBeCloseTo(0.9, 1)
  const mixed = (await mivro.weights('A')).weigh
  // What a tenth on top and a tenth less leave in the cup, by what a scale shows.
  await said.getByRole('button', { name: /^Mix (19|20)(\.\d)? % on top$/ }).click()
  await expect.poll(async () => (await mivro.weights('A')).weigh / mixed).toBeGreaterThan(1.05)
  await expect(said.getByRole('button')).toHaveCount(0)

  // One that is cut open settles it.
  await page.getByRole('link', { name: 'Pulls', exact: true }).click()
  await mivro.type('Wall, of one that was cut open', '2.8')
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour', exact: true }).click()
  await mivro.layer('Layer 1').click()
  await expect(said).toContainText('cut open had a wall of 2.8 mm for the 3.0 mm')

  // In an open mould its mouth is no wall.
  await page.getByRole('button', { name: 'Show the whole pour' }).click()
  await page.getByText('Open', { exact: true }).click()
  await mivro.layer('Layer 1').click()
  await expect.poll(near(shellOf(3, true))).toBe(true)
  await mivro.saved()

  await page.reload()
  await expect.poll(near(shellOf(3, true))).toBe(true)
})

test('a wall that cannot be is refused at its place, or told what it comes to', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await mivro.layer('Dark body').click()
  await page.getByText('As a wall', { exact: true }).click()
  await expect(page.locator('.tag', { hasText: "can't be poured like this" })).not.toHaveCount(0)
  for (const [name, typed] of [
    ['Wall', '0'],
    ['Shots', '0'],
    ['Turns a minute', '0'],
    ['Turns a minute', 'round and round'],
  ] as const) {
    await mivro.type(name, typed)
    await expect(mivro.field(name)).toHaveAttribute('aria-invalid', 'true')
    await expect(mivro.field(name)).toHaveValue(typed)
    await mivro.field(name).press('Escape')
  }
  await mivro.type('Wall', '49')
  await expect(page.locator('[data-code="cast-wall-fills"]:visible')).toContainText(
    'fills the piece',
  )
  await mivro.type('Wall', '1')
  await expect(page.locator('[data-code="cast-wall-thin"]:visible')).toContainText(
    'breaks easily when it comes out',
  )
  // How evenly it comes out: known of what is cast hollow alone.
  await mivro.type('Wall', '3')
  await page.getByRole('button', { name: 'Wall', exact: true }).click()
  await expect(page.locator('[data-map]')).toHaveAttribute('data-map', 'shown', { timeout: 60_000 })
  const thinnest = parseFloat(await page.locator('[data-thinnest]').innerText())
  expect(thinnest).toBeLessThanOrEqual(3)
  // The cut is 100 mm wide, its hollow by two walls less: those of faces, thinner than the mean.
  const onCut = page.getByRole('img', { name: 'The wall on the cut, as it comes out' })
  const across = (path: string) =>
    onCut.locator(path).evaluate((drawn: SVGPathElement) => drawn.getBBox().width)
  const walls = 100 * (1 - (await across('.hollow')) / (await across('.cast')))
  expect(walls).toBeGreaterThan(2 * thinnest - 0.2)
  expect(walls).toBeLessThan(2 * 3)
  await page.getByRole('button', { name: 'Layers', exact: true }).click()
  await page.getByText('Solid', { exact: true }).click()
  await expect(page.locator('[data-code="cast-wall-thin"]')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Wall', exact: true })).toHaveCount(0)
})

test('in a run hands do nothing else while they turn; a machine leaves them free', async ({
  mivro,
  page,
}) => {
  await mivro.open('/runs/demo-run-hollow')
  const clock = page.getByRole('group', { name: 'The clock of this load' })
  await expect(clock.getByText('The hands')).toBeVisible({ timeout: 120_000 })
  await expect(clock.getByText('Machine')).toHaveCount(0)
  const status = page.locator('.title [role="status"]')
  await expect(status).toHaveText('2 casts · 4 mixes · 1 load · 1 day')

  // In a pot nothing turns.
  await page.getByText('Pressure', { exact: true }).click()
  await expect(page.locator('[data-code="run-turned-pot"]')).toContainText('can’t be done in a pot')
  await page.getByText('Neither', { exact: true }).click()
  await expect(status).toHaveText('2 casts · 4 mixes · 1 load · 1 day')
  await mivro.saved()

  const plan = await mivro.server.call('GET', 'plans/demo-astronomer-plan-1')
  const { revision, document } = (await plan.json()) as {
    revision: number
    document: { layers: { fill: object }[] }
  }
  const [wall] = document.layers
  const layers = [{ ...wall, fill: { ...wall.fill, turned: 'machine', turns: 10 } }]
  const body = { basedOn: revision, change: 'edited', document: { ...document, layers } }
  expect((await mivro.server.call('PUT', 'plans/demo-astronomer-plan-1', body)).ok).toBe(true)
  await page.reload()
  await expect(clock.getByText('Machine')).toBeVisible({ timeout: 120_000 })
  await mivro.type('Moulds on the turning machine at once', '2')
  await expect(status).toHaveText('2 casts · 2 mixes · 1 load · 1 day')
  await mivro.type('Moulds on the turning machine at once', '0')
  await expect(mivro.field('Moulds on the turning machine at once')).toHaveAttribute(
    'aria-invalid',
    'true',
  )
  await page.getByRole('link', { name: 'Run sheet' }).click()
  await expect(page.locator('[data-step="turn"]').first()).toContainText(
    'Turn it by machine, 10 times a minute; hands are free meanwhile.',
  )
})

test('a metal skin: its powder, how much still pours, and how it looks', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-meteorite/pour')
  await mivro.pick('Pours of this piece', 'Iron skin, hollow')
  await mivro.layer('Iron wall').click()
  const skin = page.locator('[data-skin]')
  await expect(skin).toContainText('Into half of the first shot', { timeout: 60_000 })
  // As much powder as half of one shot weighs, both parts.
  const [a, b] = [(await mivro.weights('A')).weigh, (await mivro.weights('B')).weigh]
  const powder = Number(/first shot\s*([\d.]+) g/.exec(await skin.innerText())![1])
  expect(Math.abs(powder / ((a + b) / 2) - 1)).toBeLessThan(0.02)

  // The powder was weighed before and after.
  await mivro.type('Powder that clings to the walls', '3')
  await expect(skin).toContainText('As it was weighed')
  await skin.getByRole('button', { name: 'As is usual' }).click()
  await expect(skin).not.toContainText('As it was weighed')
  expect(await value(mivro, 'Powder that clings to the walls')).not.toBe(3)

  await mivro.type('Powder for its resin', '1150')
  const thick = page.locator('[data-code="skin-too-thick"]:visible')
  await expect(thick).toContainText('no longer runs off a stick')
  await thick.getByRole('button', { name: /^Take .* of powder$/ }).click()
  await expect(thick).toHaveCount(0)
  for (const typed of ['0', 'plenty']) {
    await mivro.type('Powder for its resin', typed)
    await expect(mivro.field('Powder for its resin')).toHaveAttribute('aria-invalid', 'true')
    await mivro.field('Powder for its resin').press('Escape')
  }
  await mivro.pick('Its powder', 'Moonlight mica')
  await expect(page.locator('[data-code="skin-not-metal"]:visible')).toContainText(
    'never look like metal',
  )
  await mivro.pick('Its powder', 'Iron powder')
  await page.getByRole('button', { name: 'Colour', exact: true }).click()
  await expect(page.locator('canvas[data-drawn="800"]')).toBeVisible({ timeout: 120_000 })
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour sheet' }).click()
  await expect(page.locator('.paper')).toContainText(
    'Shake Iron powder about in the dry, closed mould',
  )
  await expect(page.locator('.paper')).toContainText('Rub with a fine pad, shortly')

  // A run of the pour that is shown, not of the newest.
  await page.goBack()
  await page.getByRole('button', { name: 'Layers', exact: true }).click()
  await page.getByRole('button', { name: 'Plan a run of it' }).click()
  await expect(page.getByRole('group', { name: 'Meteorite paperweight' })).toContainText(
    'Iron skin, hollow',
  )
  // Its sheet says the powder in the order of the work: dusted, then stirred in, then poured.
  await page.getByRole('link', { name: 'Run sheet' }).click()
  const paper = page.locator('.paper')
  await expect(paper).toContainText('Metal powder is dusted with a mask on')
  const told = await paper.innerText()
  const order = ['Dust with Iron powder', 'Weigh for', 'of Iron powder in portions', 'and turn it']
  const places = order.map((words) => told.indexOf(words))
  expect(places).toEqual(places.toSorted((one, other) => one - other))
  expect(places[0]).toBeGreaterThan(0)
})
