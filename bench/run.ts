import {
  compareWays,
  usualAirPot,
  usualHandling,
  usualVessel,
} from '../core/src/matter/air/index.ts'
import { airInUrethane, sourcesOf, type LayerBubbles } from '../core/src/matter/air/index.ts'
import { gelOf, thickeningOf } from '../core/src/matter/cure/index.ts'
import { sheets } from '../core/src/matter/cure/samples.ts'
import { firmPlatinum } from '../core/src/matter/material/samples.ts'
import { compileMould, makingSteps, stageAfter } from '../core/src/mould/index.ts'
import { block60, geometryOfSolid, sampleMould } from '../core/src/mould/samples.ts'
import { benchOfRun } from '../core/src/work/bench/index.ts'
import {
  apart,
  compileRun,
  newRun,
  packPlate,
  runSteps,
  usualHands,
} from '../core/src/work/run/index.ts'
import { keycap, lawOf } from '../core/src/work/run/samples.ts'
import { compare, median, within } from './timing.ts'

interface Item {
  width: number
  depth: number
  round: boolean
}

/** Each item, in its order, on the first point of a grid of 2 mm where it is free. */
function onAGrid(items: readonly Item[], diameter: number): number {
  const radius = diameter / 2
  const placed: (Item & { x: number; y: number })[] = []
  for (const item of items) {
    const { width: w, depth: d } = item
    search: for (let y = -radius + d / 2; y <= radius - d / 2; y += 0.002) {
      for (let x = -radius + w / 2; x <= radius - w / 2; x += 0.002) {
        if (Math.hypot(Math.abs(x) + w / 2, Math.abs(y) + d / 2) > radius) continue
        const free = placed.every(
          (one) =>
            Math.abs(one.x - x) >= (one.width + w) / 2 + apart ||
            Math.abs(one.y - y) >= (one.depth + d) / 2 + apart,
        )
        if (!free) continue
        placed.push({ ...item, x, y })
        break search
      }
    }
  }
  return placed.length
}

/** Four ways against bubbles, a run of many moulds, and a full plate. */
export async function benchRun(): Promise<void> {
  console.log('\nFour ways for three layers')
  const law = lawOf(sheets.clear)
  const layer: LayerBubbles = {
    thickening: thickeningOf(law, 296.15),
    density: 1100,
    gas: airInUrethane,
    ...sourcesOf(usualHandling),
    grown: [],
    handling: usualHandling,
    volume: 20e-6,
    mixed: 120e-6,
    cup: 600e-6,
    depth: 0.01,
    ceiling: 0.3,
    pouredAt: 120,
    poursUntil: 480,
    hardAt: 3 * gelOf(law, 296.15),
    seenFrom: 1e-4,
    samples: 700,
    seed: 1,
  }
  const tools = { pot: usualAirPot, vessel: usualVessel }
  const first = median(() => compareWays(layer, tools), 5)
  within('the first layer', first, 200)
  within('all three', 3 * first, 1000)

  console.log('\nA run of 40 moulds')
  const before = (['look over', 'wipe'] as const).map((what) => ({ what, every: 1, hands: 15 }))
  const pour = keycap({ casts: 40, moulds: 40, before })
  const run = newRun('Forty')
  const bench = { hands: usualHands, tools, largestCup: 1e-3 }
  const found = compileRun(run, [pour], bench)
  console.log(`  ${found.mixes} mixes, ${found.perMix} moulds in the fullest`)
  within(
    'compiled',
    median(() => compileRun(run, [pour], bench), 9),
    20,
  )

  const cups = [1e-4, 1e-3]
  const of = { id: 'r', revision: 1, run, compiled: found, tools, cups, pours: [] }
  within(
    'its steps and the tasks of its bench',
    median(() => [runSteps(found.loads, run, tools, cups), benchOfRun(of)], 15),
    5,
  )

  console.log('\nA two-part mould')
  const mould = sampleMould({ kind: 'two-part' })
  const compiled = compileMould(mould, geometryOfSolid(block60), firmPlatinum, 1e-4)
  within(
    'its steps in their order, and what is there at each',
    median(() => {
      const steps = makingSteps(mould, compiled, firmPlatinum)
      return steps.map((_, i) => stageAfter(steps, i + 1))
    }, 15),
    5,
  )

  console.log('\nSixty footprints on a plate')
  const items = Array.from({ length: 60 }, (_, i) => ({
    width: 0.03 + 0.02 * ((i * 0.618) % 1),
    depth: 0.03 + 0.015 * ((i * 0.414) % 1),
    round: i % 5 === 0,
  })).map((one) => (one.round ? { ...one, depth: one.width } : one))
  const taken = median(() => packPlate(items, 0.4), 5)
  const plain = median(() => onAGrid(items, 0.4), 3)
  console.log(`  ${packPlate(items, 0.4).length} found room; on a grid ${onAGrid(items, 0.4)}`)
  within('packed', taken, 200)
  compare('packed', taken, 'on a grid of 2 mm', plain, 1)
}
