import { seriousOf } from './axe.ts'
import { AtBench } from './bench.ts'
import { expect, test } from './mivro.ts'
import { RunningServer } from './server.ts'
import { png } from '../core/src/base/picture/samples.ts'

const picture = () => Buffer.from(png(60, 40, 'taken somewhere'))

/** A whole run by keys alone, without instruments. */
async function carryOutByHand(bench: AtBench): Promise<void> {
  for (const instrument of ['scale', 'pot gauge', 'vacuum gauge']) {
    await bench.act({ do: 'fail', instrument, how: 'gone' })
  }
  for (let i = 0; i < 300 && (await bench.task) !== 'done'; i++) await bench.onward()
}

test.describe('a server that is killed', () => {
  test.use({ ownProcess: true })

  test('a run of six keycaps under pressure, from the first glove to the log', async ({
    mivro,
  }) => {
    test.setTimeout(500_000)
    const { page } = mivro
    const bench = new AtBench(mivro)
    // Six of them, in the demo's own run.
    await mivro.open('/runs/demo-run-keycaps')
    await expect(page.getByRole('button', { name: 'Carry out' })).toBeVisible({ timeout: 120_000 })
    await mivro.type('Casts wanted', '6')
    await mivro.saved()
    await bench.begin('demo-run-keycaps')

    // Everything is laid out by one key; moulds are closed and banded before there is resin.
    for (let i = 0; i < 12 && (await bench.task) === 'lay out'; i++) await bench.key('Space')
    // Moulds are looked over and wiped, as the record's list has it.
    for (const title of ['Look it over', 'Wipe it']) {
      await expect(page.locator('.now h2')).toHaveText(title)
      await bench.key('Space')
    }
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'band')
    await expect(page.locator('[data-clock="dries"]')).toBeVisible()
    await bench.toWeighing()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'weigh')
    expect(await bench.readCaution()).toEqual(['gloves', 'bystanders', 'isocyanate'])

    // Part A, past its mark: nothing is taken out, part B moves.
    await bench.world()
    await bench.pour('Pour 2 g too much')
    await expect(page.getByText(/past the mark/)).toBeVisible()
    await expect(page.locator('p.past')).toContainText(/It takes (1\.9|2\.0|2\.1) g more/)
    const lead = async () => (await page.locator('.figures p.lead').textContent())!
    const [, partA, wantedA] = /([\d.]+) g of ([\d.]+) g:/.exec(await lead())!
    expect(Number(partA) - Number(wantedA)).toBeCloseTo(2, 0)
    // What comes next is shown as much larger at once.
    const then = Number((await page.locator('.facts dd').first().innerText()).replace(' g', ''))
    await bench.done()

    // Part B: the scale falls silent in the middle, then works again.
    await bench.act({ do: 'fail', instrument: 'scale', how: 'gone' })
    await expect(page.locator('.lamp.ill')).toContainText('silent', { timeout: 120_000 })
    await expect(page.getByRole('alert').first()).toContainText('says nothing')
    await bench.act({ do: 'fail', instrument: 'scale', how: null })
    await expect(page.locator('.lamp.ill')).toBeHidden({ timeout: 120_000 })
    await bench.pour('Pour to the mark')
    // One to one by weight, and the scale shows a step more or less.
    const target = Number(/of ([\d.]+) g\./.exec(await lead())![1])
    expect(Math.abs(target - Number(partA))).toBeLessThan(0.16)
    expect(Math.abs(target - then)).toBeLessThan(0.16)
    // Where the scale ends a step short the rest is added, as a person does.
    for (let i = 0; i < 3 && (await page.locator('.weigh.pouring').count()) > 0; i++) {
      await bench.settled(() => bench.press('Pour to the mark'))
    }
    // Held steady it is taken by itself.
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'mix', { timeout: 120_000 })
    await bench.readCaution()

    // The parts meet, and the server is killed.
    await bench.press('Pour the parts together')
    // The moulds are wet with alcohol yet: the bench says so, and a second press is meant so.
    await bench.key('Space')
    await expect(page.getByText(/^Wipe it: not dry for another /)).toBeVisible()
    await bench.key('Space')
    await expect(page.locator('[data-clock="pours"], [data-clock="stir"]').first()).toBeVisible()
    await expect(page.locator('.lamp', { hasText: 'recorded' })).toHaveText(/^\s*recorded/)
    const { folder, port } = mivro.server
    await mivro.server.kill()
    await bench.key('Space')
    await expect(page.locator('.lamp', { hasText: 'not recorded yet' })).toBeVisible()
    mivro.server = await RunningServer.start({ folder, port, demo: true })
    await expect(page.locator('.lamp', { hasText: 'not recorded yet' })).toBeHidden({
      timeout: 120_000,
    })
    await page.reload()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', /prefill|fill/)
    // The clock went on: it stands where it was and later, not at its beginning.
    await expect(page.locator('[data-clock="pours"] b')).not.toHaveText(/now/)

    await bench.readCaution()
    await bench.done()
    // A leak in the middle: three presses, the clock stays in sight, the task waits where it was.
    const during = await bench.taskId
    await bench.key('r')
    await bench.press('The seam leaks It drips, the level falls')
    await expect(page.locator('[data-known]')).toContainText('By the plan it')
    await expect(page.locator('[data-clock="pours"]')).toBeVisible()
    await page.getByRole('button', { name: /^More bands on/ }).click()
    expect(await bench.taskId).toBe(during)
    for (let i = 0; i < 40 && (await bench.task) === 'fill'; i++) await bench.done()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'into pot')
    await bench.done()

    // The lid: its caution, then the gauge decides.
    expect(await bench.readCaution()).toEqual(['pressure'])
    await bench.world()
    await bench.press('Shut the lid')
    await bench.press('Shut the valve')
    await bench.key('Space')
    await bench.key('Space')
    await expect(page.getByRole('alert')).toContainText('It has to come to')
    await bench.press('Compressor on')
    await bench.speed(10)
    await expect(page.locator('.gauge b')).toHaveText(/2\.8/, { timeout: 120_000 })
    await bench.done()
    // While it hardens tools are cleaned.
    await expect(page.locator('.now h2')).toHaveText('Clean the tools')
    await bench.done()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'hold')

    // Hours pass.
    await bench.speed(120)
    await expect(page.locator('[data-clock="hold"] b')).toHaveText('now', { timeout: 120_000 })
    await bench.speed(10)
    await bench.done()
    expect(await bench.readCaution()).toEqual(['release'])
    await bench.key('Space')
    await expect(page.getByRole('alert')).toContainText('still shows')
    await bench.press('Open the lid')
    await expect(page.getByText(/its lid stays shut/)).toBeVisible()
    await bench.press('Open the valve')
    await expect(page.locator('.gauge b')).toHaveText(/^0\.0|^−?0 /, { timeout: 120_000 })
    await bench.press('Open the lid')
    await bench.done()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'demould')
    await bench.readCaution()
    await bench.done()
    await bench.done()
    await expect(page.locator('.bench')).toHaveAttribute('data-task', 'done')
    await expect(page.getByRole('link', { name: 'Crater keycap: 6 casts' })).toBeVisible()

    // The log wrote itself: what was weighed, the room, the way.
    const pulls = (await (
      await mivro.server.call('GET', 'pulls?parent=demo-crater-keycap')
    ).json()) as {
      items: {
        document: {
          copies: number
          bench?: string
          method: { pressure: number; wiped: string }
          layers: { amounts: { planned: number; weighed: number }[] }[]
        }
      }[]
    }
    const pull = pulls.items
      .map(({ document }) => document)
      .find(({ bench }) => bench !== undefined)!
    expect(pull.copies).toBe(6)
    expect(pull.method.pressure).toBeGreaterThan(2.6e5)
    expect(pull.method.wiped).toBe('yes')
    const [a, b] = pull.layers[0].amounts
    expect(a.weighed - a.planned).toBeCloseTo(0.002, 3)
    expect(b.weighed - b.planned).toBeCloseTo(0.002, 3)

    // Two faults are pinned, one with a picture; the cause is named, and the run changes.
    await bench.press('Leave the bench')
    await mivro.open('/pieces/demo-crater-keycap/pulls')
    await expect(page.getByText('written at the bench')).toBeVisible()
    await expect(page.getByLabel('What went wrong at the bench')).toContainText(
      /The seam leaks: more bands on, .* after the mix\./,
    )
    await expect(page.getByRole('button', { name: 'Add a pin' })).toBeVisible({ timeout: 120_000 })
    await page
      .getByRole('radiogroup', { name: 'Result of copy 1' })
      .getByText('Lost', { exact: true })
      .click()
    for (const fault of ['ragged edge', 'fine bubbles']) {
      await page.getByRole('button', { name: 'Add a pin' }).click()
      await mivro.pick(`Fault ${fault === 'ragged edge' ? 1 : 2}`, fault)
    }
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.locator('.rows li').first().getByRole('button', { name: 'Add a picture' }).click(),
    ])
    await chooser.setFiles({ name: 'edge.png', mimeType: 'image/png', buffer: picture() })
    await expect(page.getByAltText('Picture of pin 1')).toBeVisible()
    await mivro.saved()
    await page.locator('.rows li').first().getByText('1', { exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Why: ragged edge' })).toBeVisible()
    await expect(page.locator('[data-cause]').first()).toHaveAttribute(
      'data-cause',
      'poured too late',
    )
    await page.getByRole('button', { name: 'Fewer moulds a mix', exact: true }).click()
    await expect(page.getByRole('button', { name: 'Fewer moulds a mix: taken' })).toBeVisible()
    await expect(page.getByLabel('What came of it')).toContainText('nothing poured since')
    await mivro.saved()
    await page.reload()
    await expect(page.getByAltText('Picture of pin 1')).toBeVisible()

    // The run is planned otherwise, and the piece's next pour opens with the reason.
    const run = (await (await mivro.server.call('GET', 'runs/demo-run-keycaps')).json()) as {
      document: { perMix?: number }
    }
    expect(run.document.perMix).toBe(2)
    await mivro.open('/pieces/demo-crater-keycap/pour')
    await expect(page.locator('.word')).toContainText('Fewer moulds a mix, for a ragged edge')

    // A second run shows what came of it.
    await bench.begin('demo-run-keycaps')
    await bench.speed(1)
    await carryOutByHand(bench)
    await mivro.open('/pieces/demo-crater-keycap/pulls')
    await expect(page.getByLabel('What came of it')).toContainText(
      /ragged edge: 1 of \d+ before, 0 of 6 since/,
      {
        timeout: 120_000,
      },
    )
  })
})

