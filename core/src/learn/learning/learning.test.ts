import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { describe, expect, it } from 'vitest'
import { normalAt } from '../../matter/air/population.ts'
import type { Bench, BenchEvent, Task } from '../../work/bench/index.ts'
import { allSums, kindLife } from '../../mould/index.ts'
import { block60, geometryOfSolid, sampleMould } from '../../mould/samples.ts'
import { kindLivesOf } from './kindLives.ts'
import type { Pull } from '../../work/pull/index.ts'
import { usualHands } from '../../work/run/index.ts'
import { cureObservations } from './cureObservations.ts'
import { learnedHands } from './hands.ts'
import { lifeOf, newMouldTakes } from './mouldLife.ts'
import { spreadOf } from './spread.ts'

const day = 24 * 3600

describe('a spread', () => {
  it('is the median, and where the next of five lies by the published t of four: 1.533', () => {
    // Student's t at 0.9 with 4 degrees of freedom is 1.533 (table of Fisher & Yates).
    const times = [-2, -1, 0, 1, 2].map((x) => 30 * Math.exp(x / 10))
    const { middle, low, high } = spreadOf(times)!
    expect(middle).toBeCloseTo(30, 9)
    const away = 1.533 * 0.1 * Math.sqrt(2.5) * Math.sqrt(1 + 1 / 5)
    expect(Math.log(high / 30)).toBeCloseTo(away, 4)
    expect(Math.log(low / 30)).toBeCloseTo(-away, 4)
  })

  it('of one value nothing is known of the next, of none nothing', () => {
    expect(spreadOf([7])).toEqual({ count: 1, middle: 7, low: 0, high: Infinity })
    expect(spreadOf([])).toBeUndefined()
  })

  it.each([3, 5, 8, 14])('holds what it says from %i times seen: eight in ten of the next', (n) => {
    const chance = xoroshiro128plus(11)
    const uniform = () => uniformFloat64(chance)
    const time = () => 40 * Math.exp(0.4 * normalAt(uniform()))
    const trials = 4000
    let held = 0
    for (let i = 0; i < trials; i++) {
      const { low, high } = spreadOf(Array.from({ length: n }, time))!
      const next = time()
      if (next >= low && next <= high) held++
    }
    // Four standard errors of a count of 4000 at 0.8.
    expect(Math.abs(held / trials - 0.8)).toBeLessThan(0.026)
  })
})

const mould = { key: 'a', pour: 'p', name: 'Keycap', number: 1, casts: 1 }
const common = { load: 0, hazards: [], mix: 0, layer: 0 }
const fills = Array.from({ length: 4 }, (_, i): Task[] => [
  {
    ...common,
    id: `p${i}`,
    what: 'prefill',
    mould,
    spots: [
      { what: 'prefill', across: 0, height: 0 },
      { what: 'prefill', across: 0, height: 0 },
      { what: 'gate', across: 0, height: 0 },
    ],
  },
  { ...common, id: `f${i}`, what: 'fill', mould, volume: 1e-6, mass: 1e-3, vents: 0 },
]).flat()
/** Each place prefilled in 9 s, each mould filled and rocked in 34; a pause before the third pair. */
const worked = (pause = 0): Pick<Bench, 'tasks' | 'events'> => {
  let at = 1000
  const events: BenchEvent[] = [{ what: 'done', task: 'm', at }]
  fills.forEach(({ id, what }, i) => {
    at += what === 'prefill' ? 18 : 34
    if (i === 4) at += pause
    events.push({ what: 'done', task: id, at })
  })
  return { tasks: fills, events }
}

