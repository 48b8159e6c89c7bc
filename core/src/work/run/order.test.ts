import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { usualAirPot, usualVessel } from '../../matter/air/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { isDue, type Condition } from '../../mould/index.ts'
import { benchOfRun, type Task } from '../bench/index.ts'
import { compileRun } from './compile.ts'
import { usualHands } from './hands.ts'
import { newRun } from './run.ts'
import { keycap, stirred } from './samples.ts'
import { runSteps, type RunStep } from './steps.ts'

/* The order of the work (common practice, no source), over random runs of random moulds. */

const tools = { pot: usualAirPot, vessel: usualVessel }
const bench = { hands: usualHands, tools, largestCup: 1e-3 }
const slow = { ...sheets.coating }
const conditions: Condition[] = [
  { what: 'look over', every: 1, hands: 15 },
  { what: 'wipe', every: 2, hands: 10 },
  { what: 'powder', every: 0, hands: 20 },
  { what: 'wet walls', every: 1, hands: 8 },
]
const petals = { name: 'Petal', count: 2, from: 0, until: 60 }

const pour = fc.record({
  prefills: fc.constantFrom(0, 0, 1, 3),
  closed: fc.boolean(),
  casts: fc.integer({ min: 1, max: 5 }),
  fast: fc.boolean(),
  set: fc.constantFrom(undefined, 'on the mould' as const, 'with the pour' as const),
  pulled: fc.nat(3),
  before: fc.subarray(conditions),
})
const anyRun = fc.record({
  pours: fc.array(pour, { minLength: 1, maxLength: 3 }),
  hands: fc.constantFrom(1, 2),
  way: fc.constantFrom('none' as const, 'pressure' as const, 'vacuum' as const, 'both' as const),
  room: fc.integer({ min: 16, max: 26 }),
  prefill: fc.constantFrom('from the cup' as const, 'small mix' as const),
})

/** A random run, compiled, as steps and as tasks of the bench. */
function made({
  pours,
  hands,
  way,
  room,
  prefill,
}: typeof anyRun extends fc.Arbitrary<infer R> ? R : never) {
  const run = { ...newRun('Any'), hands, way, prefill, room: room + 273.15 }
  const needs = pours.map(({ prefills, closed, casts, fast, set, pulled, before }, i) => {
    const of = keycap({}, fast ? stirred : slow)
    const sets = set ? [{ ...petals, how: set }] : []
    return {
      ...of,
      ...{ id: `p${i}`, name: `Piece ${i}`, prefills, closed, casts, bands: closed ? 2 : 0 },
      ...{ pulled, before },
      layers: of.layers.map((layer) => ({ ...layer, sets })),
    }
  })
  const compiled = compileRun(run, needs, bench)
  const steps = runSteps(compiled.loads, run, tools)
  const cups = [1e-4, 1e-3]
  const { tasks } = benchOfRun({ id: 'r', revision: 1, run, compiled, tools, cups, pours: [] })
  return { compiled, steps, tasks, pairs: hands, prefill }
}
/** The same runs for every fact: to compile one takes longer than to look at it. */
const runs = fc.sample(anyRun, 60).map((of) => ({ of, ...made(of) }))
function forEachRun(look: (run: ReturnType<typeof made>) => void) {
  for (const { of, ...run } of runs) {
    try {
      look(run)
    } catch (error) {
      throw new Error(`in the run ${JSON.stringify(of)}`, { cause: error })
    }
  }
}
const shuts = (step: RunStep, key: string) =>
  step.step === 'close' && step.moulds.some((mould) => mould.key === key)
const bands = (task: Task, key: string) =>
  task.what === 'band' && task.moulds.some((mould) => mould.key === key)

