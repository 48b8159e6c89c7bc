import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Bench, BenchEvent } from './bench.ts'
import { toRead } from './before.ts'
import { press, weighingNow, type BenchPress, type BenchReadings } from './press.ts'
import { progressOf, startOf } from './progress.ts'
import { bench, ofKind } from './samples.ts'
import type { TaskOf } from './tasks.ts'
import { inCupOf, isTooCoarse, weighedNow } from './weighing.ts'

const g = 1e-3
const settled = (value: number) => ({ scale: { value, steady: true, trusted: true } })

/** A person at a bench: keys, readings, and what stands. */
class AtBench {
  now = 1000
  constructor(public bench: Bench = anew()) {}
  press(key: BenchPress, readings: BenchReadings = {}) {
    const found = press(this.bench, readings, key, (this.now += 1))
    this.bench = { ...this.bench, events: [...this.bench.events, ...found.events] }
    return found
  }
  get task() {
    return progressOf(this.bench).task!
  }
  get weigh() {
    return this.task as TaskOf<'weigh'>
  }
  /** The large key until a task of this kind is at hand, by hand where something is weighed. */
  until(what: string, readings: BenchReadings = {}): this {
    for (let i = 0; i < 400 && this.task.what !== what; i++) {
      const byHand =
        this.task.what === 'weigh' ? weighedNow(this.bench, this.weigh, 0).target.mass : undefined
      this.press({ key: 'main' }, { ...readings, byHand })
    }
    expect(this.task.what).toBe(what)
    return this
  }
  read(): this {
    this.press({ key: 'main' })
    expect(toRead(this.bench, this.task)).toEqual([])
    return this
  }
}
const anew = () => bench()
const atWeighing = (of?: Bench) => new AtBench(of).until('weigh').read()

describe('a caution', () => {
  const others: BenchPress[] = [
    { key: 'steady' },
    { key: 'tare' },
    { key: 'as it is' },
    { key: 'other bottle' },
    { key: 'by hand' },
    { key: 'skip' },
    { key: 'tick', item: 'gloves' },
  ]
  it.each(others)('stands before the key "$key" until it was read', (key) => {
    const at = new AtBench().until('weigh')
    expect(at.press(key, settled(at.weigh.mass)).events).toEqual([])
    expect(toRead(at.bench, at.task).length).toBeGreaterThan(0)
  })

  it('is read by the large key alone, and that does nothing else', () => {
    const at = new AtBench().until('weigh')
    const { events } = at.press({ key: 'main' }, settled(at.weigh.mass))
    expect(events.map(({ what }) => what)).toEqual(['read'])
  })

  it('never stands behind a step that was done, whatever keys are pressed', () => {
    const keys = fc.constantFrom<BenchPress>(
      { key: 'main' },
      ...others,
      { key: 'lost' },
      { key: 'still pours' },
    )
    fc.assert(
      fc.property(
        fc.array(fc.tuple(keys, fc.double({ min: 0, max: 0.2, noNaN: true })), { maxLength: 60 }),
        (list) => {
          const at = new AtBench()
          for (const [key, value] of list) {
            const { task } = progressOf(at.bench)
            const unread = task ? toRead(at.bench, task) : []
            const { events } = at.press(key, settled(value))
            if (unread.length > 0 && events.length > 0) {
              expect(
                events.every(({ what }) => what === 'read' || what === 'lost' || what === 'kept'),
              ).toBe(true)
            }
          }
        },
      ),
      { numRuns: 60, seed: 1 },
    )
  })
})

