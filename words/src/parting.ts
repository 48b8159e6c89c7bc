import type { PartingKey } from '@mivro/core/mould'
import { metric, show, showAngle, type UnitChoice } from '@mivro/core/base/units'

/** How a mould of two halves parts. */
export const partingForms = { level: 'Level', climbing: 'Climbing' } as const

/** What a parting locks, to the volume that matters. */
const volume = (x: number, units: UnitChoice) => show(x, 'volume', units, { step: 1e-7 })

/** Less than this is neither told nor weighed, m³: a grain of rice. */
const grain = 2e-8

export interface PartingFacts {
  /** Locked by the level parting and by the one that climbs, m³, and of that between parts of the piece. */
  level: number
  climbing: number
  between: number
  climbs: boolean
}

/**
 * What the one parting locks and the other would not.
 *
 * @example sayParting({ level: 7.2e-6, climbing: 5.1e-6, between: 5.1e-6, climbs: false }) // 'Parted level, 2.1 ml of silicone are locked that a climbing parting sets free.'
 */
export function sayParting(
  { level, climbing, between, climbs }: PartingFacts,
  units: UnitChoice = metric,
): string {
  const gained = level - climbing
  if (level - between < grain)
    return 'Parted level nothing is locked that another parting would set free.'
  return climbs
    ? `Climbing with the outline sets ${volume(gained, units)} free that a level parting locks.`
    : `Parted level, ${volume(gained, units)} of silicone are locked that a climbing parting sets free.`
}

/**
 * What no parting frees; nothing where there is none.
 *
 * @example sayBetween(5.1e-6) // '5.1 ml lie between parts of the piece: no parting frees them. Fill that gap in the master with wax, or make it a core.'
 */
export const sayBetween = (between: number, units: UnitChoice = metric): string =>
  between < grain
    ? ''
    : `${volume(between, units)} lie between parts of the piece: no parting frees them. Fill that gap in the master with wax, or make it a core.`

/** A bed steeper than this is said, as rise by run. */
const steep = Math.tan((50 * Math.PI) / 180)

/**
 * How high the bed climbs, and where it has to be cut sharp.
 *
 * @example sayClimb({ from: 0.016, to: 0.04, steepest: 2 }) // 'The bed climbs from 16.0 to 40.0 mm above the lowest point of the master. At its steepest it rises by 63° beside the piece: cut that step clean.'
 */
export function sayClimb(
  { from, to, steepest }: { from: number; to: number; steepest: number },
  units: UnitChoice = metric,
): string {
  const [low, high] = [from, to].map((x) => show(x, 'length', units))
  const plain = low.replace(/\s\S+$/, '')
  const climbs =
    low === high
      ? `The bed lies level, ${low} above the lowest point of the master.`
      : `The bed climbs from ${plain} to ${high} above the lowest point of the master.`
  return steepest < steep
    ? climbs
    : `${climbs} At its steepest it rises by ${showAngle(Math.atan(steepest))} beside the piece: cut that step clean.`
}

/**
 * Keys of the bed: how many, how wide, or that there is no room for them.
 *
 * @example sayKeys([{ width: 0.006 }, { width: 0.006 }, { width: 0.006 }]) // '3 keys of 6.0 mm, one of them longer so that the halves close one way only.'
 */
export const sayKeys = (
  keys: readonly Pick<PartingKey, 'width'>[],
  units: UnitChoice = metric,
): string =>
  keys.length === 0
    ? 'No room for keys beside the piece: move the walls further out, or cut a wavy edge.'
    : `${keys.length} keys of ${show(keys[0].width, 'length', units)}, one of them longer so that the halves close one way only.`

/**
 * What a pull that is tried would lock.
 *
 * @example sayTried({ angle: 0.1745, level: 7.9e-6, climbing: 5.8e-6 }) // '10° from now: about 7.9 ml locked when parted level, 5.8 ml climbing.'
 */
export const sayTried = (
  { angle, level, climbing }: { angle: number; level: number; climbing: number },
  units: UnitChoice = metric,
): string =>
  `${showAngle(angle)} from now: about ${volume(level, units)} locked when parted level, ${volume(climbing, units)} climbing.`
