import { caution, type Caution } from '../../base/caution/index.ts'
import type { AirTools } from '../../matter/air/index.ts'
import { judgeCup } from '../plan/index.ts'
import { loadTimes, type LoadTime } from './days.ts'
import type { Hands } from './hands.ts'
import { keptToSpare, usesPot, type TooSlow } from './limits.ts'
import { loadMemory, planLoad, vesselTakes, type Load } from './load.ts'
import type { Mix } from './mix.ts'
import { nextMoulds } from './moulds.ts'
import type { RunPour } from './needs.ts'
import type { Run } from './run.ts'

/** A load with its hour. */
export interface TimedLoad extends Load, LoadTime {
  index: number
}

/** Everything a screen shows about a run. */
export interface CompiledRun {
  loads: TimedLoad[]
  /** Casts wanted, and those that come out of it. */
  wanted: number
  casts: number
  mixes: number
  /** Most moulds that one cup fills. */
  perMix: number
  /** Days with something to pour, and until the last is out, s after midnight of the first day. */
  days: number
  until: number
  slow: TooSlow[]
  cautions: Caution[]
}

/** What a run is planned with beside itself. */
export interface RunBench {
  hands: Hands
  tools: AirTools
  /** m³ to the brim. */
  largestCup: number
}

/** More loads than this nobody plans at once. */
const mostLoads = 400

/**
 * A run as a list of loads, each of them mixes with their moulds and the tasks of the hands while
 * the cup ages, with the hours that they begin at. Nothing is planned to be poured when it no
 * longer pours, or to come under pressure after 80 % of its gel time: what finds no time even
 * alone is told.
 *
 * @example compileRun(newRun('x'), [], { hands: usualHands, tools: {}, largestCup: 1e-3 }).loads // []
 */
export function compileRun(run: Run, pours: readonly RunPour[], bench: RunBench): CompiledRun {
  const { hands, tools, largestCup } = bench
  const usable = pours.filter(({ stops, layers }) => stops === 0 && layers.length > 0)
  const left = new Map(usable.map(({ id, casts }) => [id, casts]))
  const loads: Load[] = []
  const pulled = new Map<string, number>()
  const slow: TooSlow[] = []
  const possible = missing(run, tools) ? [] : usable.filter((pour) => !turnedInPot(pour, run))
  const memory = loadMemory({ run })
  while (loads.length < mostLoads) {
    const barred = new Set(slow.map(({ mould }) => mould.pour.id))
    const moulds = nextMoulds(
      possible.filter(({ id }) => !barred.has(id)),
      left,
      run.order,
      pulled,
    )
    if (moulds.length === 0) break
    const found = planLoad(moulds, { run, hands, pairs: run.hands, tools, largestCup }, memory)
    const fresh = found.slow.filter(({ mould }) => !barred.has(mould.pour.id))
    slow.push(...onePerPour(fresh))
    if (!found.load) {
      if (fresh.length === 0) break
      continue
    }
    loads.push(found.load)
    for (const { key, pour, casts } of found.load.moulds) {
      left.set(pour.id, left.get(pour.id)! - casts)
      pulled.set(key, (pulled.get(key) ?? 0) + 1)
    }
  }
  const turnovers = loads.map(({ moulds }) => (moulds.length * hands.turnover) / run.hands)
  const times = loadTimes(loads, run, turnovers)
  const timed = loads.map((load, index): TimedLoad => ({ ...load, ...times[index], index }))
  const mixes = loads.flatMap((load) => load.mixes)
  const wanted = pours.reduce((sum, { casts }) => sum + casts, 0)
  const open = [...left.values()].reduce((sum, casts) => sum + casts, 0)
  const planned = usable.reduce((sum, { casts }) => sum + casts, 0) - open
  return {
    loads: timed,
    wanted,
    casts: planned,
    mixes: mixes.length,
    perMix: Math.max(0, ...mixes.map(({ moulds, dabs }) => (dabs ? 0 : moulds.length))),
    days: new Set(timed.map(({ day }) => day)).size,
    until: Math.max(0, ...timed.map(({ at, out }) => at + out)),
    slow,
    cautions: [
      ...judge(run, pours, tools),
      ...(loads.length < mostLoads
        ? []
        : [caution('run-too-long', 'warn', {}, { loads: mostLoads, casts: planned, wanted })]),
      ...judgeBegin(timed, run),
      ...judgeLoads(timed, slow, bench),
      ...judgeCups(mixes),
    ],
  }
}