describe('the order of the work in a run', () => {
  it('a closed mould is closed and banded before it is filled, once, on the clock and at the bench', () => {
    forEachRun(({ compiled, steps, tasks }) => {
      for (const load of compiled.loads) {
        for (const { key, pour } of load.moulds) {
          const own = steps.filter((one) => one.load === load)
          const close = own.findIndex((one) => shuts(one, key))
          const fill = own.findIndex(
            ({ step, moulds }) => step === 'fill' && moulds.some((mould) => mould.key === key),
          )
          expect(own.filter((one) => shuts(one, key)).length).toBe(pour.closed ? 1 : 0)
          expect(fill).toBeGreaterThan(close)
          const [banded, filled] = [
            tasks.findIndex((one) => one.load === load.index && bands(one, key)),
            tasks.findIndex(
              (one) => one.load === load.index && one.what === 'fill' && one.mould.key === key,
            ),
          ]
          expect(banded >= 0).toBe(pour.closed)
          expect(filled).toBeGreaterThan(banded)
        }
        const hands = load.mixes.flatMap(({ begins, tasks: own }) =>
          own.map(({ what, mould, from, until }) => ({
            ...{ what, mould, from: begins + from, until: begins + until },
          })),
        )
        for (const band of hands.filter(({ what }) => what === 'band')) {
          const fill = hands.find(({ what, mould }) => what === 'fill' && mould === band.mould)!
          expect(fill.from).toBeGreaterThanOrEqual(band.until - 1e-9)
        }
      }
    })
  })

  it('tools are cleaned once in a load, when nothing more is mixed and before what is on them is hard', () => {
    forEachRun(({ compiled, steps, tasks }) => {
      const orders = compiled.loads.flatMap((load) => [
        steps.filter((one) => one.load === load).map(({ step }) => step),
        tasks.filter((one) => one.load === load.index).map(({ what }) => what),
      ])
      for (const order of orders) {
        const at = order.indexOf('clean')
        expect(order.filter((one) => one === 'clean')).toHaveLength(1)
        expect(order.slice(at)).not.toContain('fill')
        expect(order.slice(at)).not.toContain('mix')
        expect(order.slice(0, at)).not.toContain(order.at(-1))
      }
    })
  })

  it('tight places are prefilled while the mould is open, and cost the cup what closing takes', () => {
    forEachRun(({ compiled, steps, prefill }) => {
      if (prefill !== 'from the cup') return
      for (const { tasks, moulds } of compiled.loads.flatMap(({ mixes }) => mixes)) {
        const open = moulds.filter(({ pour }) => pour.prefills > 0)
        const of = (what: string) => tasks.filter((task) => task.what === what)
        expect(of('prefill').length).toBe(open.length)
        expect(of('band').length).toBe(open.filter(({ pour }) => pour.closed).length)
        for (const band of of('band')) {
          const prefill = of('prefill').find(({ mould }) => mould === band.mould)!
          expect(band.from).toBeGreaterThanOrEqual(prefill.until)
          expect(band.until - band.from).toBeCloseTo(usualHands.band, 9)
        }
      }
      for (const [i, { step, mix }] of steps.entries()) {
        if (step !== 'prefill') continue
        const next = steps.slice(i).find((one) => one.step === 'fill' && one.mix === mix)
        expect(next).toBeDefined()
      }
    })
  })

  it('or from a small cup before: closed on its clock, and the cup that fills has all its time', () => {
    forEachRun(({ compiled, steps, prefill }) => {
      if (prefill !== 'small mix') return
      for (const load of compiled.loads) {
        const dabs = load.mixes.filter((mix) => mix.dabs)
        const filling = load.mixes.filter((mix) => !mix.dabs)
        const open = load.moulds.filter(({ pour }) => pour.prefills > 0)
        expect(dabs.flatMap(({ moulds }) => moulds.map(({ key }) => key)).toSorted()).toEqual(
          open.map(({ key }) => key).toSorted(),
        )
        const of = (mixes: typeof dabs, what: string) =>
          mixes.flatMap(({ tasks }) => tasks.filter((task) => task.what === what))
        expect(of(dabs, 'prefill').length).toBe(open.length)
        expect(of(dabs, 'fill').length + of(filling, 'prefill').length).toBe(0)
        expect(of(filling, 'band').length).toBe(0)
        for (const { begins, done, volume } of dabs) {
          // Less than 5 ml nobody mixes by hand (common practice, no source).
          expect(volume).toBeGreaterThanOrEqual(5e-6)
          for (const mix of filling) expect(mix.begins).toBeGreaterThanOrEqual(begins + done - 1e-9)
        }
        const ours = steps.filter((one) => one.load === load)
        const poured = ours.filter(({ step }) => step === 'fill').map(({ mix }) => mix)
        expect(poured.every((mix) => !mix!.dabs)).toBe(true)
        if (load.lid !== undefined) expect(load.out).toBeGreaterThan(load.lid)
      }
    })
  })

  it('what lies on the wall of a mould is laid before its parts meet, and before anything is mixed', () => {
    forEachRun(({ steps }) => {
      for (const [i, { step, set, load, mix }] of steps.entries()) {
        if (step !== 'set' || set!.how !== 'on the mould') continue
        const rest = steps.slice(0, i).filter((one) => one.load === load)
        const keys = mix!.moulds.map(({ key }) => key)
        expect(rest.some((one) => keys.some((key) => shuts(one, key)))).toBe(false)
        expect(rest.some((one) => one.step === 'mix' && one.mix === mix)).toBe(false)
      }
    })
  })

  it('what is due before a pull is done to each mould once, before anything is closed, weighed or mixed', () => {
    forEachRun(({ compiled, steps, tasks, pairs }) => {
      const pulls = new Map<string, number>()
      for (const load of compiled.loads) {
        const own = steps.filter((one) => one.load === load)
        const first = own.findIndex(({ step }) => !['lay out', 'condition'].includes(step))
        const done = own.filter(({ step }) => step === 'condition')
        expect(own.slice(first).some(({ step }) => step === 'condition')).toBe(false)
        let hands = 0
        for (const { key, pour } of load.moulds) {
          const pull = (pulls.get(key) ?? pour.pulled) + 1
          pulls.set(key, pull)
          const due = pour.before.filter((line) => line.what !== 'wet walls' && isDue(line, pull))
          hands += due.reduce((sum, line) => sum + line.hands, 0)
          const names = done
            .filter(({ moulds }) => moulds.some((mould) => mould.key === key))
            .map(({ condition }) => condition!.what)
          expect(names).toEqual(due.map(({ what }) => what))
          const wets = pour.before.some(({ what }) => what === 'wet walls')
          const ofMould = load.mixes
            .flatMap((mix) => mix.tasks)
            .filter(({ mould }) => mould?.key === key)
          expect(ofMould.filter(({ what }) => what === 'wet').length).toBe(wets ? 1 : 0)
          if (wets) {
            const at = (what: string) => ofMould.find((task) => task.what === what)!
            expect(at('fill').from).toBeGreaterThanOrEqual(at('wet').until)
            const order = tasks
              .filter((one) => one.load === load.index && 'mould' in one && one.mould.key === key)
              .map(({ what }) => what)
            expect(order.indexOf('wet')).toBe(order.indexOf('fill') - 1)
          }
        }
        // Hands and what dries meanwhile, then closing: all of it before the first mix.
        const waits = done.reduce((sum, { condition }) => sum + condition!.waits, 0)
        expect(load.preparing).toBeCloseTo(hands / pairs + waits + load.closing, 6)
        expect(own[0].at).toBeCloseTo(-(newRun('').layOut + load.preparing), 6)
      }
    })
  })

  it('no pair of hands does two things at once, and the pot is shut on what is full', () => {
    forEachRun(({ compiled }) => {
      for (const { mixes, lid } of compiled.loads) {
        for (const by of [0, 1]) {
          const own = mixes
            .flatMap(({ begins, tasks }) =>
              tasks
                .filter((task) => task.by === by)
                .map(({ from, until }) => ({ from: begins + from, until: begins + until })),
            )
            .toSorted((a, b) => a.from - b.from)
          own
            .slice(1)
            .forEach(({ from }, i) => expect(from).toBeGreaterThanOrEqual(own[i].until - 1e-9))
        }
        if (lid === undefined) continue
        const full = Math.max(...mixes.map(({ begins, done }) => begins + done))
        expect(lid).toBeGreaterThan(full - 1e-9)
      }
    })
  })
})
