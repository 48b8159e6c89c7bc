import {
  airInEpoxy,
  airInUrethane,
  deairing,
  deairingCup,
  insideOf,
  largestDeaired,
  stirring,
  underPressureBy,
  type AirTools,
  type GasInResin,
} from '../../matter/air/index.ts'
import type { Block } from '../../mould/index.ts'
import { resinClasses, type Resin } from '../../matter/material/index.ts'
import { cupFor, mixDensity } from '../../matter/mix/index.ts'
import { conditioningOfLoad, type Conditioning } from './conditioning.ts'
import { ageingCup, type AgeingCup } from './cup.ts'
import {
  closing,
  gelOfMix,
  inRoom,
  outOf,
  lateness,
  usesPot,
  usesVacuum,
  waitInRoom,
  type LoadBench,
  type LoadedMix,
  type TooSlow,
} from './limits.ts'
import { closesBefore, dabsVolume, mixedFor, planDabs, planMix, type Mix } from './mix.ts'
import type { RunMould } from './moulds.ts'
import type { Run } from './run.ts'
import { fitsPot } from './pack.ts'

/** Moulds poured one after the other and, under pressure, in the pot together. */
export interface Load {
  mixes: LoadedMix[]
  moulds: RunMould[]
  /** What is done to its moulds before anything is mixed. */
  conditioning: Conditioning[]
  /** Hands close and band them for so long then, s; both together, with what dries meanwhile. */
  closing: number
  preparing: number
  /** s after the first mix: the lid is on, the pot is at pressure. */
  lid?: number
  atPressure?: number
  /** Hands are free of it. */
  handsOn: number
  /** The last of it is hard enough to come out. */
  out: number
  /** The shortest time to spare of all its limits, s, and where it is. */
  spare: number
  tight?: { mould: RunMould; by: 'pouring' | 'lid' }
}

/** Air in a resin, by its class. */
export const airIn = (resin: Resin): GasInResin =>
  resinClasses[resin.class].hazard === 'epoxy' ? airInEpoxy : airInUrethane

/**
 * The next load: as many of the moulds as there is time, room in the pot and cup for, in their
 * order; what of them stays for later is left out.
 */
export function planLoad(
  moulds: readonly RunMould[],
  bench: LoadBench,
  { room, cups }: LoadMemory = loadMemory(bench),
): { load?: Load; slow: TooSlow[] } {
  const pot = usesPot(bench.run) ? bench.tools.pot : undefined
  const taken: RunMould[] = []
  const slow: TooSlow[] = []
  // What found no place beside the first finds none beside more of them.
  const full = new Set<string>()
  for (const mould of moulds) {
    const { block } = mould.pour
    if (pot && full.has(keyOf(block))) continue
    if (!pot || room([...taken.map(({ pour }) => pour.block), block], pot)) taken.push(mould)
    else {
      full.add(keyOf(block))
      if (!room([block], pot)) slow.push({ mould, by: 'pot', needs: block.height, has: pot.height })
    }
  }
  const layers = Math.max(0, ...taken.map(({ pour }) => pour.layers.length))
  let mixes: LoadedMix[] = []
  let inside = taken
  for (let layer = 0; layer < layers; layer++) {
    const round = inside.filter(({ pour }) => layer < pour.layers.length)
    for (const group of byMix(round, layer)) {
      const found = mixGroup(group, layer, mixes, { bench, cups, pot: pot !== undefined })
      mixes = found.mixes
      slow.push(...found.slow)
      // A mould whose first layer found no time is not filled any further.
      const filled = new Set(found.mixes.flatMap(({ moulds: of }) => of))
      inside = inside.filter((mould) => !group.includes(mould) || filled.has(mould))
    }
  }
  if (mixes.length === 0) return { slow }
  return { load: finished(withDabs(mixes, bench), bench), slow }
}

/**
 * Small cups for tight places come before the first that fills, and put all of those off: none of
 * their own limits moves. As many moulds from one as there is time for.
 */
