import { compileRun, type CompiledRun, type RunBench } from './compile.ts'
import { gelOf, type CureLaw } from '../../matter/cure/index.ts'
import { resinClasses, type Resin } from '../../matter/material/index.ts'
import { turnedSlower } from './limits.ts'
import type { RunPour } from './needs.ts'
import { lengthOf, type Run } from './run.ts'

/** What would change a run. */
export type OfferName =
  | 'cooler room'
  | 'chilled parts'
  | 'second pair'
  | 'longer bench'
  | 'slower resin'
  | 'stronger compressor'

/** What one change makes of a run; with the run as it would be where one click does it. */
export interface Offer {
  what: OfferName
  /** K, s after midnight, or a factor, by what it is. */
  amount: number
  /** Of another resin. */
  name?: string
  then: Pick<CompiledRun, 'perMix' | 'mixes' | 'casts' | 'days' | 'until'> & { loads: number }
  run?: Run
}

/** A resin of the shelf that could take the place of a run's. */
export interface OtherResin {
  resin: Resin
  law: CureLaw
}

/** How far a room and parts are cooled, K; parts are not chilled below this (damp settles on them). */
const cooler = 5
const chilled = 8
const coldest = 283.15
/** A compressor twice as strong. */
const stronger = 2
/** A bench that stays open so much longer, s. */
const longer = 2 * 3600
const day = 24 * 3600
/** Of other resins only the best are told. */
const mostResins = 2

/**
 * What would let a run fill more moulds from a cup, need fewer loads, or be possible at all; the
 * best first, nothing that changes nothing.
 *
 * @example offersOf(newRun('x'), [], { hands: usualHands, tools: {}, largestCup: 1e-3 }, []) // []
 */
export function offersOf(
  run: Run,
  pours: readonly RunPour[],
  bench: RunBench,
  others: readonly OtherResin[],
): Offer[] {
  const now = compileRun(run, pours, bench)
  const tried: Omit<Offer, 'then'>[] = []
  const parts = run.parts ?? run.room
  if (run.room - cooler >= 288.15) {
    const room = run.room - cooler
    tried.push({ what: 'cooler room', amount: room, run: { ...run, room } })
  }
  if (parts - chilled >= coldest) {
    tried.push({
      what: 'chilled parts',
      amount: parts - chilled,
      run: { ...run, parts: parts - chilled },
    })
  }
  if (run.hands < 2) tried.push({ what: 'second pair', amount: 2, run: { ...run, hands: 2 } })
  const [first, ...rest] = run.windows
  if (now.loads.some(({ outside }) => outside) && lengthOf(first) + longer < day) {
    const until = (first.until + longer) % day
    tried.push({
      what: 'longer bench',
      amount: until,
      run: { ...run, windows: [{ ...first, until }, ...rest] },
    })
  }
  const offers = tried.map((one): Offer => ({
    ...one,
    then: sums(compileRun(one.run!, pours, bench)),
  }))
  const { pot } = bench.tools
  if (pot && (run.way === 'pressure' || run.way === 'both')) {
    const tools = { ...bench.tools, pot: { ...pot, flow: stronger * pot.flow } }
    const then = sums(compileRun(run, pours, { ...bench, tools }))
    offers.push({ what: 'stronger compressor', amount: stronger, then })
  }
  const used = new Set(pours.flatMap(({ layers }) => layers.map(({ resin }) => resin.name)))
  for (const other of others) {
    if (used.has(other.resin.name)) continue
    const then = sums(
      compileRun(
        run,
        pours.map((pour) => inResin(pour, other, run.room)),
        bench,
      ),
    )
    offers.push({ what: 'slower resin', amount: other.resin.potLife, name: other.resin.name, then })
  }
  const good = offers.filter(({ then }) => better(then, now)).toSorted(rank)
  const resins = good.filter(({ what }) => what === 'slower resin').slice(0, mostResins)
  return good.filter((one) => one.what !== 'slower resin' || resins.includes(one))
}

const sums = ({ perMix, mixes, casts, days, until, loads }: CompiledRun): Offer['then'] => ({
  perMix,
  mixes,
  casts,
  days,
  until,
  loads: loads.length,
})

const better = (then: Offer['then'], now: CompiledRun): boolean =>
  then.casts > now.casts ||
  (then.casts === now.casts &&
    (then.loads < now.loads.length || then.mixes < now.mixes || then.days < now.days))

const rank = (a: Offer, b: Offer): number =>
  b.then.casts - a.then.casts ||
  a.then.days - b.then.days ||
  a.then.loads - b.then.loads ||
  a.then.mixes - b.then.mixes

/**
 * A pour of a run as it would be in another resin: gel, demould, turning and the waits between layers by
 * how their laws run at that room.
 */
const inResin = (pour: RunPour, { resin, law }: OtherResin, room: number): RunPour => {
  const slower = pour.layers.map((layer) => gelOf(law, room) / gelOf(layer.law, room))
  const hazard = resinClasses[resin.class].hazard
  return {
    ...pour,
    layers: pour.layers.map((layer, i) => ({
      ...layer,
      resin,
      tints: [],
      law,
      mix: resin.name,
      gel: layer.gel * slower[i],
      hard: layer.hard * slower[i],
      wait: i === 0 ? layer.wait : layer.wait * slower[i - 1],
      turned: layer.turned && turnedSlower(layer.turned, slower[i]),
      hazards: [...layer.hazards, hazard],
    })),
  }
}