describe('the scale', () => {
  const cup = 54.2 * g

  it('is tared at what it shows with its cup on: that is no resin', () => {
    const at = atWeighing()
    at.press({ key: 'tare' }, settled(cup))
    const found = weighingNow(at.bench, progressOf(at.bench), at.weigh, settled(cup + 3 * g))
    expect(found.toPlace).toBe(false)
    expect(found.inCup).toBeCloseTo(3 * g, 12)
  })

  it('is not tared before it has settled, nor without a cup unless it is meant', () => {
    const at = atWeighing()
    const moving = { scale: { value: 20 * g, steady: false, trusted: true } }
    expect(at.press({ key: 'tare' }, moving).refusal?.code).toBe('scale-moves')
    expect(at.press({ key: 'tare' }, settled(0)).refusal?.code).toBe('nothing-on-scale')
    expect(at.press({ key: 'tare', again: true }, settled(0)).events).toHaveLength(1)
    expect(at.press({ key: 'tare' }, {}).refusal?.code).toBe('scale-distrusted')
  })

  it('takes nothing while it moves, and less than wanted only as it is', () => {
    const at = atWeighing()
    at.press({ key: 'tare' }, settled(cup))
    const half = cup + at.weigh.mass / 2
    const moving = { scale: { value: cup + at.weigh.mass, steady: false, trusted: true } }
    expect(at.press({ key: 'main' }, moving).refusal?.code).toBe('scale-moves')
    expect(at.press({ key: 'main' }, settled(half)).refusal).toMatchObject({
      code: 'weight-to-go',
      toGo: expect.closeTo(at.weigh.mass / 2, 9),
    })
    expect(at.press({ key: 'steady' }, settled(half)).events).toEqual([])
    const [event] = at.press({ key: 'as it is' }, settled(half)).events
    expect(event).toMatchObject({ what: 'done', by: 'scale' })
  })

  it('jumping or falling it is not believed; by hand it goes on', () => {
    const at = atWeighing()
    at.press({ key: 'tare' }, settled(cup))
    const ill = { scale: { value: cup + at.weigh.mass, steady: true, trusted: false } }
    expect(at.press({ key: 'main' }, ill).refusal?.code).toBe('scale-distrusted')
    expect(at.press({ key: 'steady' }, ill).events).toEqual([])
    const byHand = at.weigh.mass
    expect(at.press({ key: 'main' }, { ...ill, byHand }).events[0]).toMatchObject({ by: 'hand' })
  })

  it('asks for its cup again after a part that was weighed on another: it does not know what lies in it', () => {
    const slow = bench({ way: 'none' })
    const at = atWeighing({
      ...slow,
      tasks: slow.tasks.map((task) =>
        task.what === 'weigh' ? { ...task, apart: 'mixing cup' } : task,
      ),
    })
    at.press({ key: 'tare' }, settled(cup))
    const first = at.weigh
    at.press({ key: 'main' }, { byHand: first.mass })
    expect(at.weigh.key).not.toBe(first.key)
    // The cup stands on the scale with A in it: tared, B counts from there.
    const onScale = cup + first.mass
    expect(weighingNow(at.bench, progressOf(at.bench), at.weigh, settled(onScale)).toPlace).toBe(
      true,
    )
    at.press({ key: 'main' }, settled(onScale))
    const found = weighingNow(at.bench, progressOf(at.bench), at.weigh, settled(onScale + 2 * g))
    expect(found.inCup).toBeCloseTo(2 * g, 12)
  })

  it('the other bottle counts as that part, and this one is still to come', () => {
    const at = atWeighing()
    at.press({ key: 'tare' }, settled(cup))
    const { key } = at.weigh
    const [event] = at.press({ key: 'other bottle' }, settled(cup + 5 * g)).events
    expect(event).not.toMatchObject({ task: at.weigh.id })
    expect(at.weigh.key).toBe(key)
  })
})

// Both by hand, as ratios of A to B: what a scale of that step takes as good must keep the ratio.
describe('what counts as good (by hand)', () => {
  const cup = (a: number, b: number, step: number): Bench => {
    const begun = bench()
    const masses: Record<string, number> = { A: a, B: b }
    return {
      ...begun,
      tasks: begun.tasks.map((task) =>
        task.what === 'weigh' ? { ...task, mass: masses[task.part] * g, step: step * g } : task,
      ),
    }
  }
  const weighed = (of: Bench, ...all: number[]): Bench => {
    const { tasks } = of
    const [a, b] = ofKind(of, 'weigh')
    const before = tasks
      .slice(0, tasks.indexOf(a))
      .map(({ id }) => ({ what: 'done', task: id, at: 0 }) as const)
    const events = all.map((mass, i) => {
      return { what: 'done', task: [a, b][i].id, at: i, weighed: mass * g, by: 'scale' } as const
    })
    return { ...of, events: [...before, ...events] }
  }

  it.each([
    [10, 5, 1, 11],
    [100, 10, 1, 101],
    [10, 5, 0.1, 10.1],
  ])(
    '%d + %d g at a step of %d g: B follows the %d g of A that are really in',
    (a, b, step, real) => {
      const of = weighed(cup(a, b, step), real)
      const second = ofKind(of, 'weigh')[1]
      const { target } = weighedNow(of, second, 0)
      expect(target.mass / g).toBeCloseTo((real * b) / a, 9)
      expect((target.high - target.low) / 2 / g).toBeCloseTo(
        Math.max((0.01 * target.mass) / g, step / 2),
        9,
      )
    },
  )

  it('a scale whose half step breaks the ratio is too coarse: 10 + 5 g on 1 g, not on 0.1 g', () => {
    const coarse = (step: number) =>
      ofKind(cup(10, 5, step), 'weigh')
        .slice(0, 2)
        .map(isTooCoarse)
    expect(coarse(1)).toEqual([true, true])
    expect(coarse(0.1)).toEqual([false, false])
  })

  it('a correction that goes past its own mark is corrected again: 21 + 11.5, A to 24, then 0.5 of B', () => {
    // 2:1, 20 + 10 planned. B at 11.5 asks for 23 of A; A at 24 asks for 12 of B.
    let of = weighed(cup(20, 10, 0.1), 21, 11.5)
    const { task } = progressOf(of)
    expect((task as TaskOf<'weigh'>).mass / g).toBeCloseTo(2, 9)
    const more: BenchEvent = { what: 'done', task: task!.id, at: 9, weighed: 3 * g, by: 'scale' }
    of = { ...of, events: [...of.events, more] }
    const next = progressOf(of).task as TaskOf<'weigh'>
    expect([next.what, next.key, next.mass / g]).toEqual(['weigh', 'B', expect.closeTo(0.5, 9)])
    of = { ...of, events: [...of.events, { ...more, task: next.id, weighed: 0.5 * g }] }
    expect(progressOf(of).task).not.toMatchObject({ what: 'weigh', mix: next.mix })
    const into = inCupOf(of, next.mix)
    expect(into.get('A')! / into.get('B')!).toBeCloseTo(2, 9)
  })
})