test('the bench by keyboard alone, with large targets, and nothing for axe to say', async ({
  mivro,
}) => {
  const { page } = mivro
  const bench = new AtBench(mivro)
  await bench.begin('demo-run-keycaps')
  for (const size of [
    { width: 1280, height: 800 },
    { width: 1024, height: 768 },
    { width: 800, height: 1280 },
  ]) {
    await page.setViewportSize(size)
    expect(await seriousOf(page)).toEqual([])
    // What gloved hands press: 64 px and more, and all of it inside the screen.
    const boxes = await page
      .locator('footer button, .items .el-checkbox')
      .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().toJSON() as DOMRect))
    expect(boxes.length).toBeGreaterThan(3)
    for (const box of boxes) {
      expect(box.height).toBeGreaterThanOrEqual(64)
      expect(box.width).toBeGreaterThanOrEqual(64)
      expect(box.right).toBeLessThanOrEqual(size.width)
    }
    const footer = (await page.locator('footer').boundingBox())!
    expect(footer.y + footer.height).toBeLessThanOrEqual(size.height)
  }
  await bench.toWeighing('PageDown')
  // An unread caution stands before every key; only the large one reads it.
  for (const key of ['t', 'k', 'x', 's', 'h']) {
    await bench.key(key)
    await expect(page.getByRole('alert')).toContainText('Read the caution first')
  }
  expect(await bench.cautionsShown()).toBe(true)
  await bench.key('Enter')
  await expect(page.locator('.bench')).toHaveAttribute('data-task', 'weigh')
  // By hand, without a scale.
  await bench.key('h')
  await bench.done()
  await expect(page.getByRole('heading', { level: 2 })).toContainText('Part B')
  await bench.key('Backspace')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('Part A')
  // Something is wrong: its cases by keyboard, and nothing for axe to say there either.
  await bench.key('r')
  await expect(page.getByRole('heading', { name: 'What is wrong?' })).toBeVisible()
  expect(await seriousOf(page)).toEqual([])
  await page.getByRole('button', { name: /^Too much of a part/ }).press('Enter')
  await expect(page.getByRole('button', { name: /^Add the other part/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { level: 2 })).toContainText('Part A')
  await bench.key('?')
  await expect(page.getByText('take the last step back')).toBeVisible()
})