describe('what hands take', () => {
  it('is learned from the moments between keys: by the place, without the rocking', () => {
    const found = Object.fromEntries(learnedHands([worked()]).map((one) => [one.hand, one]))
    expect(found.prefill.middle).toBeCloseTo(9, 9)
    expect(found.prefill.count).toBe(4)
    expect(found.fill.middle).toBeCloseTo(34 - usualHands.rock, 9)
  })

  it('a pause for a call is no habit', () => {
    const found = learnedHands([worked(1800)]).find(({ hand }) => hand === 'prefill')!
    expect(found.count).toBe(3)
    expect(found.middle).toBeCloseTo(9, 9)
  })

  it('what lies after a pause is still of its own task', () => {
    const [first, ...rest] = fills
    const two = {
      ...first,
      id: 'wide',
      spots: Array(6).fill({ what: 'prefill', across: 0, height: 0 }),
    }
    const all = [...rest, two as Task]
    let at = 0
    const events = [{ what: 'done', task: 'm', at: 0 } as BenchEvent]
    for (const { id, what } of all) {
      at += what !== 'prefill' ? 34 : id === 'wide' ? 54 : 18
      if (id === 'p2') at += 1800
      events.push({ what: 'done', task: id, at })
    }
    // Six places in 54 s, two in 18: nine each, whichever was left out.
    const found = learnedHands([{ tasks: all, events }]).find(({ hand }) => hand === 'prefill')!
    expect(found.low).toBeCloseTo(9, 9)
    expect(found.high).toBeCloseTo(9, 9)
  })

  // Three moulds closed in 36 s are 12 s each, and put into the pot in 42 s are 14 s each. A bench of
  // before had one task for both.
  it('closing and the pot are learned apart; where they were one task the pot is taken off', () => {
    const bench = (takes: Record<string, number>) => {
      const moulds = Array.from({ length: 3 }, () => ({}))
      const tasks = Object.keys(takes).map((what) => ({ id: what, what, moulds, load: 0, mix: 0 }))
      let at = 0
      const events = [
        { what: 'noted', text: 'x', at: 0 },
        ...tasks.map(({ id, what }) => ({ what: 'done', task: id, at: (at += takes[what]) })),
      ]
      return { tasks, events } as unknown as Parameters<typeof learnedHands>[0][number]
    }
    const middles = (takes: Record<string, number>) =>
      learnedHands([bench(takes), bench(takes), bench(takes)]).map(({ hand, middle }) => [
        hand,
        Math.round(middle),
      ])
    expect(middles({ trim: 5, band: 36, 'into pot': 42 })).toEqual([
      ['band', 12],
      ['intoPot', 14],
    ])
    expect(middles({ trim: 5, band: 66 })).toEqual([['band', 22 - usualHands.intoPot]])
  })

  it('nothing is learned from once or twice', () => {
    const { tasks, events } = worked()
    expect(learnedHands([{ tasks, events: events.slice(0, 5) }])).toEqual([])
  })
})

it('what was felt of a cup is an observation of its resin', () => {
  const weigh = (key: 'A' | 'B', name: string): Task => ({
    ...common,
    id: key,
    what: 'weigh',
    part: key,
    key,
    name,
    mass: 0.05,
    density: 1100,
    apart: 'mixing cup',
    cup: 1e-3,
    step: 1e-4,
    moulds: 1,
  })
  const bench = {
    room: 294.15,
    tasks: [
      weigh('A', 'Part A'),
      weigh('B', 'Part B'),
      { ...common, id: 'm', what: 'mix', pours: 100, gel: 200, hard: 900, secondCup: 'no' },
    ] as Task[],
    events: [
      { what: 'room', at: 0, room: 297.15 },
      { what: 'done', task: 'A', at: 10, weighed: 0.06, by: 'scale' },
      { what: 'done', task: 'B', at: 100, weighed: 0.06, by: 'scale' },
      { what: 'touched', mix: 0, at: 310, mark: 'gel of the cup' },
      { what: 'touched', mix: 0, at: 400, mark: 'hottest', temperature: 350 },
      { what: 'touched', mix: 0, at: 200, mark: 'syrup' },
    ] as BenchEvent[],
  }
  const felt = cureObservations(bench, () => '2026-11-27')
  expect(felt.map(({ observation: { what, value } }) => [what, value])).toEqual([
    ['gel', 210],
    ['peak', 350],
  ])
  expect(felt[0].observation).toMatchObject({ room: 297.15, mass: 0.12, on: '2026-11-27' })
  expect(felt[0].parts).toEqual(['Part A', 'Part B'])
})

describe('the life of a mould', () => {
  const block = sampleMould({ kind: 'cut block', cavities: 1, count: 1 })
  const from = Date.parse('2026-09-01T10:00:00Z') / 1000
  /** One a week, the first half good. */
  const pulls = Array.from({ length: 8 }, (_, i) => ({
    pouredAt: new Date((from + i * 7 * day) * 1000).toISOString(),
    copies: 1,
    outcome: i < 4 ? 'good' : 'fixable',
    results: i < 4 ? undefined : [{ copy: 1, result: 'fixable', mended: 60 * (i + 1) }],
    mould: 'm',
  })) as Pull[]
  const now = from + 8 * 7 * day

  it('says how far it is worn, and when another has to be ordered at this pace', () => {
    const life = lifeOf(block, 'm', pulls, now)
    expect([life.pulls, life.life, life.left]).toEqual([8, 15, 7])
    expect(life.perWeek).toBeCloseTo(1, 9)
    // Seven left at one a week: seven weeks from now; three weeks sooner the order.
    expect(life.ends).toBeCloseTo(now + 49 * day, 3)
    expect(life.orderBy).toBeCloseTo(now + 49 * day - newMouldTakes, 3)
  })

  it('shows how its casts fare as it ages, and what mending takes', () => {
    const { stretches, good, mending } = lifeOf(block, 'm', pulls, now)
    expect(stretches.map(({ from: a, until }) => [a, until])).toEqual([
      [1, 2],
      [3, 4],
      [5, 6],
      [7, 8],
    ])
    expect(stretches[0].rate.middle).toBeGreaterThan(stretches[3].rate.middle)
    expect([good.seen, good.of]).toEqual([4, 8])
    expect(mending).toMatchObject({ count: 4, middle: 60 * 6.5 })
  })

  it('of four hundred moulds no day centuries away is told', () => {
    const life = lifeOf({ ...block, count: 400 }, 'm', pulls, now)
    expect(life.perWeek).toBeGreaterThan(0)
    expect([life.ends, life.orderBy]).toEqual([undefined, undefined])
  })

  it('of a mould that gave one pull no pace is known', () => {
    const life = lifeOf(block, 'm', pulls.slice(0, 1), now)
    expect(life.perWeek).toBeUndefined()
    expect(life.orderBy).toBeUndefined()
  })
})

