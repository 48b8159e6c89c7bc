import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readDocument } from '../../base/document/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { ratioTolerance } from '../../matter/mix/index.ts'
import { keycap } from '../run/samples.ts'
import { benchSchema, type Bench, type BenchEvent } from './bench.ts'
import { toRead } from './before.ts'
import { bindingClock, clockAt, clocksOf, isInTime, lateCup } from './clocks.ts'
import { cuesDue, cuesOf } from './cues.ts'
import { progressOf, startOf } from './progress.ts'
import { after, bench, done, ofKind } from './samples.ts'
import {
  addings,
  aroundWeighing,
  beginsCup,
  inCupOf,
  isTooCoarse,
  readableBand,
  weighedNow,
  zeroOf,
} from './weighing.ts'
import type { TaskKind, TaskOf } from './tasks.ts'

const g = 1e-3

describe('a run as a bench', () => {
  const begun = bench()

  it('is a document, and nothing of it is done', () => {
    expect(readDocument(benchSchema, begun)).toEqual(begun)
    expect(progressOf(begun).task).toBe(begun.tasks[0])
    expect(new Set(begun.tasks.map(({ id }) => id)).size).toBe(begun.tasks.length)
  })

  it('lays out, weighs, mixes, prefills open moulds, bands before it pours, shuts, cleans, holds, releases, takes out', () => {
    const kinds = [...new Set(begun.tasks.map(({ what }) => what))]
    expect(kinds).toEqual([
      'lay out',
      'weigh',
      'mix',
      'prefill',
      'band',
      'fill',
      'into pot',
      'lid',
      'clean',
      'hold',
      'release',
      'demould',
      'trim',
    ])
  })

  it('every cast of the run is poured once', () => {
    const casts = ofKind(begun, 'fill').reduce((sum, { mould }) => sum + mould.casts, 0)
    expect(casts).toBe(6)
  })

  it('a mould gets what it holds; the reserve is weighed with the mix and stays in the cup', () => {
    // A tray of three dice of 16 mm: 3 · 1.6³ ml.
    const tray = keycap()
    const layers = [{ ...tray.layers[0], volume: 12.288e-6, mass: 13.5 * g }]
    const dice = bench({}, { reserve: 0.1, layers })
    const filled = ofKind(dice, 'fill')
    expect(filled.map(({ volume }) => volume)).toEqual(filled.map(() => 12.288e-6))
    const weighed = ofKind(dice, 'weigh').reduce((sum, { mass }) => sum + mass, 0)
    const poured = filled.reduce((sum, { mass }) => sum + mass, 0)
    expect(weighed / poured).toBeCloseTo(1.1, 2)
  })

  it('parts of a fast mix are weighed into cups of their own, those of a slow one into one', () => {
    const fast = ofKind(begun, 'weigh').slice(0, 2)
    expect(fast.map(({ apart }) => apart)).toEqual(['mixing cup', 'own cup'])
    const slow = bench({ way: 'none' }, keycap({}, { ...sheets.deep, mixTime: 180 }))
    expect(new Set(ofKind(slow, 'weigh').map(({ apart }) => apart))).toEqual(
      new Set(['mixing cup']),
    )
  })

  it('one key ends one task; all keys end the run', () => {
    let now = begun
    for (let i = 0; i < begun.tasks.length; i++) {
      const { task } = progressOf(now)
      expect(task).toBe(begun.tasks[i])
      now = { ...now, events: [...now.events, done(task!.id, 1000 + i)] }
    }
    expect(progressOf(now).finished).toBe(true)
  })
})

