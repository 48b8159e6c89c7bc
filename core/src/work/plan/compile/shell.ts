import { caution, type Caution } from '../../../base/caution/index.ts'
import { areaNear, type FillCurve } from '../../../form/filling/index.ts'
import { shellVolume, wallOf, type TurnedWall, type WallDepths } from '../../../form/wall/index.ts'
import type { CureTimes } from '../../../matter/cure/index.ts'
import type { Resin } from '../../../matter/material/index.ts'
import { mixDensity } from '../../../matter/mix/index.ts'
import {
  fastestByHand,
  fewestTurns,
  shotsFor,
  turnedShot,
  type TurnedShot,
} from '../../../matter/turning/index.ts'
import type { Layer, ShellFill } from '../plan.ts'
import type { PouredInto } from '../pouredInto.ts'

/** A layer that lines the mould's walls: where it lies, in m under them, and what it saves. */
export interface PlacedShell {
  fill: ShellFill
  /** What lines the walls already, and as far as this one reaches. */
  from: number
  to: number
  /** Inner faces of its shots, from the first. */
  inner: number[]
  /** m³ */
  volume: number
  /** Of what would fill the same room, as a share. */
  share: number
  /** The wall that a third of a solid cast would make. */
  third: number
  /** From its deepest place to the nearest wall. */
  deepest: number
  /** Of the walls, m². */
  area: number
}

/** What turning it comes to: asked of the model of its cure. */
export interface CompiledTurning extends TurnedShot {
  /** From the axis to the wall, an estimate, m. */
  radius: number
  /** Shots that are each turned often enough; absent where no number of them is. */
  shots?: number
}

/** A wall thinner than this breaks at demoulding; a thicker one is hot and dear (common practice, no source), m. */
const thinnestWall = 0.002
const thickestWall = 0.006

/** By hand nobody turns a mould for longer (common practice, no source), s. */
const longestByHand = 20 * 60

/** The trade's first guess. */
const guess = 1 / 3

/** Cups that a layer is mixed in as it was asked: each shot of a shell is mixed for itself. */
export const cupsOf = ({ fill, cups }: Layer): number | undefined =>
  fill.by === 'shell' ? fill.shots : cups

/** How thick each of its shots is, m. */
export const filmOf = ({ fill, from, to }: Pick<PlacedShell, 'fill' | 'from' | 'to'>): number =>
  (to - from) / fill.shots

/** Levels at which the widest section is looked for. */
const levels = 24

/**
 * Where a shell lies that is poured over what lines the walls to `lined`, above `bottom`, and what it
 * takes, m³. Shots are alike in weight, since so they are weighed.
 */
export function placeShell(
  fill: ShellFill,
  depths: WallDepths,
  { lined, bottom }: { lined: number; bottom: number },
): PlacedShell {
  const within = (depth: number) => shellVolume(depths, depth, bottom)
  const to = Math.min(lined + fill.wall, depths.deepest)
  const before = within(lined)
  const volume = within(to) - before
  const all = within(depths.deepest)
  const inner = Array.from({ length: fill.shots }, (_, i) =>
    i + 1 === fill.shots ? to : wallOf(depths, before + (volume * (i + 1)) / fill.shots, bottom),
  )
  return {
    fill,
    from: lined,
    to,
    inner,
    volume,
    share: all > before ? volume / (all - before) : 1,
    third: wallOf(depths, all * guess, bottom),
    deepest: depths.deepest,
    area: wallArea(within, depths.deepest / near),
  }
}

/** Walls are measured by what lies within so much of the deepest place of them. */
const near = 6

/** Of the walls, m²: what lies just under them, by its depth (Richardson's extrapolation to none). */
const wallArea = (within: (depth: number) => number, depth: number): number =>
  (2 * within(depth)) / depth - within(2 * depth) / (2 * depth)

/**
 * The wall, m, that a volume of a shell makes, by what lines the walls before it: backwards from a weight.
 *
 * @example wallFor({ from: 0.003 }, depthsOfBlock, 1e-5).toFixed(3) // '0.002'
 */
export function wallFor(
  { from }: Pick<PlacedShell, 'from'>,
  depths: WallDepths,
  volume: number,
  bottom = 0,
): number {
  return wallOf(depths, shellVolume(depths, from, bottom) + volume, bottom) - from
}

/** A layer of a cast, as far as its weight tells its wall. */
interface WeighedWall {
  shell?: Pick<PlacedShell, 'from'>
  resin: number
  each?: { mass: number }
  bottom: number
}

/**
 * The same of a cast that was weighed, kg: what its mix weighs is known of the layer as it is planned.
 *
 * @example wallForMass({ shell: { from: 0 }, resin: 1e-5, each: { mass: 0.01 }, bottom: 0 }, depthsOfBlock, 0.02).toFixed(3) // '0.003'
 */