describe('lives of a kind by one’s own moulds', () => {
  const two = sampleMould({ kind: 'two-part' })
  const gave = (pulls: number, ended = true, mould = two) => ({ mould, pulls, ended })
  const lifeOfTwo = (...known: ReturnType<typeof gave>[]) => kindLivesOf(known)['two-part']?.plain

  it('none that ended: nothing is learned, whatever is in use', () => {
    expect(kindLivesOf([gave(12, false), gave(90, false)])).toEqual({})
  })

  // A normal mean with a normal prior of the same spread: one value moves it half of the way, n values
  // n/(n+1) of it (conjugate prior; Gelman et al., Bayesian Data Analysis, 2.5).
  it.each([1, 3, 8])('%i that gave 30 move the usual 60 as a conjugate prior does', (n) => {
    const { life, ended } = lifeOfTwo(...Array.from({ length: n }, () => gave(30)))!
    expect(life / (60 * 0.5 ** (n / (n + 1)))).toBeCloseTo(1, 1)
    expect(ended).toBe(n)
  })

  it('the band narrows with each, and never below that of one studio', () => {
    const width = (n: number) => {
      const { band } = lifeOfTwo(...Array.from({ length: n }, () => gave(60)))!
      return Math.log(band[1] / band[0])
    }
    const of = Math.log(150 / 40)
    expect(width(1)).toBeLessThan(of * 1.01)
    expect(width(10)).toBeLessThan(width(1))
    expect(width(10)).toBeGreaterThan(of * Math.SQRT1_2)
  })

  it('one that lasts longer in use counts as such: it never shortens a life', () => {
    const alone = lifeOfTwo(gave(30))!
    expect(lifeOfTwo(gave(30), gave(5, false))!.life).toBeGreaterThanOrEqual(alone.life)
    expect(lifeOfTwo(gave(30), gave(200, false))!.life).toBeGreaterThan(1.5 * alone.life)
  })

  it('a sock of four coats is learned as one of two, and the kinds do not mix', () => {
    const sock = sampleMould({ kind: 'brushed sock', coats: 4 })
    const lives = kindLivesOf([gave(18, true, sock), gave(30)])
    expect(lives['brushed sock']!.plain!.life).toBe(6)
    expect(kindLife('brushed sock', sock, lives).life).toBe(18)
    expect(lives['cut block']).toBeUndefined()
  })

  // 2,000 studios whose mean is drawn from the trade’s band: the next life lies in it nine times in ten.
  it('holds what it says: nine in ten of the next', () => {
    const chance = xoroshiro128plus(5)
    const normal = () => normalAt(uniformFloat64(chance))
    const spread = Math.log(150 / 40) / (2 * 1.645) / Math.SQRT2
    let held = 0
    const studios = 1000
    for (let i = 0; i < studios; i++) {
      const mean = Math.log(60) + spread * normal()
      const next = () => Math.max(1, Math.round(Math.exp(mean + spread * normal())))
      // Two that ended, and one that was given away half way.
      const known = [gave(next()), gave(next()), gave(Math.ceil(next() / 2), false)]
      const { band } = lifeOfTwo(...known)!
      const one = next()
      if (one >= band[0] && one <= band[1]) held++
    }
    expect(held / studios).toBeGreaterThan(0.87)
    expect(held / studios).toBeLessThan(0.95)
  })

  it('the advice on kinds takes what was learned', () => {
    const lives = kindLivesOf([gave(20), gave(22), gave(19)])
    const pulls = (known?: typeof lives) =>
      allSums(two, geometryOfSolid(block60), undefined, known).find(
        ({ kind }) => kind === 'two-part',
      )!.pulls
    expect(pulls(lives) / pulls()).toBeCloseTo(lives['two-part']!.plain!.life / 60, 1)
  })
})