describe('weighing', () => {
  const begun = bench()
  const [a, b] = ofKind(begun, 'weigh')

  it('is good within half of what the ratio bears, or half a step of a coarse scale', () => {
    const { target } = weighedNow(begun, a, 0)
    expect(target.mass).toBe(a.mass)
    expect(target.high - target.mass).toBeCloseTo(Math.max(0.01 * a.mass, a.step / 2), 12)
    expect(weighedNow(begun, a, a.mass).state).toBe('good')
    expect(weighedNow(begun, a, a.mass / 2).state).toBe('pouring')
    expect(weighedNow(begun, a, a.mass / 2).fills).toBeCloseTo(a.moulds / 2, 9)
    expect(weighedNow(begun, a, 0).state).toBe('empty')
  })

  it('each weight that the scale can show of its band is good, a step further none', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 3000 }),
        fc.constantFrom(1e-5, 1e-4, 1e-3),
        (n, step) => {
          const task = { ...a, step, mass: n * 1e-4 + 3e-5 }
          const of = { ...begun, tasks: begun.tasks.map((one) => (one === a ? task : one)) }
          const { target } = weighedNow(of, task, 0)
          const { low, high } = readableBand(target, step)
          const states = [low - step, low, high, high + step].map(
            (weight) => weighedNow(of, task, weight).state,
          )
          expect(states.map((state) => state === 'good')).toEqual([false, true, true, false])
        },
      ),
    )
  })

  it('past the mark the other part moves with it: by hand 1:1, 2 g more of A is 2 g more of B', () => {
    const over = weighedNow(begun, a, a.mass + 2 * g)
    expect(over.state).toBe('past')
    expect(over.past!.more[0].mass).toBeCloseTo((2 * g * b.mass) / a.mass, 9)
    const taken = after(begun, done(a.id, 1, a.mass + 2 * g))
    expect(weighedNow(taken, b, 0).target.mass).toBeCloseTo(((a.mass + 2 * g) * b.mass) / a.mass, 9)
  })

  it('the dye follows what went past after it, as far as a scale and an eye can tell', () => {
    const dye = {
      ...a,
      id: 'dye',
      part: 'tint' as const,
      key: 'tint-1',
      name: 'Dye',
      mass: 0.5 * g,
    }
    const fine = { ...dye, step: 0.01 * g }
    const coloured = (tint: typeof dye) => ({
      ...begun,
      tasks: begun.tasks.flatMap((one) => (one === b ? [tint, b] : [one])),
    })
    const weighed = (of: Bench, share: number) =>
      after(of, done(a.id, 1, a.mass), done('dye', 2, 0.5 * g), done(b.id, 3, share * b.mass))
    const added = (of: Bench) =>
      addings(of)
        .filter(({ id }) => id.endsWith(' more'))
        .map((task) => [task.id, (task as typeof dye).mass / g])
    expect(added(weighed(coloured(fine), 1.3))).toEqual([
      [`${a.id} more`, expect.closeTo((0.3 * a.mass) / g, 6)],
      ['dye more', expect.closeTo(0.15, 6)],
    ])
    // A twentieth more is not seen; on a scale that reads to 1 g it is not shown either.
    expect(added(weighed(coloured(fine), 1.05)).map(([id]) => id)).toEqual([`${a.id} more`])
    const coarse = { ...dye, step: 1 * g }
    expect(added(weighed(coloured(coarse), 1.3)).map(([id]) => id)).toEqual([`${a.id} more`])
    const past = weighedNow(
      after(coloured(fine), done(a.id, 1, a.mass), done('dye', 2, 0.5 * g)),
      b,
      1.3 * b.mass,
    )
    expect(past.past!.more.map(({ name }) => name)).toEqual([a.name, 'Dye'])
  })

  // B always follows what A really weighs; a scale that can't show it asks for a finer one instead.
  it('of a thousand random mixes none that is good is off by more than its ratio bears', () => {
    let good = 0
    let tooCoarse = 0
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 10, noNaN: true }),
        fc.double({ min: 2 * g, max: 500 * g, noNaN: true }),
        fc.constantFrom(0.01 * g, 0.1 * g, 0.5 * g, 1 * g),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (ratio, all, step, ofA, ofB) => {
          const parts = [
            { ...a, step, mass: (all * ratio) / (1 + ratio) },
            { ...b, step, mass: all / (1 + ratio) },
          ] as const
          const of = {
            ...begun,
            tasks: begun.tasks.map((one) => (one === a ? parts[0] : one === b ? parts[1] : one)),
          }
          if (parts.some(isTooCoarse)) return void tooCoarse++
          // Anything that the scale can show and the bench takes.
          const weighIn = (of: Bench, part: TaskOf<'weigh'>, share: number) => {
            const { low, high } = readableBand(weighedNow(of, part, 0).target, step)
            const shown = Math.round((low + share * (high - low)) / step) * step
            expect(weighedNow(of, part, shown).state).toBe('good')
            return shown
          }
          const first = weighIn(of, parts[0], ofA)
          const second = weighIn(after(of, done(a.id, 1, first)), parts[1], ofB)
          expect(Math.abs((second * ratio) / first - 1)).toBeLessThanOrEqual(ratioTolerance)
          good++
        },
      ),
      { numRuns: 1000 },
    )
    expect(good).toBeGreaterThan(500)
    expect(tooCoarse).toBeGreaterThan(20)
  })

  it('says when the cup no longer stirs what that makes', () => {
    expect(weighedNow(begun, a, a.mass + 1 * g).past!.fits).toBe(true)
    expect(weighedNow(begun, a, 20 * a.mass).past!.fits).toBe(false)
  })

  it('taken short, the other part is less too, fewer moulds are filled, and all of them are offered', () => {
    const taken = after(begun, done(a.id, 1, 0.6 * a.mass))
    const { target, short } = weighedNow(taken, b, 0)
    expect(target.mass).toBeCloseTo(0.6 * b.mass, 9)
    expect(short!.moulds).toBe(Math.floor(0.6 * b.moulds))
    expect(short!.mass).toBeCloseTo(b.mass, 12)
    expect(short!.more).toEqual([
      { name: a.name, mass: expect.closeTo(0.4 * a.mass, 12) as number },
    ])
    // Poured on to that, the rest of the first part is what is missing.
    const { past } = weighedNow(taken, b, b.mass)
    expect(past!.more[0].mass).toBeCloseTo(0.4 * a.mass, 12)
    expect(weighedNow(after(begun, done(a.id, 1, a.mass)), b, 0).short).toBeUndefined()
  })

  it('past the mark with the second part: the first gets the rest, as a task of its own', () => {
    const over = after(
      begun,
      done(begun.tasks[0].id, 0),
      done(a.id, 1, a.mass),
      done(b.id, 2, 1.2 * b.mass),
    )
    const { task } = progressOf(over)
    expect(task).toMatchObject({ what: 'weigh', key: a.key })
    expect((task as TaskOf<'weigh'>).mass).toBeCloseTo(0.2 * a.mass, 9)
    const right = after(begun, ...over.events, done(task!.id, 3, 0.2 * a.mass))
    expect(inCupOf(right, a.mix).get('A')).toBeCloseTo(1.2 * a.mass, 9)
    // Nothing more is asked for.
    expect(progressOf(right).task).not.toMatchObject({ what: 'weigh', mix: a.mix })
  })
})

