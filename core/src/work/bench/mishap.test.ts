import { describe, expect, it } from 'vitest'
import { firmPlatinum } from '../../matter/material/samples.ts'
import { compileMould } from '../../mould/index.ts'
import { block60, geometryOfSolid, sampleMould } from '../../mould/samples.ts'
import type { Bench, BenchEvent } from './bench.ts'
import { clocksOf, lateCup } from './clocks.ts'
import { benchOfMould } from './fromMould.ts'
import { mishapsNow, toTopUp } from './mishap.ts'
import { mishapCases, type Mishap } from './mishapCases.ts'
import { press } from './press.ts'
import { progressOf, startOf } from './progress.ts'
import { pullsOf } from './record.ts'
import { after, bench, done, ofKind } from './samples.ts'

const known = (of: Bench, mishap: Mishap, now: number) =>
  mishapsNow(of, now).find((one) => one.mishap === mishap)!

/** All done up to the first fill of a load of keycaps, its parts met at 1000 s. */
const pouring = (): Bench => {
  const of = bench()
  const until = of.tasks.findIndex(({ what }) => what === 'fill')
  const events = of.tasks.slice(0, until).flatMap((task): BenchEvent[] => {
    const weighed = task.what === 'weigh' ? task.mass : undefined
    const met = task.what === 'mix' ? [done(startOf(task.id), 1000)] : []
    return [...met, done(task.id, task.what === 'mix' ? 1030 : 1000, weighed)]
  })
  return after(of, ...events)
}

describe('what goes wrong at a pour', () => {
  const of = pouring()
  const [mix] = ofKind(of, 'mix')
  const fills = ofKind(of, 'fill').filter((fill) => fill.mix === 0)

  it('offers the cases of a pour, those of the task at hand first, and none of silicone', () => {
    const cases = mishapsNow(of, 1040)
    const names = cases.map(({ mishap }) => mishap)
    expect(names).not.toContain('master rises')
    expect(names).toEqual(expect.arrayContaining(['seam leaks', 'pressure lost', 'cup smokes']))
    const likely = cases.map((one) => one.likely)
    expect(likely.lastIndexOf(true)).toBeLessThan(likely.indexOf(false))
    expect(cases.filter((one) => one.likely).map(({ mishap }) => mishap)).toContain(
      'turns to syrup',
    )
  })

  it('says how long the cup still pours, and which moulds would be lost', () => {
    const syrup = known(of, 'turns to syrup', 1040)
    expect(syrup.left).toBeCloseTo(mix.pours - 40, 9)
    expect(syrup.open).toEqual({
      moulds: fills.length,
      casts: fills.length,
      mass: fills.reduce((sum, { mass }) => sum + mass, 0),
    })
    const one = after(of, ...of.events, done(fills[0].id, 1050))
    expect(known(one, 'turns to syrup', 1060).open!.moulds).toBe(fills.length - 1)
  })

  // 80 % of the gel of what is in the mould: after it pressure no longer presses bubbles small.
  it('pressure is put on again until four fifths of the gel', () => {
    expect(known(of, 'pressure lost', 1040).left).toBeCloseTo(
      0.8 * (mix.gelInMould ?? mix.gel) - 40,
      9,
    )
  })

  it('a cure that is slow names what speaks for its cause: cold, ratio, stirring', () => {
    expect(known(of, 'slow cure', 3000).causes).toEqual([])
    const [a] = ofKind(of, 'weigh')
    const events = of.events.map((event): BenchEvent =>
      event.what === 'done' && event.task === a.id ? { ...event, weighed: a.mass * 1.06 } : event,
    )
    const off: Bench = {
      ...of,
      events: [{ what: 'room', at: 900, room: of.room - 4 }, ...events],
    }
    expect(known(off, 'slow cure', 3000)).toMatchObject({ age: 2000, causes: ['cold', 'ratio'] })
    const short = after(
      of,
      ...of.events.map((event): BenchEvent =>
        event.what === 'done' && event.task === mix.id ? { ...event, at: 1010 } : event,
      ),
    )
    expect(known(short, 'slow cure', 3000).causes).toEqual(['stirred short'])
  })

  it('a key writes it down with its mould; the log tells it of that mould’s pull alone', () => {
    const filled = after(of, ...of.events, done(fills[0].id, 1060))
    const wrong = press(
      filled,
      {},
      { key: 'wrong', mishap: 'seam leaks', did: 'more bands', mix: 0 },
      1095,
    )
    expect(wrong.events).toEqual([
      {
        what: 'wrong',
        at: 1095,
        mishap: 'seam leaks',
        did: 'more bands',
        mix: 0,
        mould: fills[0].mould.key,
      },
    ])
    const [pull] = pullsOf(after(filled, ...filled.events, ...wrong.events), {
      id: 'b',
      iso: (at) => new Date(at * 1000).toISOString(),
    })
    expect(pull.mishaps).toEqual([{ what: 'seam leaks', did: 'more bands', at: 95 }])
    const elsewhere = { ...wrong.events[0], mould: 'other/1' } as BenchEvent
    const [other] = pullsOf(after(filled, ...filled.events, elsewhere), {
      id: 'b',
      iso: (at) => new Date(at * 1000).toISOString(),
    })
    expect(other.mishaps).toEqual([])
  })

  it('a small cup for tight places that is stopped at leaves its moulds to be closed and filled', () => {
    const small = bench({ prefill: 'small mix' })
    const until = small.tasks.findIndex(({ what }) => what === 'prefill')
    const events = small.tasks
      .slice(0, until)
      .flatMap((task): BenchEvent[] => [
        ...(task.what === 'mix' ? [done(startOf(task.id), 1000)] : []),
        done(task.id, 1030, task.what === 'weigh' ? task.mass : undefined),
      ])
    const at = after(small, ...events)
    const wrong = { mishap: 'turns to syrup', did: 'stop here', mix: 0 } as const
    const stop = press(at, {}, { key: 'wrong', ...wrong }, 1050)
    const { task } = progressOf(after(at, ...at.events, ...stop.events))
    expect(task?.what).toBe('band')
  })

  it('a cup that is stopped at fills nothing more', () => {
    const stop = press(
      of,
      {},
      { key: 'wrong', mishap: 'turns to syrup', did: 'stop here', mix: 0 },
      1050,
    )
    const { task, lost } = progressOf(after(of, ...of.events, ...stop.events))
    expect(lost.has(0)).toBe(true)
    expect(task?.what === 'fill' && task.mix === 0).toBe(false)
  })
})

