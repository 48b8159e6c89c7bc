import { blocks, type Hazard } from '../../base/caution/index.ts'
import type { CureLaw } from '../../matter/cure/index.ts'
import { toAxes, type Axes, type Vec3 } from '../../form/mesh/index.ts'
import type { SetHow } from '../../matter/inclusion/index.ts'
import {
  blockOf,
  conditioningOf,
  type Block,
  type Condition,
  type Mould,
} from '../../mould/index.ts'
import { mixDensity, type Dose } from '../../matter/mix/index.ts'
import type { Resin, Shelf } from '../../matter/material/index.ts'
import {
  comesOutRubbery,
  dosesOf,
  shotGap,
  type CompiledLayer,
  type CompiledPlan,
  type CompiledSkin,
  type Plan,
} from '../plan/index.ts'
import type { PourOfRun } from './run.ts'

/** One layer of a piece as a run needs it. */
export interface RunLayer {
  name: string
  resin: Resin
  tints: readonly Dose[]
  law: CureLaw
  /** What goes into one cup together: the same resin with the same tints. */
  mix: string
  /** Into one mould, all its cavities with their gates: m³ and kg. */
  volume: number
  mass: number
  /** From the pour of the layer below to this one's, s. */
  wait: number
  /** In its mould, s after its mixing: it gels, it is hard enough to come out; in a room of K. */
  gel: number
  hard: number
  /** Out already while its gates are rubbery; absent: it stays until it is hard. */
  trim?: number
  room: number
  /** Things set in after it is poured, in each mould; s after the parts met. */
  sets: { name: string; count: number; how: SetHow; from: number; until: number }[]
  /** What lies on the bench for it, as its own plan knows. */
  hazards: readonly Hazard[]
  /** A shot of a hollow cast: it is turned in its mould, and nothing is poured on it before it gels. */
  turned?: TurnedLayer
  /** Of the first shot of a metal skin. */
  skin?: MouldSkin
}

/** Metal powder of one mould, kg: what clings to its dry walls, and what is stirred into half of the shot. */
export type MouldSkin = Pick<CompiledSkin, 'powder' | 'dust'> & {
  face?: { powder: number; resin: number }
}

/**
 * Its last layer is a wall: it has no gate, and rings.
 *
 * @example comesOutHollow({ layers: [] }) // false
 */
export const comesOutHollow = ({ layers }: { layers: readonly Pick<RunLayer, 'turned'>[] }) =>
  layers.at(-1)?.turned !== undefined

/** How a shot is turned, s after its mixing. */
export interface TurnedLayer {
  shot: number
  of: number
  by: 'hands' | 'machine'
  /** A minute. */
  turns: number
  /** From here what it lays stays; from here nothing moves any more. */
  countsFrom: number
  stopsAt: number
}

/** A place at the bench: across the section and above the lowest point, m. */
export interface Spot {
  what: 'gate' | 'vent' | 'prefill'
  across: number
  height: number
}

/** A piece as a run needs it, by its plan and its mould. */
export interface RunPour {
  id: string
  name: string
  /** The mould's name, where there is one. */
  mould?: string
  casts: number
  cavities: number
  /** Moulds to hand. */
  moulds: number
  closed: boolean
  /** Narrowest way in, m; absent: open above. */
  bore?: number
  /** From the gate to the lowest point, m. */
  depth: number
  /** Mixed on top of what goes into the moulds, as a share of it: it stays in cup and tools. */
  reserve: number
  prefills: number
  vents: number
  bands: number
  /** What is done to a mould before a pull, in its order, and how often each of them was pulled already. */
  before: Condition[]
  pulled: number
  /** Of a mould as it stands in the pot, m. */
  block: Block
  layers: RunLayer[]
  /** Gates, vents and prefills of one cavity, by what they are, from the middle of the section and its foot, m. */
  spots: Spot[]
  /** Stops in its plan. */
  stops: number
  /** The finest its scale shows, kg. */
  step: number
}

/** What a mould leaves around its piece, m, where its box is not known. */
const around = 0.012

/** What is known of a piece when a run asks. */
export interface KnownPour {
  name: string
  plan: Plan
  compiled: CompiledPlan
  shelf: Shelf
  /** Of the piece as it lies, m. */
  size: { width: number; depth: number; height: number }
  mould?: Mould
  /** Times that each mould of it was pulled. */
  pulled?: number
  /** Of its section: the drawing's frame, and where its origin lies along it. */
  drawn: { axes: Axes; origin: Vec3 }
  lawOf: (resin: Resin) => CureLaw
}

