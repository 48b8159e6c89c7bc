import { readFileSync } from 'node:fs'
import { expect, test, type Mivro } from './mivro.ts'

const panel = ({ page }: Mivro) =>
  page.getByRole('complementary', { name: 'What the run is planned with' })
const summary = ({ page }: Mivro) => page.locator('.title [role="status"]')

test('from a piece in a fast resin to a run of fourteen under pressure, and its sheet', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-crater-keycap/pour')
  await page.getByRole('button', { name: 'Plan a run of it' }).click()
  await expect(page).toHaveURL(/\/runs\//)
  await mivro.type('Casts wanted', '14')
  await expect(summary(mivro)).toContainText('14 casts', { timeout: 120_000 })
  await panel(mivro).getByText('Two', { exact: true }).click()
  // Two cavities a mould, four moulds: eight, then six.
  await expect(summary(mivro)).toContainText('2 loads')
  const order = page.locator('[data-mould]')
  await expect(order).toHaveCount(4)
  await expect(page.getByRole('group', { name: 'The clock of this load' })).toContainText(
    /pours until 2 min \d+ s/,
  )
  await expect(panel(mivro).locator('[data-safety="pressure"]')).toBeVisible()
  await mivro.saved()
  const said = await summary(mivro).textContent()
  await page.getByRole('link', { name: 'Run sheet' }).click()
  await expect(page.locator('[data-step="pressure"]')).toHaveCount(2)
  await expect(page.locator('.paper')).toContainText(said!.trim())
  await expect(page.locator('[data-step="pressure"]').first()).toContainText('to 2.8 bar')
  // Each of two cavities takes its time: three moulds from the first cup, one from the second.
  const fills = page.locator('[data-step="fill"]')
  await expect(fills.first()).toContainText('3. Crater keycap, mould 3')
  await expect(fills.nth(1)).toContainText('1. Crater keycap, mould 4')
  // One to one by weight.
  const grams = async (at: number) =>
    Number((await page.locator('.weighed b').nth(at).textContent())!.split(' ')[0])
  expect(await grams(0)).toBeCloseTo(await grams(1), 1)
  const safety = page.locator('[data-safety="pressure"]')
  await expect(safety).toHaveCount(1)

  // The sheet of the piece points here: on the day of the run one clock holds.
  const name = await page.locator('.paper h1').innerText()
  await mivro.open('/pieces/demo-crater-keycap/sheet')
  await page.locator('[data-note="in a run"]').getByRole('link', { name, exact: true }).click()
  await expect(page.locator('.paper')).toContainText(said!.trim())
})

test('a warm room fills fewer from a cup, a cool one more; what would change it is one click', async ({
  mivro,
}) => {
  await mivro.open('/runs/demo-run-keycaps')
  await mivro.type('Casts wanted', '80')
  await panel(mivro).getByText('Neither', { exact: true }).click()
  await panel(mivro).getByRole('button', { name: 'Limits' }).click()
  const mixes = async () => Number(/(\d+) mix/.exec((await summary(mivro).textContent()) ?? '')![1])
  await expect(summary(mivro)).toContainText('80 casts', { timeout: 120_000 })
  const usual = await mixes()
  await mivro.type('Room', '30')
  await expect.poll(mixes).toBeGreaterThan(usual)
  await panel(mivro)
    .getByRole('listitem')
    .filter({ hasText: 'The room at' })
    .getByRole('button')
    .click()
  await expect(mivro.field('Room')).toHaveValue('25')
})

test('moulds are filled in another order by the arrows, and stay so', async ({ mivro, page }) => {
  await mivro.open('/runs/demo-run-keycaps')
  const names = () => page.locator('[data-mould] .name').allTextContents()
  await expect(page.locator('[data-mould]')).toHaveCount(4, { timeout: 120_000 })
  await page.getByRole('button', { name: 'Crater keycap, mould 3 earlier' }).click()
  await expect.poll(async () => (await names())[1]).toContain('mould 3')
  await mivro.saved()
  await page.reload()
  await expect(page.locator('[data-mould]')).toHaveCount(4, { timeout: 120_000 })
  expect((await names())[1]).toContain('mould 3')
  // Drawn by its grip: the last before the first.
  const grips = page.locator('[data-mould] .grip')
  await grips.last().hover()
  await page.mouse.down()
  const first = (await grips.first().boundingBox())!
  await page.mouse.move(first.x + 5, first.y + 20, { steps: 8 })
  await page.mouse.move(first.x + 5, first.y + 2, { steps: 4 })
  await page.mouse.up()
  await expect.poll(async () => (await names())[0]).toContain('mould 4')
})

test('what cannot be done is said at its place, and nothing is lost', async ({ mivro, page }) => {
  await mivro.open('/runs')
  await page.getByRole('button', { name: 'New run' }).click()
  await expect(page.getByText('Nothing is cast yet')).toBeVisible()
  await mivro.pick('Add a piece', 'Crater keycap')
  await expect(summary(mivro)).toContainText('8 casts', { timeout: 120_000 })
  await mivro.type('Casts wanted', '0')
  await expect(panel(mivro).getByRole('alert').first()).toBeVisible()
  await mivro.type('Casts wanted', '6')
  await panel(mivro).getByText('Pressure', { exact: true }).click()
  await mivro.type('Room', '38')
  await mivro.type('until', '9')
  await expect(
    page.getByText(/the hours of the bench move it to 08:10, day 2/).first(),
  ).toBeVisible()
  await mivro.open('/equipment')
  await mivro.type('Fill one cavity', '5 min')
  await mivro.saved()
  await page.goBack()
  await expect(page.getByText(/even one mould alone is full only after/)).toBeVisible({
    timeout: 120_000,
  })
  await mivro.open('/equipment')
  await page.getByRole('button', { name: 'Delete pressure pot' }).click()
  await expect(page.getByRole('button', { name: 'Add a pressure pot' })).toBeVisible()
  await mivro.saved()
  await page.goBack()
  await expect(page.getByText('There is no pressure pot in Equipment')).toBeVisible({
    timeout: 120_000,
  })
  await page.goto(`${mivro.server.address}/runs`)
  await page.getByRole('button', { name: 'Delete New run' }).click()
  await expect(page.getByRole('link', { name: 'New run' })).toHaveCount(0)
})