describe('clocks', () => {
  const begun = bench()
  const [mix] = ofKind(begun, 'mix')
  const before = begun.tasks.slice(0, begun.tasks.indexOf(mix))
  const mixed = (at: number, ...more: BenchEvent[]) =>
    after(
      begun,
      ...before.map(({ id }) => done(id, at - 100)),
      { what: 'done', task: startOf(mix.id), at },
      ...more,
    )

  it('begin when the parts meet', () => {
    expect(clocksOf(begun)).toEqual([])
    const names = clocksOf(mixed(1000)).map(({ what }) => what)
    expect(names).toContain('stir')
    expect(names).toContain('pours')
    expect(names).toContain('pressure by')
    const pours = clocksOf(mixed(1000)).find(({ what }) => what === 'pours')!
    expect(pours.until).toBeCloseTo(1000 + mix.pours, 6)
  })

  it('the one that binds is the first deadline, and a wait only where nothing is lost by time', () => {
    const wait = { what: 'next mix', id: 'a', from: 0, until: 10, kind: 'wait' } as const
    const gels = { what: 'gels', id: 'b', from: 0, until: 99, kind: 'deadline' } as const
    expect(bindingClock([wait, gels])).toBe(gels)
    expect(bindingClock([wait])).toBe(wait)
  })

  it('amber from four fifths, red at the end; what only has to pass never is', () => {
    const clock = { what: 'pours', id: 'x', from: 0, until: 100, kind: 'deadline' } as const
    expect([79, 81, 101].map((now) => clockAt(clock, now).state)).toEqual(['calm', 'amber', 'red'])
    expect(clockAt({ ...clock, kind: 'wait' }, 101).state).toBe('calm')
  })

  it('a pot at pressure is in time before its key is pressed: the gauge decides', () => {
    const running = mixed(1000)
    const by = clocksOf(running).find(({ what }) => what === 'pressure by')!
    const { gauge } = ofKind(running, 'lid')[0]
    expect(isInTime(running, by, gauge)).toBe(true)
    expect(isInTime(running, by, 0.5 * gauge)).toBe(false)
    // A gauge that is silent decides nothing.
    expect(isInTime(running, by, undefined)).toBe(false)
    expect(clocksOf(running).filter((one) => isInTime(running, one, gauge))).toEqual([by])
  })

  it('a cup that no longer pours with moulds still empty asks whether it is lost', () => {
    const running = mixed(1000)
    expect(lateCup(running, 1000 + mix.pours - 1)).toBeUndefined()
    const late = lateCup(running, 1000 + mix.pours + 60)
    expect(late).toEqual({ mix: mix.mix, since: 60 })
    const lost = mixed(1000, { what: 'lost', mix: mix.mix, at: 1500 })
    expect(progressOf(lost).task).not.toMatchObject({ mix: mix.mix })
    expect(clocksOf(lost).some(({ what }) => what === 'pours')).toBe(false)
    const kept = mixed(1000, { what: 'kept', mix: mix.mix, at: 1500 })
    expect(lateCup(kept, 1000 + mix.pours + 60)).toBeUndefined()
  })

  it('are the same after a restart: they follow from what was recorded alone', () => {
    const running = mixed(1000, done(mix.id, 1030))
    const again = readDocument(benchSchema, JSON.parse(JSON.stringify(running)))
    expect(clocksOf(again)).toEqual(clocksOf(running))
  })

  it('are spoken half a minute ahead, at amber and at their end, each once', () => {
    const cues = cuesOf(mixed(1000))
    const pours = cues.filter(({ clock }) => clock.what === 'pours')
    expect(pours.map(({ when }) => when)).toContain('over')
    const lid = cues.find(({ clock, when }) => clock.what === 'pressure by' && when === 'ahead')!
    expect(lid.at).toBeCloseTo(lid.clock.until - 30, 9)
    const heard = Array.from({ length: 400 }, (_, i) => cuesDue(cues, 1000 + i, 1001 + i)).flat()
    const due = cues.filter(({ at }) => at > 1000 && at <= 1400)
    expect(heard).toEqual(due)
  })

  it('after a long sleep only the last minute is said', () => {
    const cues = cuesOf(mixed(1000))
    expect(cuesDue(cues, 1000, 1e6)).toEqual([])
  })
})

