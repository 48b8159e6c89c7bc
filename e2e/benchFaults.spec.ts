import { AtBench } from './bench.ts'
import { expect, test, type Mivro } from './mivro.ts'

/** A bench where the first weighing is at hand. */
async function atFirstWeighing(bench: AtBench): Promise<void> {
  await bench.begin('demo-run-keycaps')
  await bench.toWeighing()
  await bench.readCaution()
}

test('a scale that jumps, speaks in millilitres, or loses weight is not believed', async ({
  mivro,
}) => {
  const { page } = mivro
  const bench = new AtBench(mivro)
  await atFirstWeighing(bench)
  await bench.world()
  await bench.pour('Pour 1 g')
  const alert = page.locator('.now [role=alert]')
  await bench.act({ do: 'fail', instrument: 'scale', how: 'jumping' })
  await expect(alert.first()).toContainText('The scale jumps', { timeout: 120_000 })
  await bench.key('Space')
  await expect(page.locator('.bench')).toHaveAttribute('data-task', 'weigh')
  await bench.act({ do: 'fail', instrument: 'scale', how: 'wrong unit' })
  await expect(alert.first()).toContainText('speaks in "ml"')
  await bench.act({ do: 'fail', instrument: 'scale', how: null })
  await expect(alert).toHaveCount(0, { timeout: 120_000 })
  // What jumped is forgotten after a while; then half of what is in the cup is gone.
  const cup = `${await benchId(mivro)} mixing cup 1`
  await expect(async () => {
    await bench.settled(() => bench.press('Pour 1 g'))
    await bench.act({ do: 'empty', cup, mass: 0.0006 })
    await expect(alert.first()).toContainText('The weight is falling', { timeout: 1500 })
  }).toPass({ timeout: 120_000 })
  // By hand it goes on.
  await bench.key('h')
  await bench.done()
  await expect(page.locator('.now h2')).toContainText('Part B')
})

const benchId = async ({ page }: Mivro) =>
  new URL(page.url()).pathname.split('/').at(-1)!.slice(0, 24)

test('the wrong bottle poured first counts as what it is', async ({ mivro }) => {
  const { page } = mivro
  const bench = new AtBench(mivro)
  await atFirstWeighing(bench)
  await bench.world()
  await bench.pour('Pour to the mark')
  await bench.key('x')
  // Part A is still to come.
  await expect(page.locator('.now h2')).toContainText('Part A')
  await expect(page.locator('.steps .done')).toContainText(['Lay out', 'Part B'])
})

test('two benches on one run: what was recorded first holds, and the other is told', async ({
  mivro,
  browser,
}) => {
  const { page } = mivro
  const bench = new AtBench(mivro)
  await atFirstWeighing(bench)
  const address = page.url()
  // Another device: a browser of its own shares nothing with this one.
  const tablet = await (await browser.newContext()).newPage()
  await tablet.goto(address)
  await expect(tablet.locator('.bench')).toHaveAttribute('data-task', 'weigh')
  for (const key of ['h', 'Space']) {
    await tablet.locator('.bench[data-listens]').waitFor()
    await tablet.keyboard.press(key)
  }
  await expect(tablet.locator('.now h2')).toContainText('Part B')
  // The first bench follows.
  await expect(page.locator('.now h2')).toContainText('Part B', { timeout: 120_000 })
  // Both press at once, cut off from each other: one is told.
  let reconnect = () => {}
  const cutOff = new Promise<void>((done) => (reconnect = done))
  await page.route('**/api/benches/**', async (route) => {
    await cutOff
    await route.continue()
  })
  await bench.key('h')
  await page.keyboard.press('Space')
  await tablet.keyboard.press('n')
  await tablet.getByRole('button', { name: 'It froths' }).click()
  await expect(tablet.locator('.lamp', { hasText: 'recorded' })).toHaveText(/^\s*recorded/)
  reconnect()
  await expect(page.getByText('Another bench went on with this run')).toBeVisible({
    timeout: 120_000,
  })
  const document = (
    (await (
      await mivro.server.call('GET', `benches/${new URL(address).pathname.split('/').at(-1)}`)
    ).json()) as { document: { events: { what: string }[] } }
  ).document
  expect(document.events.some(({ what }) => what === 'noted')).toBe(true)
  await tablet.context().close()
})