test('tight places are prefilled from the cup or from a small mix before it; its cost and its sheet say so', async ({
  mivro,
  page,
}) => {
  await mivro.open('/runs/demo-run-solid')
  const cost = page.locator('[data-prefill]')
  await expect(cost).toContainText('of the time that the cup pours', { timeout: 120_000 })
  await page.getByText('From a small mix before', { exact: true }).click()
  await expect(cost).toContainText('before the one that fills is mixed')
  await mivro.saved()
  await page.goto(`${mivro.server.address}/runs/demo-run-solid/sheet`)
  const steps = page.locator('li[data-step]')
  await expect(steps.filter({ hasText: 'mix the small cup' })).toHaveCount(1)
  const order = await steps.evaluateAll((all) => all.map((one) => one.getAttribute('data-step')))
  expect(order.indexOf('close')).toBeGreaterThan(order.indexOf('prefill'))
  expect(order.indexOf('fill')).toBeGreaterThan(order.lastIndexOf('mix'))
})

test('a run goes into a calendar: every load with its laying out, and when it comes out', async ({
  mivro,
  page,
}) => {
  await mivro.open('/runs/demo-run-keycaps')
  await expect(summary(mivro)).toContainText('2 loads', { timeout: 120_000 })
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save calendar' }).click()
  const text = readFileSync((await (await waiting).path())!, 'utf8')
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(4)
  // Before half past nine: five minutes to lay out; two pairs of hands look over and wipe four moulds,
  // 25 s each, and close them, ten each; two minutes until they are dry. That is 8 min 10 s.
  expect(text).toContain('DTSTART:20261204T092100')
  // Imported again it replaces what it was.
  expect(text).toMatch(/UID:demo-run-keycaps-0-lay-out-0@mivro/)
})

test('what the pot and the vessel take is seen, and what they may not is refused', async ({
  mivro,
  page,
}) => {
  await mivro.open('/equipment')
  const pot = page.getByRole('region', { name: 'Pressure pot' })
  const vessel = page.getByRole('region', { name: 'Vacuum vessel' })
  await expect(pot.locator('.el-table__row')).toHaveCount(6, { timeout: 120_000 })
  await pot.getByRole('button', { name: 'Orrery block' }).click()
  await expect(pot.locator('.plate .mould')).toHaveCount(2)
  await mivro.type('Height, inside', '40 mm')
  await expect(pot).toContainText('too high')
  await mivro.type('Casts are cured at', '9 bar')
  await expect(pot.getByRole('alert').first()).toContainText('over what the pot is marked for')
  await mivro.type('Casts are cured at', '2 bar')
  await mivro.type('Rises in a minute, valve shut', '0.8 bar')
  await expect(vessel.getByRole('alert').first()).toContainText('the pump reaches')
  await mivro.type('Try it with a mix of', '3 l')
  await expect(vessel).toContainText('In 3 batches')
  await expect(pot.locator('[data-safety="pressure"]')).toBeVisible()
  await expect(vessel.locator('[data-safety="vacuum"]')).toBeVisible()
  await mivro.saved()
  await page.reload()
  await expect(mivro.field('Casts are cured at')).toHaveValue('2.0')
})

test('a solid figure in one shot: prefills, vents, pressure, hold and demould on one page, no stop', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-astronomer-solid/pour')
  await expect(page.getByText('25.2 g').first()).toBeVisible({ timeout: 120_000 })
  await expect(page.locator('[data-code]', { hasText: 'Stop.' })).toHaveCount(0)
  await mivro.open('/runs/demo-run-solid/sheet')
  const paper = page.locator('.paper')
  await expect(page.locator('[data-step="demould"]')).toHaveCount(1, { timeout: 120_000 })
  for (const said of [
    'Prefill (yellow) at 42.9 mm',
    'Vents (dashed) at',
    'until resin stands in every vent for 5 to 10 s',
    'to 2.8 bar',
    'Hold it until',
    'take them out',
  ]) {
    await expect(paper).toContainText(said)
  }
  // The same weights as in its pour.
  await expect(paper.locator('.weighed')).toContainText('25.2 g')
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
  expect(pdf.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1)
})

test('other equipment says which moulds fit; thin air refuses the vacuum of sea level', async ({
  mivro,
  page,
}) => {
  await mivro.open('/equipment')
  const others = page.getByRole('region', { name: 'Other equipment' })
  await others.getByRole('button', { name: 'Add equipment' }).click()
  await expect(others).toContainText('Fits: every mould fits', { timeout: 120_000 })
  await mivro.type('high', '50 mm')
  await expect(others).not.toContainText('Astronomer, cut block')
  await expect(others).toContainText('Orrery block')
  await mivro.type('Height above the sea', '1500')
  await expect(others.getByRole('alert').first()).toContainText('more than there is air')
})

test('silicone without vacuum says what stays in it, and with it that it bears pressure', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-astronomer/mould/silicone')
  const said = page.locator('[data-air="silicone"]')
  await expect(said).toContainText(/bubbles over 0.1 mm stay in it|ardly a bubble/, {
    timeout: 120_000,
  })
})