describe('cautions at the bench', () => {
  const begun = bench()
  const first = (kind: TaskKind) => begun.tasks.find(({ what }) => what === kind)!
  const ids = (of: Bench, kind: TaskKind) => toRead(of, first(kind)).map(({ id }) => id)
  const readAt = (kind: TaskKind): BenchEvent => ({ what: 'read', task: first(kind).id, at: 1 })

  it('gloves before the first bottle, the pot before its lid, the release before it is opened, the flame before the pour', () => {
    expect(ids(begun, 'weigh')).toEqual(['gloves', 'bystanders', 'isocyanate'])
    expect(ids(begun, 'lid')).toEqual(['pressure'])
    expect(ids(begun, 'release')).toEqual(['release'])
    // The prefill is the first that is poured.
    expect(ids(begun, 'prefill')).toContain('flame')
  })

  it('are read once, those of the pot in every load again', () => {
    expect(ids(after(begun, readAt('prefill')), 'fill')).toEqual([])
    expect(ids(after(begun, readAt('weigh')), 'weigh')).toEqual([])
    const again = bench({ perMix: 1 }, { casts: 6, moulds: 2 })
    const lids = ofKind(again, 'lid')
    expect(lids.length).toBeGreaterThan(1)
    const once = after(again, { what: 'read', task: lids[0].id, at: 1 })
    expect(toRead(once, lids[0])).toEqual([])
    expect(toRead(once, lids[1]).map(({ id }) => id)).toEqual(['pressure'])
  })
})