function withDabs(mixes: LoadedMix[], bench: LoadBench): LoadedMix[] {
  if (bench.run.prefill !== 'small mix') return mixes
  const { run } = bench
  const open = mixes
    .filter(({ layer }) => layer === 0)
    .flatMap(({ moulds }) => moulds.filter(({ pour }) => pour.prefills > 0))
  const found: LoadedMix[] = []
  let begins = 0
  for (const group of byMix(open, 0)) {
    for (let rest = group; rest.length > 0;) {
      const { law, resin } = rest[0].pour.layers[0]
      const planned = (count: number) => {
        const moulds = rest.slice(0, count)
        const mass = dabsVolume(moulds) * mixDensity(resin.ratio, resin)
        const cup = ageingCup(law, { mass, room: run.room, parts: run.parts })
        return planDabs(moulds, cup, bench)
      }
      let count = rest.length
      while (count > 1 && planned(count).poured > planned(count).cup.poursUntil) count--
      const mix = { ...planned(count), begins }
      found.push(mix)
      begins += mix.done
      rest = rest.slice(count)
    }
  }
  return [...found, ...mixes.map((mix) => ({ ...mix, begins: mix.begins + begins }))]
}

type Pot = Parameters<typeof fitsPot>[1]

/** Whether moulds stand in a pot, each question answered once. */
export type PotRoom = (blocks: readonly Block[], pot: Pot) => boolean

const keyOf = ({ width, depth, height, round }: Block): string =>
  `${width} ${depth} ${height} ${round}`

/** What the loads of a run ask again and again. */
export interface LoadMemory {
  room: PotRoom
  cups: Cups
}

/** One for all loads of a run. */
export const loadMemory = (bench: Pick<LoadBench, 'run'>): LoadMemory => ({
  room: potRoom(),
  cups: cupMaker(bench),
})

function potRoom(): PotRoom {
  const known = new Map<string, boolean>()
  return (blocks, pot) => {
    const key = blocks.map(keyOf).join()
    const fits = known.get(key) ?? fitsPot(blocks, pot)
    known.set(key, fits)
    return fits
  }
}

/** Moulds that are filled from the same mix, in their order. */
function byMix(moulds: readonly RunMould[], layer: number): RunMould[][] {
  const groups = new Map<string, RunMould[]>()
  for (const mould of moulds) {
    const { mix } = mould.pour.layers[layer]
    groups.set(mix, [...(groups.get(mix) ?? []), mould])
  }
  return [...groups.values()]
}

type Cups = (moulds: readonly RunMould[], layer: number) => AgeingCup

/** Cups of the same mass age alike: each is followed once. */
function cupMaker({ run }: Pick<LoadBench, 'run'>): Cups {
  const known = new Map<string, AgeingCup>()
  return (moulds, layer) => {
    const { law, mix } = moulds[0].pour.layers[layer]
    const { mass } = mixedFor(moulds, layer)
    const key = `${mix} ${mass.toPrecision(6)}`
    const found = known.get(key) ?? ageingCup(law, { mass, room: run.room, parts: run.parts })
    known.set(key, found)
    return found
  }
}

interface Grouping {
  bench: LoadBench
  cups: Cups
  pot: boolean
}

/** As many mixes of a group as there is time for; with a pot only those that its lid waits for. */
function mixGroup(
  group: readonly RunMould[],
  layer: number,
  before: readonly LoadedMix[],
  { bench, cups, pot }: Grouping,
): { mixes: LoadedMix[]; slow: TooSlow[] } {
  let mixes = [...before]
  const slow: TooSlow[] = []
  let rest = [...group]
  while (rest.length > 0) {
    const begins = beginOf(rest[0], layer, mixes, bench.run)
    let best: LoadedMix[] | undefined
    const most = Math.min(rest.length, bench.run.perMix ?? Infinity)
    for (let count = 1; count <= most; count++) {
      const moulds = rest.slice(0, count)
      if (!fitsCup(moulds, layer, bench) || !canBeTurned(moulds, layer, bench)) break
      const mix = { ...mixOf(moulds, layer, bench, cups, pot), begins }
      const next = [...mixes, mix]
      const late = lateness(next, bench, pot)
      if (late) {
        if (count === 1 && mixes.length === before.length && before.length === 0) {
          slow.push({ mould: moulds[0], ...late })
          rest = rest.filter(({ pour }) => pour.id !== moulds[0].pour.id)
        }
        break
      }
      best = next
    }
    if (!best) {
      // The first in the load was too slow even alone: others may not be.
      if (mixes.length === 0 && rest.length > 0 && slow.length > 0 && rest.length < group.length) {
        group = rest
        continue
      }
      break
    }
    rest = rest.slice(best.at(-1)!.moulds.length)
    mixes = best
  }
  return { mixes, slow }
}

