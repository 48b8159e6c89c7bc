import type { WallDepths } from '../../form/wall/index.ts'
import { massForWall, wallForMass, type CompiledPlan, type Plan } from '../plan/index.ts'
import type { Pull } from './pull.ts'

/** A hollow cast that was weighed: the wall it has. */
export interface CastWall {
  /** Its wall is reckoned from its weight, or one was cut open. */
  by: 'weight' | 'cut'
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
 * What the newest cast of a plan that was weighed, or cut open and measured, says of its wall. What stayed in cup and tools then
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
    .filter((one) => one.plan === id && (one.castMass ?? one.cutWall) !== undefined)
    .sort((a, b) => Date.parse(b.pouredAt) - Date.parse(a.pouredAt))
  const [layer] = shells
  if (shells.length !== 1 || !pull || !layer.each) return undefined
  const planned = layers.reduce((sum, { each }) => sum + (each?.mass ?? 0), 0)
  const solid = planned - layer.each.mass
  const { cutWall } = pull
  const mass = pull.castMass ?? solid + massForWall(layer, depths, cutWall!)
  const wall = cutWall ?? wallForMass(layer, depths, Math.max(0, mass - solid))
  if (wall === undefined) return undefined
  const mixed = pull.layers.reduce(
    (sum, { amounts }) =>
      sum + amounts.reduce((all, { weighed, planned }) => all + (weighed ?? planned), 0),
    0,
  )
  const stays = mixed / pull.copies - mass
  const by = cutWall === undefined ? ('weight' as const) : ('cut' as const)
  const found = { by, mass, wall, wished: layer.shell!.fill.wall }
  const reserve = Math.min(mostReserve, stays / planned)
  const known = stays >= 0 && Math.abs(reserve - plan.reserve) > sameReserve
  return known ? { ...found, reserve } : found
}
