import { describe, expect, it } from 'vitest'
import { usualAirPot } from '../../matter/air/index.ts'
import { readDocument } from '../../base/document/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { pullSchema, ratioErrors } from '../pull/index.ts'
import { keycap } from '../run/samples.ts'
import type { Bench, BenchEvent } from './bench.ts'
import { clocksOf } from './clocks.ts'
import { cuesOf } from './cues.ts'
import { progressOf, startOf } from './progress.ts'
import { pullsOf, takenTasks } from './record.ts'
import { after, bench, done, ofKind } from './samples.ts'

describe('the log that a bench writes', () => {
  const begun = bench()
  /** All of it, key after key, ten seconds apart; weighings as `by` says. */
  const carriedOut = (of: Bench, by: (part: string) => number = () => 1): Bench => {
    let now = of
    let at = 5000
    for (let i = 0; i < 500; i++) {
      const { task } = progressOf(now)
      if (!task) break
      at += 10
      const more: BenchEvent[] =
        task.what === 'mix' ? [{ what: 'done', task: startOf(task.id), at: at - 9 }] : []
      const weighed = task.what === 'weigh' ? task.mass * by(task.key) : undefined
      now = { ...now, events: [...now.events, ...more, done(task.id, at, weighed)] }
    }
    return now
  }
  const around = { id: 'b1', iso: (at: number) => new Date(at * 1000).toISOString() }

  it('writes a pull for each load, with every cast, what was weighed, and when', () => {
    const pulls = pullsOf(carriedOut(begun), around)
    expect(pulls.reduce((sum, { copies }) => sum + copies, 0)).toBe(6)
    for (const pull of pulls) {
      expect(readDocument(pullSchema, pull)).toMatchObject({ plan: 'l', mould: 'm', bench: 'b1' })
      expect(pull.results).toHaveLength(pull.copies)
      expect(pull.method).toMatchObject({ way: 'pressure', pressure: usualAirPot.gauge, bands: 2 })
      expect(pull.method!.prefilled).toBe(pull.method!.prefills)
      expect(pull.times!.full).toBeGreaterThan(0)
      // Each copy knows when its own mould was full: the first before the last.
      const full = pull.results!.map((one) => one.full!)
      expect(Math.max(...full)).toBe(pull.times!.full)
      expect(full[0]).toBeGreaterThan(0)
      if (pull.copies > 1) expect(full[0]).toBeLessThan(pull.times!.full!)
      expect(pull.times!.atPressure).toBeGreaterThan(pull.times!.full!)
    }
  })

  it('powder and release are written of a pull only where they were carried out in it', () => {
    const before = [
      { what: 'release' as const, every: 1, hands: 30 },
      { what: 'powder' as const, every: 0, hands: 20 },
    ]
    const of = bench({ perMix: 1, loadsPerDay: 9 }, { casts: 2, moulds: 1, before })
    const pours = of.pours.map((pour) => ({ ...pour, dust: 'talc', release: 'spray' }))
    const methods = pullsOf(carriedOut({ ...of, pours }), around).map(({ method }) => method)
    expect(methods.map((one) => [one!.dust, one!.release])).toEqual([
      ['talc', 'spray'],
      ['none', 'spray'],
    ])
    // A bench without such tasks tells what the setup was.
    const plain = { ...bench(), pours }
    expect(pullsOf(carriedOut(plain), around)[0].method).toMatchObject({ dust: 'talc' })
  })

  it('out rubbery for its gates, laid flat until it is hard, and not early; never out of a pot', () => {
    const [layer] = keycap().layers
    const trim = 0.6 * layer.hard
    const of = (way: 'none' | 'pressure') =>
      bench({ way, room: layer.room }, { casts: 1, layers: [{ ...layer, trim }], prefills: 0 })
    const open = of('none')
    const [demould] = ofKind(open, 'demould')
    const [gates] = ofKind(open, 'trim')
    expect(demould.at).toBeCloseTo(trim, 6)
    expect(gates.flat).toBeCloseTo(layer.hard, 6)
    const begun = carriedOut(open).events.filter(
      (event) => event.what !== 'done' || event.task !== gates.id,
    )
    const clock = clocksOf(after(open, ...begun)).find(({ what }) => what === 'flat')!
    expect(clock.until - clock.from).toBeCloseTo(layer.hard, 6)
    // Its time is when its gates were to be cut: at that moment it is not out early.
    expect(pullsOf(carriedOut(open), around)[0].times!.hard).toBeCloseTo(trim, 6)
    const pot = of('pressure')
    expect(ofKind(pot, 'demould')[0].at).toBeCloseTo(layer.hard, 6)
    expect(ofKind(pot, 'trim')[0].flat).toBeUndefined()
  })

  it('what is wiped is left alone until it is dry, and no longer shown once resin is mixed', () => {
    const of = bench({}, { before: [{ what: 'wipe', every: 1, hands: 15 }] })
    const [wipe] = ofKind(of, 'condition')
    const dries = (events: BenchEvent[]) =>
      clocksOf(after(of, ...events)).filter(({ what }) => what === 'dries')
    expect(dries([])).toEqual([])
    expect(dries([done(wipe.id, 1000)])).toMatchObject([{ from: 1000, until: 1120, kind: 'wait' }])
    const [mix] = ofKind(of, 'mix')
    expect(dries([done(wipe.id, 1000), done(startOf(mix.id), 1200)])).toEqual([])
    // What follows was waited for: it says nothing of how fast hands close a mould.
    const [band] = ofKind(of, 'band')
    const events = [done(wipe.id, 1000), done(band.id, 1150)]
    expect(takenTasks(after(of, ...events)).map(({ task }) => task.id)).toEqual([])
  })

  it('what went into its moulds is what was weighed: nothing is lost between two pieces of a cup', () => {
    const all = carriedOut(begun)
    const weighed = all.events.reduce(
      (sum, event) => sum + (event.what === 'done' ? (event.weighed ?? 0) : 0),
      0,
    )
    const written = pullsOf(all, around)
      .flatMap(({ layers }) => layers.flatMap(({ amounts }) => amounts))
      .reduce((sum, amount) => sum + amount.weighed!, 0)
    expect(written).toBeCloseTo(weighed, 9)
  })

  it('a part that was 4 % over stands in the log as it was', () => {
    const [pull] = pullsOf(
      carriedOut(begun, (key) => (key === 'B' ? 1.04 : 1)),
      around,
    )
    // The A that made it right again is in it too.
    expect(ratioErrors(pull)[0]).toBeCloseTo(0, 9)
    expect(pull.layers[0].amounts[1].weighed).toBeCloseTo(
      1.04 * pull.layers[0].amounts[1].planned,
      9,
    )
  })

  it('a lost cup leaves no pull', () => {
    const [mix] = ofKind(begun, 'mix')
    const upTo = begun.tasks.slice(0, begun.tasks.indexOf(mix)).map(({ id }) => done(id, 10))
    const lost = carriedOut(
      after(
        begun,
        ...upTo,
        { what: 'done', task: startOf(mix.id), at: 20 },
        { what: 'lost', mix: mix.mix, at: 400 },
      ),
    )
    const casts = ofKind(begun, 'fill')
      .filter((task) => task.mix !== mix.mix)
      .reduce((sum, { mould }) => sum + mould.casts, 0)
    expect(pullsOf(lost, around).reduce((sum, { copies }) => sum + copies, 0)).toBe(casts)
  })

  it('knows how long hands took', () => {
    const taken = takenTasks(carriedOut(begun)).filter(({ task }) => task.what === 'fill')
    expect(taken.length).toBeGreaterThan(2)
    expect(taken.every((one) => one.taken === 10)).toBe(true)
  })

  it('notes and photos of the bench are the pull’s', () => {
    const picture = 'a'.repeat(64)
    const noted = [
      { what: 'noted', at: 10, text: 'It froths', picture } as const,
      { what: 'noted', at: 11, text: 'Again', picture } as const,
    ]
    const [pull] = pullsOf(carriedOut(after(begun, ...noted)), around)
    expect(pull.note).toBe('It froths\nAgain')
    expect(pull.pictures).toEqual([{ id: picture, name: 'Bench 1' }])
  })

  it('the last room that was measured is the pull’s', () => {
    const measured = { what: 'room', at: 10, room: 297.15, humidity: 0.6 } as const
    const [pull] = pullsOf(carriedOut(after(begun, measured)), around)
    expect([pull.room, pull.humidity]).toEqual([297.15, 0.6])
  })
})

