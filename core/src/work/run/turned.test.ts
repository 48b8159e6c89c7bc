import { describe, expect, it } from 'vitest'
import { usualAirPot } from '../../matter/air/index.ts'
import { gelOf } from '../../matter/cure/index.ts'
import { usualCondition, type ConditionName } from '../../mould/index.ts'
import { compileRun, type RunBench } from './compile.ts'
import { usualHands } from './hands.ts'
import { lanesOf } from './lanes.ts'
import { gelOfMix, inRoom } from './limits.ts'
import type { MouldSkin, RunPour } from './needs.ts'
import { newRun, type Run } from './run.ts'
import { offersOf } from './offers.ts'
import { hollowKeycap, keycap, lawOf, stirred } from './samples.ts'
import { faceOf, runSteps } from './steps.ts'

const bench: RunBench = { hands: usualHands, tools: {}, largestCup: 1e-3 }
const planned = (pour: RunPour, more: Partial<Run> = {}) => {
  const run = { ...newRun('Hollow'), ...more }
  return { run, compiled: compileRun(run, [pour], bench) }
}
const spansOf = ({ compiled, run }: ReturnType<typeof planned>) =>
  compiled.loads.flatMap((load) => {
    const { hands, machine } = lanesOf(load, run)
    return [...hands, machine].map((lane) => lane.toSorted((a, b) => a.from - b.from))
  })

describe('hands that turn', () => {
  it('do nothing else until nothing moves: one mould a cup, each shot after the gel of the one before', () => {
    const found = planned(hollowKeycap('hands'))
    expect(found.compiled.casts).toBe(3)
    for (const lane of spansOf(found)) {
      for (const [i, { from }] of lane.slice(1).entries())
        expect(from).toBeGreaterThanOrEqual(lane[i].until - 1e-9)
    }
    for (const { mixes } of found.compiled.loads) {
      for (const mix of mixes) {
        expect(mix.moulds).toHaveLength(1)
        const { turned, gel } = inRoom(mix.moulds[0].pour.layers[mix.layer], found.run)
        expect(mix.done).toBeCloseTo(turned!.stopsAt)
        const next = mixes.find(
          (one) => one.moulds[0] === mix.moulds[0] && one.layer === mix.layer + 1,
        )
        if (next) expect(next.begins).toBeGreaterThanOrEqual(mix.begins + gel)
      }
    }
  })

  it('two pairs turn two moulds from one cup', () => {
    const { compiled } = planned(hollowKeycap('hands'), { hands: 2 })
    expect(compiled.perMix).toBe(2)
    expect(compiled.casts).toBe(3)
  })
})

describe('a machine that turns', () => {
  it('leaves the hands free, and turns one mould at a time unless it takes more', () => {
    const found = planned(hollowKeycap('machine'))
    expect(found.compiled.perMix).toBe(1)
    const mixes = found.compiled.loads.flatMap((load) => load.mixes)
    for (const { done, tasks } of mixes) {
      const turn = tasks.find(({ what }) => what === 'turn')!
      expect(turn.by).toBe('machine')
      expect(done).toBeLessThan(turn.until)
    }
    for (const { mixes } of found.compiled.loads) {
      const turns = mixes.flatMap(({ begins, tasks }) =>
        tasks
          .filter(({ what }) => what === 'turn')
          .map(({ from, until }) => ({ from: begins + from, until: begins + until })),
      )
      for (const [i, { from }] of turns.slice(1).entries())
        expect(from).toBeGreaterThanOrEqual(turns[i].until)
    }
    expect(planned(hollowKeycap('machine'), { onMachine: 3 }).compiled.perMix).toBe(3)
  })
})

it('a cold room keeps it moving for longer', () => {
  const [warm, cold] = [296.15, 288.15].map((room) => {
    const { compiled } = planned(hollowKeycap('hands'), { room })
    return compiled.loads[0].mixes[0].done
  })
  expect(cold).toBeGreaterThan(warm * 1.3)
})

it('what lies on the bench for its plan is cautioned in its run: a warm mould, metal powder', () => {
  const pour = hollowKeycap('hands', { casts: 1, moulds: 1 })
  const layers = pour.layers.map((layer) => ({
    ...layer,
    hazards: [...layer.hazards, 'hot mould' as const, 'powder' as const],
  }))
  const { run, compiled } = planned({ ...pour, layers })
  const steps = runSteps(compiled.loads, run, {})
  const ids = steps.flatMap(({ safety }) => safety.map(({ id }) => id))
  // Each once, however many layers and moulds there are.
  for (const { hazards } of steps) expect(new Set(hazards).size).toBe(hazards.length)
  expect(ids).toEqual(expect.arrayContaining(['dust', 'hot-mould', 'turn-warm']))
})

