import type { WallDepths } from '../../form/wall/index.ts'
import { wallForMass, type CompiledPlan, type Plan } from '../plan/index.ts'
import type { Pull } from './pull.ts'

/** A hollow cast that was weighed: the wall it has. */
export interface CastWall {
  /** Of the cast, kg. */
  mass: number
  /** m */
  wall: number
  wished: number
  /** With which the next one gets the wall that is wished; absent where it is the plan's already. */
  reserve?: number
}

/** No more is mixed on top (as a plan's own reserve). */
const mostReserve = 2
/** What a scale rounds away moves a reserve by less. */
const sameReserve = 0.01

/**
 * What the newest cast of a plan that was weighed says of its wall. What stayed in cup and tools then
 * stays there again: it is the reserve of the next. Only where one layer is a wall is it known which.
 */
export function castWall(
  { id, plan }: { id: string; plan: Plan },
  { layers }: Pick<CompiledPlan, 'layers'>,
  depths: WallDepths,
  pulls: readonly Pull[],
): CastWall | undefined {
  const shells = layers.filter(({ shell }) => shell)
  const [pull] = pulls
    .filter((one) => one.plan === id && one.castMass !== undefined)
    .sort((a, b) => Date.parse(b.pouredAt) - Date.parse(a.pouredAt))
  const [layer] = shells
  if (shells.length !== 1 || !pull || !layer.each) return undefined
  const mass = pull.castMass!
  const planned = layers.reduce((sum, { each }) => sum + (each?.mass ?? 0), 0)
  const wall = wallForMass(layer, depths, Math.max(0, mass - (planned - layer.each.mass)))
  if (wall === undefined) return undefined
  const mixed = pull.layers.reduce(
    (sum, { amounts }) =>
      sum + amounts.reduce((all, { weighed, planned }) => all + (weighed ?? planned), 0),
    0,
  )
  const stays = mixed / pull.copies - mass
  const found = { mass, wall, wished: layer.shell!.fill.wall }
  const reserve = Math.min(mostReserve, stays / planned)
  const known = stays >= 0 && Math.abs(reserve - plan.reserve) > sameReserve
  return known ? { ...found, reserve } : found
}
