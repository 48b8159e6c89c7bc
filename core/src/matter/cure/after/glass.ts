import type { ResinClass } from '../../material/index.ts'

/** How the glass transition of a class rises with its cure: K before it reacts and fully cured. */
export interface Glass {
  none: number
  full: number
  /** Ratio of the steps in heat capacity, cured over uncured. */
  ratio: number
}

/** What is usual for each class of resin (from memory). */
export const glassOf: Record<ResinClass, Glass> = {
  'deep epoxy': { none: 233, full: 328, ratio: 0.35 },
  'coating epoxy': { none: 238, full: 333, ratio: 0.35 },
  'fast urethane': { none: 228, full: 343, ratio: 0.35 },
  'clear urethane': { none: 228, full: 353, ratio: 0.35 },
  polyester: { none: 223, full: 343, ratio: 0.4 },
}

/**
 * Glass transition at a degree of cure, K (DiBenedetto 1987, from memory):
 * Tg = Tg0 + (Tg∞ − Tg0)·λα / (1 − (1 − λ)·α).
 *
 * @example Math.round(glassAt({ none: 233, full: 328, ratio: 0.35 }, 0.9)) // 305
 */
export const glassAt = ({ none, full, ratio }: Glass, alpha: number): number =>
  none + ((full - none) * ratio * alpha) / (1 - (1 - ratio) * alpha)

/** A cure stops for want of mobility where its glass transition lies so far over its temperature, K (from memory). */
const stopsAbove = 15

/**
 * The degree of cure at which a mix turns to glass at a temperature, K: DiBenedetto's law turned round.
 * It cures no further until it is warmed. 1 where it cures through.
 *
 * @example glassyAt({ none: 233, full: 328, ratio: 0.35 }, 320) // 1
 */
export function glassyAt({ none, full, ratio }: Glass, temperature: number): number {
  const share = (temperature + stopsAbove - none) / (full - none)
  if (share >= 1) return 1
  return share <= 0 ? 0 : share / (ratio + (1 - ratio) * share)
}
