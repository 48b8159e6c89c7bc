import { chain, cutEdges, fromSection, type Section } from '../../form/filling/index.ts'
import { axesFor, toAxes, type Vec3 } from '../../form/mesh/index.ts'
import { boundsOfLoop, insideLoop, type Loop } from '../../form/shape/index.ts'
import type { Footprint } from '../box/footprint.ts'
import type { MouldGeometry } from '../geometry.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { climbingHeight, type ClimbingParting } from './climbing.ts'

/** Height of the parting above the lowest point of the master at a place of the floor plan, m. */
export type PartingHeight = (x: number, y: number) => number

/** Samples along the longer side of a floor plan: its mean height is known to a thousandth. */
const samples = 64
/** Cells along each side of a cut in which its line is looked for. */
const drawnCells = 96

/** Where a level parting lies: where it was put, or in the middle of where least is blocked. */
export const partingOf = (
  mould: Pick<Mould, 'parting'>,
  { parting }: Pick<MouldGeometry, 'parting'>,
): number => mould.parting ?? (parting.from + parting.to) / 2

/**
 * The parting that climbs, where a mould has one: poured in two halves in a box, wished so, and known.
 *
 * @example climbingOf(mouldOf80x60x40, geometryOf60x40x20) // undefined
 */
export const climbingOf = (
  { kind, climbs }: Pick<Mould, 'kind' | 'climbs'>,
  { climbing }: Pick<MouldGeometry, 'climbing'>,
): ClimbingParting | undefined => (climbs && mayClimb(kind) ? climbing : undefined)

/** Whether a mould of that kind can part along a bed that climbs: two halves in a box. */
export const mayClimb = (kind: Mould['kind']): boolean =>
  mouldKinds[kind].parts === 2 && mouldKinds[kind].poured === 'block'

/**
 * The parting of a mould over the floor plan of its box: level, or climbing with the outline of each
 * master; between masters it leads from one to the next (Shepard's inverse distances).
 *
 * @example partingHeights(mouldOf80x60x40, geometryOf60x40x20)(0.03, 0) // 0.01
 */
export function partingHeights(
  mould: Pick<Mould, 'kind' | 'parting' | 'climbs'>,
  geometry: Pick<MouldGeometry, 'parting' | 'climbing' | 'foot'>,
): PartingHeight {
  const climbing = climbingOf(mould, geometry)
  const level = partingOf(mould, geometry)
  if (!climbing) return () => level
  const { places, one } = geometry.foot
  if (places.length === 1) return (x, y) => climbingHeight(climbing, x, y)
  const [wide, deep] = boundsOfLoop(one).high
  return (x, y) => {
    let [sum, weights] = [0, 0]
    for (const [dx, dy] of places) {
      const away = Math.hypot(
        Math.max(0, Math.abs(x - dx) - wide),
        Math.max(0, Math.abs(y - dy) - deep),
      )
      const height = climbingHeight(climbing, x - dx, y - dy)
      if (away === 0) return height
      sum += height / away ** 2
      weights += 1 / away ** 2
    }
    return sum / weights
  }
}

/** The mean height of a parting over a floor plan, m. @example meanHeight(() => 0.01, [0, 0, 1, 0, 1, 1]) // 0.01 */
export function meanHeight(heightAt: PartingHeight, plan: Loop): number {
  const { low, high } = boundsOfLoop(plan)
  const [left, front] = low
  const [width, depth] = [high[0] - left, high[1] - front]
  const step = Math.max(width, depth) / samples
  const [across, along] = [width, depth].map((side) => Math.max(1, Math.round(side / step)))
  let [sum, count] = [0, 0]
  for (let j = 0; j < along; j++) {
    for (let i = 0; i < across; i++) {
      const x = left + ((i + 0.5) * width) / across
      const y = front + ((j + 0.5) * depth) / along
      if (!insideLoop(plan, x, y)) continue
      sum += heightAt(x, y)
      count++
    }
  }
  return count > 0 ? sum / count : heightAt(left, front)
}

/**
 * Where a parting runs on a cut through the piece, however that lies to the pull: lines of points across
 * and up, m, within the bounds given, along which it stands at its own height (marching triangles).
 */
export function partingOnSection(
  heightAt: PartingHeight,
  section: Section,
  masterUp: Vec3,
  { centre, height }: Pick<Footprint, 'centre' | 'height'>,
  { left, right, low, high }: { left: number; right: number; low: number; high: number },
): number[][] {
  const axes = axesFor(masterUp)
  const places: [number, number][] = []
  const over: number[] = []
  for (let j = 0; j <= drawnCells; j++) {
    for (let i = 0; i <= drawnCells; i++) {
      const x = left + (i / drawnCells) * (right - left)
      const h = low + (j / drawnCells) * (high - low)
      const [across, along, up] = toAxes(axes, fromSection(section, x, h))
      places.push([x, h])
      over.push(up - centre[2] + height / 2 - heightAt(across - centre[0], along - centre[1]))
    }
  }
  const triangles: number[] = []
  for (let at = 0; at < places.length - drawnCells - 1; at++) {
    if (at % (drawnCells + 1) === drawnCells) continue
    const [b, c, d] = [at + 1, at + drawnCells + 2, at + drawnCells + 1]
    triangles.push(at, b, c, at, c, d)
  }
  const cuts = cutEdges(Uint32Array.from(triangles), Float64Array.from(over), 0)
  return chain(cuts).map(({ edges }) =>
    edges.flatMap((edge) => {
      const [a, b] = [Math.floor(edge / places.length), edge % places.length]
      const share = over[a] / (over[a] - over[b])
      return [0, 1].map((k) => places[a][k] + share * (places[b][k] - places[a][k]))
    }),
  )
}