test('a cup that stood too long is asked about, and lost it fills no mould', async ({ mivro }) => {
  const { page } = mivro
  // What is spoken is written down: no voice ships with a test's browser.
  await page.addInitScript(() => {
    const spoken: string[] = []
    Object.assign(globalThis, { spoken })
    speechSynthesis.speak = ({ text }) => void spoken.push(text)
  })
  const bench = new AtBench(mivro)
  await bench.begin('demo-run-keycaps')
  for (let i = 0; i < 60 && !/fill/.test((await bench.task)!); i++) await bench.onward()
  // The telephone rings.
  await bench.speed(60)
  await expect(page.getByRole('heading', { name: /Is cup 1 lost/ })).toBeVisible({
    timeout: 120_000,
  })
  await bench.speed(1)
  await expect(page.locator('.clock.red, .said .urgent').first()).toBeVisible()
  await expect(page.locator('.said')).toContainText('It no longer pours')
  const spoken = await page.evaluate(() => (globalThis as unknown as { spoken: string[] }).spoken)
  expect(spoken).toContain('In 30 seconds cup 1 no longer pours.')
  expect(spoken.filter((text) => text.startsWith('It no longer pours'))).toHaveLength(1)
  // Another place still shows the clock that runs.
  await mivro.open('/pieces')
  await expect(page.getByRole('link', { name: /Fourteen crater keycaps cup 1/ })).toBeVisible()
  await page.getByRole('link', { name: /Fourteen crater keycaps cup 1/ }).click()
  await bench.key('l')
  await expect(page.locator('.bench')).not.toHaveAttribute('data-task', 'fill')
  await page.reload()
  await expect(page.locator('.steps .out').first()).toBeVisible()
})

test('how a cup feels is kept with its resin', async ({ mivro }) => {
  const { page } = mivro
  const bench = new AtBench(mivro)
  await mivro.open('/runs/demo-run-solid')
  await bench.begin('demo-run-solid')
  for (const instrument of ['scale', 'pot gauge']) {
    await bench.act({ do: 'fail', instrument, how: 'gone' })
  }
  let [marked, over] = [false, false]
  for (let i = 0; i < 120 && (await bench.task) !== 'done'; i++) {
    const task = await bench.task
    if (task === 'lid' && !over && !(await bench.cautionsShown())) {
      over = true
      // A real gauge behind a bridge shows more than the pot is marked for.
      await bench.bridge({ instrument: 'pot gauge', value: 6.2, unit: 'bar' })
      await expect(page.locator('.now [role=alert]').first()).toContainText(
        'Over the mark of the pot',
      )
      await expect(page.locator('.gauge.over')).toContainText('6.2')
    }
    if (task === 'hold' && !marked) {
      marked = true
      // Some time passes until it gels.
      const before = await bench.clock()
      await bench.speed(60)
      await expect.poll(() => bench.clock()).toBeGreaterThan(before + 60)
      await bench.speed(1)
      await bench.key('m')
      await page.getByRole('button', { name: 'Cup gelled' }).click()
    }
    await bench.onward()
  }
  expect(over).toBe(true)
  await expect(page.getByLabel('What was felt')).toContainText('gel:')
  await page.getByRole('button', { name: 'Keep with its sheet' }).click()
  await expect(page.getByText('kept', { exact: true })).toBeVisible()
  await mivro.open('/shelf/demo-white-urethane')
  await expect(page.getByText('gel in the cup').first()).toBeVisible()
  await mivro.open('/equipment')
  await expect(page.getByText('Learned at the bench')).toBeVisible()
})

test('a mould of silicone is made at the same bench', async ({ mivro }) => {
  const { page } = mivro
  const bench = new AtBench(mivro)
  await mivro.open('/pieces/demo-orrery/mould/silicone')
  await page.getByRole('button', { name: 'Make it at the bench' }).click({ timeout: 120_000 })
  await expect(page.locator('.bench')).toHaveAttribute('data-task', 'step')
  const kinds = new Set<string>()
  const cautions = new Set<string>()
  for (let i = 0; i < 90; i++) {
    const task = (await bench.task)!
    if (task === 'done') break
    kinds.add(task)
    for (const id of await page
      .locator('.safety [data-safety]')
      .evaluateAll((all) => all.map((one) => one.getAttribute('data-safety')!))) {
      cautions.add(id)
    }
    await bench.onward()
  }
  expect([...kinds]).toEqual(expect.arrayContaining(['step', 'weigh', 'mix', 'wait']))
  expect([...cautions]).toEqual(
    expect.arrayContaining(['sanding', 'silicone-hands', 'tin-catalyst']),
  )
  await expect(page.getByText('The mould is made.')).toBeVisible()
})