/** A first layer follows when hands are free; a later one when its join with the one below wants it. */
function beginOf(
  first: RunMould,
  layer: number,
  mixes: readonly LoadedMix[],
  run: Pick<Run, 'room'>,
): number {
  const { turned } = first.pour.layers[layer]
  // One machine turns: what it turns next is mixed when it stands still.
  const still = turned?.by === 'machine' ? mixes.map(machineUntil) : []
  const free = Math.max(0, ...mixes.map(({ begins, done }) => begins + done), ...still)
  const below = mixes.find((mix) => mix.layer === layer - 1 && mix.moulds.includes(first))
  return below ? Math.max(free, below.begins + waitInRoom(first.pour.layers, layer, run)) : free
}

const machineUntil = ({ begins, tasks }: LoadedMix): number =>
  begins + Math.max(0, ...tasks.filter(({ by }) => by === 'machine').map(({ until }) => until))

function fitsCup(moulds: readonly RunMould[], layer: number, { largestCup }: LoadBench): boolean {
  if (moulds.length === 1) return true
  const { volume } = mixedFor(moulds, layer)
  return cupFor(volume, [largestCup]).cups === 1
}

/** A pair of hands turns one mould at a time, a machine as many as it takes. */
function canBeTurned(
  moulds: readonly RunMould[],
  layer: number,
  { run, pairs }: Pick<LoadBench, 'run' | 'pairs'>,
): boolean {
  const most = { hands: pairs, machine: run.onMachine ?? 1 }
  const turned = moulds.flatMap(({ pour }) => pour.layers[layer].turned ?? [])
  return (['hands', 'machine'] as const).every(
    (by) => turned.filter((one) => one.by === by).length <= most[by],
  )
}

function mixOf(
  moulds: readonly RunMould[],
  layer: number,
  { run, hands, pairs, tools }: LoadBench,
  cups: Cups,
  pot: boolean,
): Mix {
  const { resin } = moulds[0].pour.layers[layer]
  const { volume } = mixedFor(moulds, layer)
  const vessel = usesVacuum(run) ? tools.vessel : undefined
  const vacuum =
    vessel &&
    deairing(
      {
        volume,
        cup: deairingCup(volume),
        share: stirring.usual.share,
        gas: airIn(resin),
      },
      vessel,
    ).takes
  const prefills = run.prefill !== 'small mix'
  const turned = ({ pour }: RunMould) => inRoom(pour.layers[layer], run).turned
  return planMix(moulds, layer, cups(moulds, layer), {
    hands,
    pairs,
    vacuum,
    pot,
    prefills,
    turned,
  })
}

function finished(mixes: LoadedMix[], bench: LoadBench): Load {
  const filling = mixes.filter(({ dabs }) => !dabs)
  const { lid, atPressure } = closing(mixes, bench)
  const done = Math.max(...mixes.map((mix) => mix.begins + mix.done))
  const limits = mixes.flatMap((mix): Required<Pick<Load, 'spare' | 'tight'>>[] => {
    const last = mix.moulds.at(-1)!
    const pouring = {
      spare: mix.cup.poursUntil - mix.poured,
      tight: { mould: last, by: 'pouring' as const },
    }
    const gel = gelOfMix(mix, bench.run)
    if (atPressure === undefined || gel === Infinity) return [pouring]
    const spare = underPressureBy * gel - (atPressure - mix.begins)
    return [pouring, { spare, tight: { mould: last, by: 'lid' as const } }]
  })
  const tightest = limits.toSorted((a, b) => a.spare - b.spare)[0]
  const moulds = [...new Set(filling.flatMap((mix) => mix.moulds))]
  const shut = moulds.filter(({ pour }) => closesBefore(pour)).length
  const closes = Math.ceil(shut / bench.pairs) * bench.hands.band
  const conditioning = conditioningOfLoad(moulds, bench.pairs)
  const conditioned = conditioning.reduce((sum, { hands, waits }) => sum + hands + waits, 0)
  return {
    mixes,
    moulds,
    conditioning,
    closing: closes,
    preparing: conditioned + closes,
    lid,
    atPressure,
    handsOn: atPressure ?? done,
    out: Math.max(
      ...filling.flatMap(({ begins, moulds, layer }) =>
        moulds.map(({ pour }) => begins + outOf(pour.layers[layer], bench.run).at),
      ),
    ),
    ...tightest,
  }
}

/** A batch that its vessel can take without frothing over, m³. */
export const vesselTakes = ({ vessel }: AirTools): number =>
  vessel ? largestDeaired(insideOf(vessel), Infinity) : Infinity