describe('a piece in layers', () => {
  /** Two layers of a slow epoxy, the second four hours after the first; a star on the gel, a rod after the pour. */
  const slow = keycap({}, { ...sheets.deep, mixTime: 180 })
  const [layer] = slow.layers
  const hours = 3600
  const sets = [
    { name: 'Brass star', count: 3, how: 'on the gel', from: 0, until: 600 },
    { name: 'Rod', count: 1, how: 'jig', from: 700, until: 5 * hours },
  ] as const
  const layered = bench(
    { way: 'none', room: 294.15 },
    {
      ...slow,
      casts: 1,
      prefills: 0,
      spots: [],
      layers: [layer, { ...layer, name: 'Cover', wait: 4 * hours, sets: [...sets] }],
    },
  )
  const kinds = layered.tasks.map(({ what }) => what)

  it('each layer is weighed before it is mixed, hours apart', () => {
    const second = ofKind(layered, 'mix')[1]
    expect(second.at).toBeGreaterThan(3.5 * hours)
    const firstFill = kinds.indexOf('fill')
    const weighedLater = layered.tasks.findIndex(
      (task) => task.what === 'weigh' && task.mix === second.mix,
    )
    expect(weighedLater).toBeGreaterThan(firstFill)
  })

  it('what lies on the gel is set before it is covered, what hangs in a jig after', () => {
    const order = layered.tasks.flatMap((task) =>
      'layer' in task && task.layer === 1 && (task.what === 'set' || task.what === 'fill')
        ? [task.what === 'set' ? task.name : 'poured']
        : [],
    )
    expect(order).toEqual(['Brass star', 'poured', 'Rod'])
  })

  it('between the layers one clock waits for the next mix, and is spoken of ahead', () => {
    const upTo = layered.tasks.slice(0, kinds.indexOf('fill') + 1)
    const running = after(layered, ...upTo.map(({ id }, i) => done(id, 1000 + 10 * i)))
    const next = clocksOf(running).find(({ what }) => what === 'next mix')!
    const [met] = progressOf(running).met.values()
    expect(next.until).toBeCloseTo(met + ofKind(layered, 'mix')[1].at!, 6)
    expect(cuesOf(running).some(({ when, clock }) => when === 'ahead' && clock === next)).toBe(
      false,
    )
    expect(
      cuesOf(running).some(({ when, clock }) => when === 'ahead' && clock.what === 'next mix'),
    ).toBe(true)
  })

  it('its log names both layers with their own weights', () => {
    let now = layered
    for (let i = 0; i < 60; i++) {
      const { task } = progressOf(now)
      if (!task) break
      now = after(
        now,
        ...now.events,
        done(task.id, 1000 + 600 * i, task.what === 'weigh' ? task.mass : undefined),
      )
    }
    const [pull] = pullsOf(now, { id: 'b', iso: (at) => new Date(at * 1000).toISOString() })
    expect(pull.layers).toHaveLength(2)
    for (const { amounts } of pull.layers) {
      expect(amounts.reduce((sum, { weighed }) => sum + weighed!, 0)).toBeCloseTo(layer.mass, 6)
    }
  })
})