export function wallForMass(
  { shell, resin, each, bottom }: WeighedWall,
  depths: WallDepths,
  mass: number,
): number | undefined {
  if (!shell || !each || !(each.mass > 0)) return undefined
  return wallFor(shell, depths, (resin * mass) / each.mass, bottom)
}

/**
 * Backwards again: what a wall of a layer weighs, kg, in one copy.
 *
 * @example massForWall({ shell: { from: 0 }, resin: 2e-5, each: { mass: 0.02 }, bottom: 0 }, depthsOfBlock, 0.003).toFixed(3) // '0.022'
 */
export const massForWall = (
  { shell, resin, each, bottom }: WeighedWall,
  depths: WallDepths,
  wall: number,
): number => {
  const { from } = shell ?? { from: 0 }
  const volume = shellVolume(depths, from + wall, bottom) - shellVolume(depths, from, bottom)
  return resin > 0 ? (volume * (each?.mass ?? 0)) / resin : 0
}

/** Half of its widest section about the axis that it is turned by, taken as round, m. */
export const turningRadius = (curve: FillCurve): number =>
  Math.sqrt(
    Math.max(
      ...Array.from({ length: levels - 1 }, (_, i) =>
        areaNear(curve, (curve.height * (i + 1)) / levels),
      ),
    ) / Math.PI,
  )

/**
 * How a layer is turned, as far as the evenness of its wall asks; undefined until the model has said how
 * it thickens.
 *
 * @example turnedWall({ bottom: 0 }, { mould: 'closed' }) // undefined
 */
export function turnedWall(
  {
    shell,
    turning,
    bottom,
  }: { shell?: PlacedShell; turning?: Pick<CompiledTurning, 'visits'>; bottom: number },
  { mould }: Pick<PouredInto, 'mould'>,
): TurnedWall | undefined {
  if (!shell || !turning) return undefined
  const { from, to, volume, fill } = shell
  return {
    wall: to - from,
    volume,
    shots: fill.shots,
    visits: turning.visits,
    mouth: mould === 'open',
    bottom,
    thin: thinnestWall,
  }
}

/** How its shots turn, once the model has said how they thicken. */
export function turningOf(
  shell: PlacedShell,
  resin: Resin,
  radius: number,
  { poured, times }: { poured: number; times: CureTimes },
): CompiledTurning | undefined {
  const { thickening } = times
  if (!thickening) return undefined
  const { fill, from, to } = shell
  const density = mixDensity(resin.ratio, resin)
  const turned = (thickness: number) =>
    turnedShot(thickening, { thickness, density, poured, radius, rate: fill.turns / 60 })
  return {
    ...turned(filmOf(shell)),
    radius,
    shots: shotsFor(to - from, turned),
  }
}

/** What is to be said of a shell itself. */
export function judgeShell(
  { id, name }: Layer,
  { fill, to, deepest }: PlacedShell,
  { into, copies, turning }: { into: PouredInto; copies: number; turning?: CompiledTurning },
): Caution[] {
  const say = { layer: id, field: 'fill' }
  const found: Caution[] = []
  const { wall, shots, turned, turns } = fill
  if (to >= deepest * (1 - 1e-9)) {
    found.push(caution('cast-wall-fills', 'warn', say, { layer: name, wall, deepest }))
  } else if (wall < thinnestWall) {
    found.push(caution('cast-wall-thin', 'warn', say, { layer: name, wall }))
  } else if (wall > thickestWall) {
    found.push(caution('cast-wall-thick', 'warn', say, { layer: name, wall }))
  }
  const vents = into.openings.filter(({ what }) => what === 'vent').length
  if (vents > 0) found.push(caution('hollow-vents', 'warn', say, { layer: name, vents }))
  const ports = into.openings.length - vents
  if (into.mould === 'closed' && into.mouldBy === 'mould' && ports === 0) {
    found.push(caution('hollow-port', 'todo', say, { layer: name }))
  }
  if (into.mould === 'closed' && into.soft) {
    found.push(caution('hollow-jacket', 'note', say, { layer: name }))
  }
  const byHand = turned === 'hands'
  if (byHand && turns > fastestByHand) {
    found.push(caution('turns-by-hand', 'warn', say, { layer: name, turns, most: fastestByHand }))
  }
  if (byHand && copies > 1) {
    found.push(caution('turned-one-by-one', 'warn', say, { layer: name, copies }))
  }
  if (!turning) return found
  if (byHand && turning.gelAt > longestByHand) {
    found.push(caution('turns-for-long', 'warn', say, { layer: name, gel: turning.gelAt }))
  }
  if (turning.turns < fewestTurns) {
    const more = turning.shots !== undefined && turning.shots > shots ? turning.shots : null
    const amounts = { layer: name, turned: turning.turns, fewest: fewestTurns, shots: more }
    found.push(caution('turns-too-few', 'warn', say, amounts))
  }
  return found
}