describe('what goes wrong at a mould', () => {
  const mould = sampleMould({ masterMass: 0.03 })
  const compiled = compileMould(mould, geometryOfSolid(block60), firmPlatinum, 1e-4)
  const of = benchOfMould({
    ...{ id: 'm', revision: 1, mould, compiled },
    ...{ silicone: firmPlatinum, room: 294, step: 1e-4 },
  })

  it('a master that rises is held down by what its own steps say', () => {
    expect(known(of, 'master rises', 0).hold).toBe(compiled.weightOnTop)
    expect(compiled.weightOnTop).toBeGreaterThan(0)
  })

  // The box of a block 60 x 40 mm with 10 mm beside it is 80 x 60 mm: 5 mm bare and 10 mm over it
  // are 72 ml, at the silicone's own density 72 ml x 1.11 g/ml or what its two parts weigh together.
  it('how much covers a tip that is bare follows from the floor of the box', () => {
    const { volume, mass } = toTopUp(of, 0.005)!
    const { width, depth } = compiled.box!
    expect(volume).toBeCloseTo(width * depth * 0.015, 12)
    expect(mass / volume).toBeGreaterThan(1000)
    expect(mass / volume).toBeLessThan(1300)
    expect(toTopUp(bench(), 0.005)).toBeUndefined()
  })

  it('of an outline box it follows from the outline, not from what stands around it', () => {
    const outline = sampleMould({ masterMass: 0.03, box: { ...mould.box, shape: 'round' } })
    const round = compileMould(outline, geometryOfSolid(block60), firmPlatinum, 1e-4)
    const bench = benchOfMould({
      ...{ id: 'm', revision: 1, mould: outline, compiled: round },
      ...{ silicone: firmPlatinum, room: 294, step: 1e-4 },
    })
    const { box } = round
    expect(toTopUp(bench, 0.005)!.volume).toBeCloseTo(box!.areaAt(box!.height) * 0.015, 12)
  })

  it('its pot life runs from the mixing until it is poured, and then no more; nothing asks whether it is lost', () => {
    const [mix] = ofKind(of, 'mix')
    const at = of.tasks.indexOf(mix)
    const begun = of.tasks.slice(0, at).map((task) => done(task.id, 1000, 0.01))
    const mixed = after(of, ...begun, done(startOf(mix.id), 1000), done(mix.id, 1200))
    const pours = (bench: Bench) => clocksOf(bench).find(({ what }) => what === 'pours')
    expect(pours(mixed)).toMatchObject({ until: 1000 + firmPlatinum.potLife, kind: 'deadline' })
    expect(known(mixed, 'box leaks', 1300).left).toBe(firmPlatinum.potLife - 300)
    expect(lateCup(mixed, 1e6)).toBeUndefined()
    const poured = after(mixed, ...mixed.events, done(of.tasks[at + 1].id, 1500))
    expect(pours(poured)).toBeUndefined()
  })

  it('offers nothing of a pour', () => {
    const names = mishapsNow(of, 0).map(({ mishap }) => mishap)
    expect(names).toContain('box leaks')
    expect(names).not.toContain('seam leaks')
  })
})

it('every case has something that can be done', () => {
  for (const remedies of Object.values(mishapCases)) expect(remedies.length).toBeGreaterThan(0)
})