describe('the scale’s zero', () => {
  const slow = bench({ way: 'none' }, keycap({}, { ...sheets.deep, mixTime: 180 }))
  const [a, b] = ofKind(slow, 'weigh')

  it('a cup is put on and tared once; what was poured before is not of the next part', () => {
    expect(beginsCup(slow, a)).toBe(true)
    expect(beginsCup(slow, b)).toBe(false)
    expect(zeroOf(slow, a)).toBeUndefined()
    const tared = after(slow, { what: 'tared', task: a.id, at: 1 })
    expect(zeroOf(tared, a)).toBe(0)
    const first = after(slow, ...tared.events, done(a.id, 2, 0.05))
    expect(zeroOf(first, b)).toBeCloseTo(0.05, 12)
    // Tared in between, the scale begins at nothing again.
    expect(zeroOf(after(slow, ...first.events, { what: 'tared', task: b.id, at: 3 }), b)).toBe(0)
  })

  it('past the mark the next part is shown as much larger at once', () => {
    const [first, second] = ofKind(bench(), 'weigh')
    const { next } = aroundWeighing(bench(), first, 1.2 * first.mass)
    expect(next!.id).toBe(second.id)
    expect(next!.mass).toBeCloseTo(1.2 * second.mass, 9)
    expect(aroundWeighing(bench(), first, 0.5 * first.mass).next!.mass).toBeCloseTo(second.mass, 9)
    // What is in already is not next.
    const in_ = after(bench(), done(second.id, 1, 0.5 * second.mass))
    expect(aroundWeighing(in_, first, 0).next).toBeUndefined()
  })

  it('the cup holds what was poured before, and waits for the rest', () => {
    const first = after(slow, { what: 'tared', task: a.id, at: 1 }, done(a.id, 2, 0.05))
    expect(aroundWeighing(slow, a)).toMatchObject({ before: 0, after: b.mass, next: { id: b.id } })
    expect(aroundWeighing(first, b)).toMatchObject({ before: 0.05, after: 0, next: undefined })
  })

  it('what is weighed apart, and what is added later, has its cup put on again', () => {
    const fast = bench()
    const [, own] = ofKind(fast, 'weigh')
    expect(beginsCup(fast, own)).toBe(true)
    const [one] = ofKind(fast, 'weigh')
    const over = after(fast, { what: 'tared', task: one.id, at: 1 }, done(one.id, 2, one.mass))
    expect(zeroOf(over, own)).toBeUndefined()
    const more = { ...one, id: `${one.id} more` }
    expect(zeroOf(over, more)).toBeUndefined()
  })
})
