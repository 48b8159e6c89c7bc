import type { Mould } from '../../mould/index.ts'
import type { Plan } from './plan.ts'

/**
 * How many casts are wanted in all: what the mould is made for, and no fewer than one mix makes.
 *
 * @example castsWanted({ copies: 21 }, { wish: { copies: 1 } }) // 21
 */
export const castsWanted = (
  { copies }: Pick<Plan, 'copies'>,
  mould: { wish: Pick<Mould['wish'], 'copies'> } | undefined,
): number => Math.max(copies, mould?.wish.copies ?? 0)

/**
 * How many mixes like this an order takes.
 *
 * @example mixesFor(24, 5) // 5
 */
export const mixesFor = (wanted: number, copiesOfOne: number): number =>
  Math.ceil(wanted / copiesOfOne)