/** What is turned until it gels is not in a pot meanwhile. */
const turnedInPot = ({ layers }: RunPour, run: Pick<Run, 'way'>): boolean =>
  usesPot(run) && layers.some(({ turned }) => turned)

const onePerPour = (slow: readonly TooSlow[]): TooSlow[] => [
  ...new Map(slow.map((one) => [one.mould.pour.id, one])).values(),
]

/** A tool that its way wants and that nobody has. */
function missing({ way }: Run, { pot, vessel }: AirTools): 'pot' | 'vessel' | undefined {
  if ((way === 'pressure' || way === 'both') && !pot) return 'pot'
  if ((way === 'vacuum' || way === 'both') && !vessel) return 'vessel'
  return undefined
}

function judge(run: Run, pours: readonly RunPour[], tools: AirTools): Caution[] {
  const found: Caution[] = []
  if (pours.length === 0) found.push(caution('run-empty', 'note', {}, {}))
  const tool = missing(run, tools)
  if (tool) found.push(caution('run-no-tool', 'stop', { field: 'way' }, { tool }))
  for (const pour of pours) {
    const { id, name, stops, layers } = pour
    const place = { field: id }
    if (stops > 0) found.push(caution('run-piece-stops', 'stop', place, { piece: name, stops }))
    else if (layers.length === 0) {
      found.push(caution('run-piece-unpoured', 'stop', place, { piece: name }))
    }
    if (turnedInPot(pour, run)) {
      found.push(caution('run-turned-pot', 'stop', place, { piece: name }))
    }
  }
  return found
}

/** The hours of the bench win over the hour that was asked for: that is said. */
const judgeBegin = ([first]: readonly TimedLoad[], { begin }: Pick<Run, 'begin'>): Caution[] =>
  first && !first.outside && first.at !== begin
    ? [caution('run-begin-moved', 'note', { field: 'begin' }, { asked: begin, at: first.at })]
    : []

/** The cup of a run that gets hottest when it is left standing: its mass is larger than a plan's. */
function judgeCups(mixes: readonly Mix[]): Caution[] {
  const hottest = mixes.reduce<Mix | undefined>(
    (most, mix) => (most && most.cup.peak.temperature >= mix.cup.peak.temperature ? most : mix),
    undefined,
  )
  if (!hottest) return []
  const { moulds, layer, mass, cup } = hottest
  return judgeCup({ resin: moulds[0].pour.layers[layer].resin, mass }, cup.peak, { field: 'cups' })
}

function judgeLoads(
  loads: readonly TimedLoad[],
  slow: readonly TooSlow[],
  { tools }: RunBench,
): Caution[] {
  const found = slow.map(({ mould: { pour }, by, needs, has }): Caution => {
    const place = { field: pour.id }
    if (by === 'pot') {
      return caution('run-over-pot', 'stop', place, {
        piece: pour.name,
        height: needs,
        inside: has,
      })
    }
    return caution('run-too-slow', 'stop', place, { piece: pour.name, by, needs, has })
  })
  const close = loads.find(({ spare, mixes }) => spare < keptToSpare * mixes[0].cup.poursUntil)
  if (close?.tight) {
    const { mould, by } = close.tight
    const amounts = { piece: mould.pour.name, by, spare: close.spare }
    found.push(caution('run-tight', 'warn', { field: mould.pour.id }, amounts))
  }
  const outside = loads.filter((load) => load.outside)
  if (outside.length > 0) {
    const amounts = { load: outside[0].index + 1, loads: outside.length }
    found.push(caution('run-outside-hours', 'warn', { field: 'windows' }, amounts))
  }
  const most = Math.max(0, ...loads.flatMap(({ mixes }) => mixes.map(({ volume }) => volume)))
  if (
    loads.some(({ mixes }) =>
      mixes.some(({ tasks }) => tasks.some(({ what }) => what === 'vacuum')),
    )
  ) {
    const takes = vesselTakes(tools)
    if (most > takes)
      found.push(caution('run-over-vessel', 'warn', { field: 'way' }, { volume: most, takes }))
  }
  return found
}
