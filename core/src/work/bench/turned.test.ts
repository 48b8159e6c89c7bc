import { describe, expect, it } from 'vitest'
import { hollowKeycap } from '../run/samples.ts'
import type { Bench, BenchEvent } from './bench.ts'
import { toRead } from './before.ts'
import { cuesOf } from './cues.ts'
import { turningAt, turningNow } from './turning.ts'
import { clocksOf } from './clocks.ts'
import { press } from './press.ts'
import { progressOf, startOf } from './progress.ts'
import { pullsOf } from './record.ts'
import { after, bench, done, ofKind } from './samples.ts'

/** One hollow keycap in two shots, turned by hand. */
const hollow = (): Bench => {
  const { layers } = hollowKeycap('hands')
  const more = { casts: 1, moulds: 1, prefills: 0, spots: [], layers }
  const begun = bench({ way: 'none' }, more)
  return { ...begun, pours: begun.pours.map((pour) => ({ ...pour, layers: ['Body', 'Body'] })) }
}
const begun = hollow()
const [first, second] = ofKind(begun, 'turn')
/** Everything up to a task done, each thing a second after the other, from 1000 on. */
const upTo = (task: string): BenchEvent[] => {
  const events: BenchEvent[] = []
  for (const one of begun.tasks) {
    if (one.id === task) break
    const at = 1000 + events.length
    if (one.what === 'mix') events.push(done(startOf(one.id), at))
    events.push(done(one.id, at, one.what === 'weigh' ? one.mass : undefined))
  }
  return events
}

describe('turning at the bench', () => {
  const there = after(begun, ...upTo(first.id))
  const met = progressOf(there).met.get(first.mix)!
  it('comes right after the pour, twice, with its shot', () => {
    expect([first.shot, second.shot, first.of]).toEqual([1, 2, 2])
    expect(progressOf(there).task).toBe(first)
    expect(ofKind(begun, 'trim')).toEqual([])
  })

  it('its caution is read before the parts meet: then there is no time', () => {
    const mix = begun.tasks.find((task) => task.what === 'mix')!
    const ids = (task: Bench['tasks'][number]) => toRead(begun, task).map(({ id }) => id)
    expect(ids(mix)).toEqual(['smoking-cup', 'damp', 'turn-gloves', 'turn-plug'])
    const readThen = after(begun, { what: 'read', task: mix.id, at: 1 })
    expect(toRead(readThen, first)).toEqual([])
    // Who never mixed here reads it at the latest when it is turned.
    expect(ids(first)).toEqual(['turn-gloves', 'turn-plug'])
  })

  const read: BenchEvent = { what: 'read', task: first.id, at: 1050 }
  const turning = after(there, ...there.events, read)

  it('may not end while the resin runs, unless it is said twice', () => {
    expect(press(there, {}, { key: 'main' }, 1050).events).toEqual([read])
    const early = press(turning, {}, { key: 'main' }, 1060)
    expect(early.refusal).toMatchObject({ code: 'still-moves', left: met + first.stops - 1060 })
    expect(press(turning, {}, { key: 'main', again: true }, 1060).events).toHaveLength(1)
    const late = met + first.stops + 1
    expect(press(turning, {}, { key: 'main' }, late).refusal).toBeUndefined()
  })

  it('a clock runs until nothing moves, and each turn a side is called out', () => {
    expect(cuesOf(there).filter(({ when }) => when === 'lie')).toEqual([])
    const clock = clocksOf(turning).find(({ what }) => what === 'turn')!
    expect(clock.until).toBeCloseTo(met + first.stops)
    const calls = cuesOf(turning).filter(({ when }) => when === 'lie')
    expect(turningNow(turning, first)?.since).toBe(1050)
    expect(calls.slice(0, 3).map(({ at, lie }) => [at, lie])).toEqual([
      [1050, 'face'],
      [1060, 'left'],
      [1070, 'head'],
    ])
    expect(calls.at(-1)!.at).toBeLessThan(clock.until)
  })

  it('stands by what is called: it wets first, then counts, then nothing moves', () => {
    const at = (now: number) => turningAt(turning, progressOf(turning), first, now)!
    expect(at(1064)).toMatchObject({ lies: { now: 'left', next: 'head', left: 6 }, counts: false })
    const counts = met + first.counts
    expect(at(counts - 5).countsIn).toBeCloseTo(5)
    expect(at(counts + 1)).toMatchObject({ counts: true, countsIn: 0 })
    expect(at(met + first.stops + 9).left).toBe(0)
    // A machine is told nothing; an open mould is not laid on its head.
    for (const other of [{ by: 'machine' }, { closed: 'no' }] as const) {
      const tasks = turning.tasks.map((task) => (task === first ? { ...first, ...other } : task))
      const bench = { ...turning, tasks }
      const task = tasks.find(({ id }) => id === first.id) as typeof first
      expect(turningAt(bench, progressOf(bench), task, 1064)?.lies).toBeUndefined()
    }
  })

  it('both shots are one layer of the pull that it writes', () => {
    const whole = after(begun, ...upTo('none'))
    const [pull] = pullsOf(whole, { id: 'b', iso: () => '2026-12-01T10:00' })
    expect(pull.copies).toBe(1)
    expect(pull.layers.map(({ name }) => name)).toEqual(['Body'])
    const weighed = ofKind(begun, 'weigh').filter(({ part }) => part === 'A')
    const sum = weighed.reduce((all, { mass }) => all + mass, 0)
    expect(pull.layers[0].amounts.find(({ what }) => what === 'A')!.weighed).toBeCloseTo(sum, 9)
  })

  it('a metal skin is dusted, and its face stirred in before the mould is filled', () => {
    const { layers } = hollowKeycap('hands')
    const skin = { powder: 'Bronze', dust: 0.002, face: { powder: 0.006, resin: 0.004 } }
    const more = { casts: 1, moulds: 1, prefills: 0, spots: [], before: [] }
    const { tasks } = bench({ way: 'none' }, { ...more, layers: [{ ...layers[0], skin }] })
    const [dusting] = tasks.filter((task) => task.what === 'condition')
    expect(dusting).toMatchObject({ condition: 'powder', name: 'Bronze', clings: 0.002 })
    const at = (what: string) => tasks.findIndex((task) => task.what === what)
    expect(tasks[at('face')]).toMatchObject({ name: 'Bronze', powder: 0.006, resin: 0.004 })
    expect(at('face')).toBeGreaterThan(at('mix'))
    expect(at('face')).toBeLessThan(at('fill'))
  })
})