/** A piece as a run needs it: amounts of one copy by its plan, times the cavities of a mould. */
export function needsOf(
  { id, casts, moulds }: Pick<PourOfRun, 'id' | 'casts' | 'moulds'>,
  { name, plan, compiled, shelf, size, mould, pulled = 0, drawn, lawOf }: KnownPour,
): RunPour {
  const { into, layers, cautions } = compiled
  const cavities = mould?.cavities ?? 1
  const poured = layers.filter(({ batch, clock, resin }) => batch && clock && resin > 0)
  const stops = cautions.filter(blocks).length
  const closed = into.mould === 'closed'
  return {
    id,
    name,
    mould: mould?.name,
    casts,
    cavities,
    moulds: Math.min(moulds ?? Infinity, mould?.count ?? Math.ceil(casts / cavities)),
    closed,
    bore: into.through,
    depth: compiled.height,
    reserve: plan.reserve,
    prefills: (mould?.prefills.length ?? 0) * cavities,
    vents: closed
      ? (mould?.openings ?? []).filter(({ what }) => what === 'vent').length * cavities
      : 0,
    bands: closed ? (mould?.liking.bands ?? 0) : 0,
    before: mould ? conditioningOf(mould) : [],
    pulled,
    block: mould ? blockOf(mould, size) : grown(size),
    layers: poured.flatMap((layer, i) => {
      const { resin } = layer.batch!
      const { mixAt, pourAt, lastPourAt, gelAt, trimAt, demouldAt } = layer.clock!
      const gated = i === poured.length - 1 && !layer.shell
      const tints = dosesOf(plan.layers[layer.index], shelf)
      const shots = layer.shell?.fill.shots ?? 1
      const volume = ((layer.resin + (gated ? into.gate : 0)) * cavities) / shots
      // A shot is mixed when the one before it has gelled: its clock is counted from its own mixing.
      const later = layer.shell ? lastPourAt - pourAt : 0
      const before = i === 0 ? undefined : poured[i - 1]
      const joins = before?.shell ? before.clock!.lastPourAt : before?.clock!.pourAt
      const one: RunLayer = {
        name: layer.name,
        resin,
        tints,
        law: lawOf(resin),
        mix: mixKey(resin, tints),
        volume,
        mass: volume * mixDensity(resin.ratio, resin),
        wait: joins === undefined ? 0 : pourAt - joins,
        gel: gelAt - mixAt - later,
        hard: demouldAt - mixAt - later,
        trim: comesOutRubbery(plan, trimAt) ? trimAt - mixAt : undefined,
        room: plan.room,
        hazards: layer.hazards,
        sets: layer.setIn.flatMap(({ when }, k) => {
          if (!when) return []
          const { name, count } = plan.layers[layer.index].inclusions[k]
          const until = Math.max(0, when.until - mixAt)
          const from = Math.min(until, Math.max(0, when.from - mixAt))
          return [{ name, count: count * cavities, how: when.how, from, until }]
        }),
      }
      const skin = skinOfMould(layer.skin, cavities / plan.copies)
      return layer.shell ? shotsOf({ ...one, skin }, layer) : [one]
    }),
    spots: closed && mould ? spotsOf(mould, drawn) : [],
    stops,
    step: plan.scaleStep,
  }
}

/** The skin of a mix, as far as one mould is of its copies. */
function skinOfMould(skin: CompiledSkin | undefined, share: number): MouldSkin | undefined {
  if (!skin) return undefined
  const { powder, dust, face } = skin
  return {
    powder,
    dust: dust * share,
    face: face && { powder: face.powder * share, resin: face.resin * share },
  }
}

/** Each shot of a shell as a layer of its own. */
function shotsOf(one: RunLayer, { shell, turning, clock }: CompiledLayer): RunLayer[] {
  const { shots, turned, turns } = shell!.fill
  const gap = shotGap(shots, clock!)
  return Array.from({ length: shots }, (_, i) => ({
    ...one,
    wait: i === 0 ? one.wait : gap,
    sets: i === 0 ? one.sets : [],
    skin: i === 0 ? one.skin : undefined,
    turned: {
      shot: i + 1,
      of: shots,
      by: turned,
      turns,
      countsFrom: turning?.countsFrom ?? one.gel,
      stopsAt: turning?.stopsAt ?? one.gel,
    },
  }))
}

function spotsOf(
  { openings, prefills }: Pick<Mould, 'openings' | 'prefills'>,
  { axes, origin }: KnownPour['drawn'],
): Spot[] {
  const placed = (what: Spot['what'], at: Vec3): Spot => {
    const [across, , height] = toAxes(axes, at)
    return { what, across: across - origin[0], height: height - origin[2] }
  }
  return [
    ...openings.map(({ what, at }) => placed(what, at)),
    ...prefills.map(({ at }) => placed('prefill', at)),
  ]
}

const grown = ({ width, depth, height }: Omit<Block, 'round'>): Block => ({
  round: false,
  width: width + 2 * around,
  depth: depth + 2 * around,
  height: height + around,
})

/** The same for what is stirred together: the resin, and its tints in their shares. */
const mixKey = ({ name }: Resin, tints: readonly Dose[]): string =>
  [
    name,
    ...tints.map(({ material, fraction }) => `${material.name} ${fraction.toPrecision(3)}`),
  ].join(' + ')

/**
 * Sides of a piece as it lies, from its bounds in its own axes and the axis nearest to up, m.
 *
 * @example sizeAs({ low: [0, 0, 0], high: [1, 2, 3] }, [0, 0, -1]).height // 3
 */
export function sizeAs(
  { low, high }: { low: readonly number[]; high: readonly number[] },
  up: readonly number[],
): { width: number; depth: number; height: number } {
  const upright = up.map(Math.abs)
  const k = upright.indexOf(Math.max(...upright))
  const [width, depth] = [0, 1, 2].filter((i) => i !== k).map((i) => high[i] - low[i])
  return { width, depth, height: high[k] - low[k] }
}