describe('a mould that is still wet', () => {
  // Alcohol is left alone for two minutes (common practice, no source).
  it('holds back the moment the parts meet, and no other; pressed again, it is meant so', () => {
    const wiped = bench({}, { before: [{ what: 'wipe', every: 1, hands: 15 }] })
    const at = new AtBench(wiped).until('weigh')
    const key = { key: 'main' } as const
    const byHand = () =>
      at.task.what === 'weigh' ? weighedNow(at.bench, at.weigh, 0).target.mass : undefined
    const weighed = new Set<string>()
    let found = at.press(key, { byHand: byHand() })
    while (!found.refusal) {
      if (at.task.what === 'weigh') weighed.add(at.task.id)
      found = at.press(key, { byHand: byHand() })
    }
    expect(found.refusal).toMatchObject({ code: 'still-wet', condition: 'wipe' })
    // Every part of its cup is weighed; they meet by this key.
    const { mix } = at.task as TaskOf<'mix'>
    expect(ofKind(at.bench, 'weigh').every((one) => one.mix !== mix || weighed.has(one.id))).toBe(
      true,
    )
    expect(progressOf(at.bench).met.has(mix)).toBe(false)
    expect(at.press({ key: 'steady' }, { byHand: byHand() }).events).toEqual([])
    expect(at.press({ ...key, again: true }, { byHand: byHand() }).events.length).toBeGreaterThan(0)
    expect(progressOf(at.bench).met.has(mix)).toBe(true)
  })

  it('dry, it holds nothing back', () => {
    const wiped = bench({}, { before: [{ what: 'wipe', every: 1, hands: 15 }] })
    const at = new AtBench(wiped).until('weigh')
    at.now += 120
    expect(at.until('fill').task.what).toBe('fill')
  })
})

describe('the pot', () => {
  it('is at pressure by its gauge, and opened when nothing is left on it', () => {
    const at = new AtBench().until('lid').read()
    at.press({ key: 'main' })
    const { gauge } = at.task as TaskOf<'lid'>
    expect(at.press({ key: 'main' }, { potGauge: 0.9 * gauge }).refusal?.code).toBe('pressure-low')
    const [event] = at.press({ key: 'main' }, { potGauge: gauge }).events
    expect(event).toMatchObject({ what: 'done', gauge })
    at.until('release', { potGauge: gauge }).read()
    expect(at.press({ key: 'main' }, { potGauge: gauge }).refusal?.code).toBe('pressure-left')
    expect(at.press({ key: 'main' }, { potGauge: 1000 }).events).toHaveLength(1)
  })
})

describe('a cup that no longer pours', () => {
  it('is lost by the large key, or goes on by its own; nothing else is pressed meanwhile', () => {
    const at = new AtBench().until('fill')
    if (toRead(at.bench, at.task).length > 0) at.read()
    at.now += 100_000
    for (const key of ['skip', 'tare', 'steady'] as const)
      expect(at.press({ key }).events).toEqual([])
    expect(at.press({ key: 'still pours' }).events[0].what).toBe('kept')
    expect(at.press({ key: 'lost' }).events).toEqual([])
    const again = new AtBench().until('fill')
    again.now += 100_000
    expect(again.press({ key: 'main' }).events[0].what).toBe('lost')
  })
})

it('the room is written down when things lie ready and when parts meet; warmth with what is felt', () => {
  const at = new AtBench().until('mix', { room: 294.15 })
  if (toRead(at.bench, at.task).length > 0) at.read()
  at.press({ key: 'main' }, { room: 295.15, humidity: 0.5 })
  expect(at.bench.events.filter(({ what }) => what === 'room')).toHaveLength(2)
  expect(at.bench.events.at(-1)).toMatchObject({ what: 'done', task: startOf(at.task.id) })
  const [felt] = at.press({ key: 'touch', mix: 0, mark: 'syrup' }, { cup: 320 }).events
  expect(felt).toMatchObject({ what: 'touched', mark: 'syrup', temperature: 320 })
})
