import type { CureLaw } from '../cure/index.ts'
import { blockOf, type Block, type Mould } from '../mould/index.ts'
import { mixDensity } from '../mix/index.ts'
import type { Resin } from '../material/index.ts'
import type { CompiledPlan, Plan } from '../plan/index.ts'
import type { PourOfRun } from './run.ts'

/** One layer of a piece as a run needs it. */
export interface RunLayer {
  name: string
  resin: Resin
  law: CureLaw
  /** What goes into one cup together: the same resin with the same tints. */
  mix: string
  /** For one mould, all its cavities with their gates: m³ and kg. */
  volume: number
  mass: number
  /** From the pour of the layer below to this one's, s. */
  wait: number
  /** In its mould, s after its mixing: it gels, it is hard enough to come out; in a room of K. */
  gel: number
  hard: number
  room: number
}

/** A piece as a run needs it, by its plan and its mould. */
export interface RunPour {
  id: string
  name: string
  casts: number
  cavities: number
  /** Moulds to hand. */
  moulds: number
  closed: boolean
  /** Narrowest way in, m; absent: open above. */
  bore?: number
  /** From the gate to the lowest point, m. */
  depth: number
  prefills: number
  bands: number
  /** Of a mould as it stands in the pot, m. */
  block: Block
  layers: RunLayer[]
  /** Something in its plan stops it. */
  stops: number
}

/** What a mould leaves around its piece, m, where its box is not known. */
const around = 0.012

/**
 * A piece as a run needs it. Amounts are those of one copy by its plan, times the cavities of a
 * mould, with the plan's reserve.
 */
export function needsOf(
  { id, casts, moulds }: Pick<PourOfRun, 'id' | 'casts' | 'moulds'>,
  name: string,
  plan: Pick<Plan, 'reserve' | 'room'>,
  compiled: CompiledPlan,
  size: { width: number; depth: number; height: number },
  mould: Mould | undefined,
  lawOf: (resin: Resin) => CureLaw,
): RunPour {
  const { into, layers, cautions } = compiled
  const cavities = mould?.cavities ?? 1
  const poured = layers.filter(({ batch, clock, resin }) => batch && clock && resin > 0)
  const gate = into.gate
  const stops = cautions.filter(({ severity }) => severity === 'stop').length
  return {
    id,
    name,
    casts,
    cavities,
    moulds: Math.min(moulds ?? Infinity, mould?.count ?? Math.ceil(casts / cavities)),
    closed: into.mould === 'closed',
    bore: into.through,
    depth: compiled.height,
    prefills: (mould?.prefills.length ?? 0) * cavities,
    bands: into.mould === 'closed' ? (mould?.liking.bands ?? 0) : 0,
    block: mould ? blockOf(mould, size) : grown(size),
    layers: poured.map((layer, i) => {
      const { resin } = layer.batch!
      const { mixAt, pourAt, gelAt, demouldAt } = layer.clock!
      const last = i === poured.length - 1
      const volume = (layer.resin + (last ? gate : 0)) * cavities * (1 + plan.reserve)
      return {
        name: layer.name,
        resin,
        law: lawOf(resin),
        mix: mixKey(resin, layer.weighing!.steps),
        volume,
        mass: volume * mixDensity(resin.ratio, resin),
        wait: i === 0 ? 0 : pourAt - poured[i - 1].clock!.pourAt,
        gel: gelAt - mixAt,
        hard: demouldAt - mixAt,
        room: plan.room,
      }
    }),
    stops,
  }
}

const grown = ({ width, depth, height }: Omit<Block, 'round'>): Block => ({
  round: false,
  width: width + 2 * around,
  depth: depth + 2 * around,
  height: height + around,
})

/** The same for what is stirred together: parts and tints by name, in their shares. */
function mixKey(
  resin: Resin,
  steps: readonly { name: string; mass: number; what: string }[],
): string {
  const whole = steps.reduce((sum, { mass }) => sum + mass, 0)
  const tints = steps
    .filter(({ what }) => what === 'tint')
    .map(({ name, mass }) => `${name} ${(mass / whole).toPrecision(3)}`)
  return [resin.name, ...tints].join(' + ')
}
