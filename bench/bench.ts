import {
  progressOf,
  weighedNow,
  cuesOf,
  type BenchEvent,
  type Task,
} from '../core/src/work/bench/index.ts'
import { cases } from '../core/src/learn/diagnosis/samples.ts'
import { diagnose } from '../core/src/learn/diagnosis/index.ts'
import { hear, newWatched, readLine } from '../core/src/work/instrument/index.ts'
import { filterLog, type LogRow } from '../core/src/work/pull/index.ts'
import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { chromium } from '@playwright/test'
import { chromiumArgs, findChromium } from '../tools/chromium.mjs'
import { Running, studioOf } from './store.ts'
import { compare, median, medians, within } from './timing.ts'

/** What is garbage is none of what grew. */
function collector(): () => void {
  setFlagsFromString('--expose_gc')
  return runInNewContext('gc') as () => void
}

/** A long run: four hundred fills, half of them done. */
function longBench(): { tasks: Task[]; events: BenchEvent[] } {
  const common = { load: 0, hazards: [], layer: 0 }
  const tasks: Task[] = []
  const events: BenchEvent[] = []
  for (let mix = 0; mix < 40; mix++) {
    for (const key of ['A', 'B'] as const) {
      tasks.push({
        ...common,
        mix,
        id: `w${mix}${key}`,
        what: 'weigh',
        part: key,
        key,
        name: key,
        mass: 0.05,
        density: 1100,
        apart: key === 'A' ? 'mixing cup' : 'own cup',
        cup: 2.5e-4,
        step: 1e-4,
        moulds: 10,
      })
    }
    tasks.push({
      ...common,
      mix,
      id: `m${mix}`,
      what: 'mix',
      at: 600 * mix,
      takes: 30,
      pours: 170,
      gel: 400,
      hard: 1500,
      secondCup: 'no',
    })
    for (let i = 0; i < 10; i++) {
      const mould = { key: `k${i}`, pour: 'p', name: 'Keycap', number: i + 1, casts: 1 }
      tasks.push({
        ...common,
        mix,
        id: `f${mix}.${i}`,
        what: 'fill',
        mould,
        volume: 1e-5,
        mass: 1e-2,
        vents: 0,
      })
    }
  }
  tasks.slice(0, tasks.length / 2).forEach(({ id, what }, i) => {
    if (what === 'mix') events.push({ what: 'done', task: `${id} begun`, at: 1000 + 10 * i })
    events.push({ what: 'done', task: id, at: 1005 + 10 * i })
  })
  return { tasks, events }
}

const logOf = (count: number): LogRow[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `p${i}`,
    piece: `piece-${i % 50}`,
    pieceName: `Piece ${i % 50}`,
    mould: `mould-${i % 30}`,
    mouldName: `Mould ${i % 30}`,
    resins: ['Fast white urethane 1:1'],
    pouredAt: new Date(Date.UTC(2024, 0, 1) + i * 3600_000).toISOString(),
    copies: 1 + (i % 12),
    good: i % 12,
    mended: 1,
    lost: 0,
    outcome: i % 3 ? 'good' : 'fixable',
    faults: i % 4 ? [] : ['void at a tip'],
    room: 294,
    mending: 0,
    said: i % 7 ? 'Clean.' : 'A small void in the tip; prefill it with a toothpick.',
    changes: 0,
  }))

/** The bench, its instruments, causes and log. */
export async function benchBench(): Promise<void> {
  console.log('\nAt the bench')
  const long = longBench()
  within(
    'how a run of 520 steps stands',
    median(() => progressOf(long), 20),
    8,
  )
  within(
    'what is to be said of it',
    median(() => cuesOf(long), 20),
    8,
  )
  const weigh = long.tasks.find((task) => task.what === 'weigh')!
  within(
    'a weighing at one reading',
    median(() => weigh.what === 'weigh' && weighedNow(long, weigh, 0.02), 50),
    2,
  )
  within(
    'causes of a fault, the slowest of 44',
    Math.max(...cases.map((one) => median(() => diagnose(one), 20))),
    20,
  )

  // Eight hours of five instruments, twenty readings a second.
  const readings = 8 * 3600 * 20
  const line = { instrument: 'scale', unit: 'g', steady: true } as const
  let watched = newWatched()
  const collect = collector()
  collect()
  const before = process.memoryUsage().heapUsed
  const start = performance.now()
  for (let i = 0; i < readings; i++) {
    watched = hear(watched, readLine({ ...line, value: 20 + (i % 10) / 10 }), i / 20)
  }
  const took = performance.now() - start
  collect()
  const grown = (process.memoryUsage().heapUsed - before) / 1e6
  within(`a reading taken in, of ${readings}`, took / readings, 1)
  console.log(
    `  memory grown over them: ${grown.toFixed(1)} MB, turns kept: ${watched.turns.length}`,
  )

  const rows = logOf(10_000)
  const text = 'void toothpick'
  const [ours, theirs] = medians(
    () => filterLog(rows, { text, fault: 'void at a tip' }),
    () =>
      rows.filter((row) =>
        text.split(' ').every((word) => JSON.stringify(row).toLowerCase().includes(word)),
      ),
    15,
  )
  within('a log of 10,000 pulls filtered', ours, 100)
  compare('the same', ours, 'each row as text', theirs, 1)

  await onScreen()
}

/** From an instrument's word to the screen, in the browser; and the log of many pulls painted. */
async function onScreen(): Promise<void> {
  const executablePath = await findChromium()
  if (!executablePath) return console.log('No Chromium: the screen is not measured.')
  const server = await Running.over(await studioOf({ pieces: 100, plans: 100, pulls: 10_000 }))
  const browser = await chromium.launch({ executablePath, args: chromiumArgs })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${server.address}/log`)
  await page.locator('.el-table__row').first().waitFor()
  const delays = await page.evaluate(
    () =>
      new Promise<number[]>((done) => {
        const found: number[] = []
        const stream = new EventSource('/api/instruments/stream')
        stream.onmessage = ({ data }: MessageEvent<string>) => {
          const { line } = JSON.parse(data) as { line?: { at: string } }
          if (!line) return
          requestAnimationFrame(() => {
            found.push(Date.now() - Date.parse(line.at))
            if (found.length < 300) return
            stream.close()
            done(found)
          })
        }
      }),
  )
  const sorted = delays.toSorted((a, b) => a - b)
  within('a reading on the screen, the slowest of 300', sorted.at(-1)!, 150)
  const painted = await page.evaluate(async () => {
    const box = document.querySelector<HTMLInputElement>('input[aria-label="Search"]')!
    const begun = performance.now()
    box.value = 'colour'
    box.dispatchEvent(new Event('input', { bubbles: true }))
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)))
    return performance.now() - begun
  })
  within('a log of 10,000 pulls filtered and painted', painted, 300)
  await browser.close()
  await server.stop()
}