describe('a metal skin in a run', () => {
  const skinned = (skin: MouldSkin) => {
    const pour = hollowKeycap('hands', {
      casts: 2,
      moulds: 2,
      prefills: 0,
      before: ['wipe', 'powder'].map((what) => usualCondition(what as ConditionName)),
    })
    const [first, ...later] = pour.layers
    return planned({ ...pour, layers: [{ ...first, skin }, ...later] })
  }
  const dusted = { powder: 'Bronze', dust: 0.002 }
  const face = { powder: 0.006, resin: 0.004 }

  it('its moulds are dusted with that powder alone, wiped and closed, before anything is mixed', () => {
    const { run, compiled } = skinned(dusted)
    const [load] = compiled.loads
    expect(load.conditioning.map(({ what, name, clings }) => [what, name, clings])).toEqual([
      ['wipe', undefined, undefined],
      ['powder', 'Bronze', 0.002 * load.moulds.length],
    ])
    const steps = runSteps(compiled.loads, run, {})
    const dusting = steps.find(({ condition }) => condition?.what === 'powder')!
    expect(dusting.hazards).toContain('powder')
    const order = steps.slice(0, steps.indexOf(dusting) + 2).map(({ step }) => step)
    expect(order).toEqual(['lay out', 'condition', 'close', 'condition', 'weigh'])
    expect(dusting.safety.map(({ id }) => id)).toContain('dusting')
    expect(steps.filter(({ step }) => step === 'face')).toEqual([])
  })

  it('its moulds are dusted before a solid foot is poured too', () => {
    const pour = hollowKeycap('hands', { casts: 1, moulds: 1, prefills: 0, before: [] })
    const [foot] = keycap().layers
    const [first, ...later] = pour.layers
    const layers = [foot, { ...first, skin: dusted, wait: foot.gel }, ...later]
    const { compiled } = planned({ ...pour, layers })
    expect(compiled.loads[0].conditioning).toMatchObject([{ name: 'Bronze', clings: 0.002 }])
  })

  it('half of the first shot is filled before it is poured, which costs of its pot life; the next is not', () => {
    const [plain, filled] = [dusted, { ...dusted, face }].map(skinned)
    const steps = runSteps(filled.compiled.loads, filled.run, {})
    const names = steps.filter(({ mix }) => mix === filled.compiled.loads[0].mixes[0])
    expect(names.map(({ step }) => step)).toEqual(['weigh', 'mix', 'face', 'fill', 'turn'])
    const [before, after] = [plain, filled].map(({ compiled }) => compiled.loads[0].mixes[0])
    expect(after.poured - before.poured).toBeGreaterThan(30)
    expect(faceOf(after)).toEqual({ name: 'Bronze', ...face })
    const second = filled.compiled.loads[0].mixes.find(({ layer }) => layer === 1)!
    expect(faceOf(second)).toBeUndefined()
    expect(second.tasks.some(({ what }) => what === 'face')).toBe(false)
  })
})

it('an offer in a slower resin waits for its slower gel below', () => {
  const pour = keycap()
  const [whole] = pour.layers
  const layers = [whole, { ...whole, wait: whole.gel }]
  const slow = {
    ...stirred,
    name: 'Slow',
    potLife: 4 * stirred.potLife,
    demould: 4 * stirred.demould!,
  }
  const law = lawOf(slow)
  const run = { ...newRun('Two layers'), windows: [{ from: 0, until: 86_399 }] }
  const offers = offersOf(run, [{ ...pour, layers }], bench, [{ resin: slow, law }])
  const found = offers.find(({ what }) => what === 'slower resin')!
  const slower = gelOf(law, run.room) / gelOf(whole.law, run.room)
  expect(slower).toBeGreaterThan(2)
  expect(found.then.until - run.begin).toBeGreaterThan(0.99 * slower * (whole.gel + whole.hard))
})

it('it is not turned in a pot: that is said, and it is left out', () => {
  const run: Run = { ...newRun('Hollow'), way: 'pressure' }
  const found = compileRun(run, [hollowKeycap('hands')], { ...bench, tools: { pot: usualAirPot } })
  expect(found.cautions.map(({ code, severity }) => `${severity} ${code}`)).toContain(
    'stop run-turned-pot',
  )
  expect(found.casts).toBe(0)
})

it('plugged and turned right after each pour, with its safety lines once', () => {
  const { run, compiled } = planned(hollowKeycap('hands', { casts: 1, moulds: 1 }))
  const steps = runSteps(compiled.loads, run, {})
  const order = steps.map(({ step }) => step)
  expect(order.filter((step) => step === 'fill' || step === 'turn')).toEqual([
    'fill',
    'turn',
    'fill',
    'turn',
  ])
  const turns = steps.filter(({ step }) => step === 'turn')
  expect(turns.map(({ safety }) => safety.map(({ id }) => id))).toEqual([
    ['turn-gloves', 'turn-plug'],
    [],
  ])
  expect(gelOfMix(compiled.loads[0].mixes[0], run)).toBe(Infinity)
})
