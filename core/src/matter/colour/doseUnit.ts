import { isDry, type Tint } from '../material/index.ts'
import { dropWeight } from '../mix/index.ts'

/** What a dose is counted in. */
export const doseUnits = ['share', 'weight', 'drops', 'tips'] as const
export type DoseUnit = (typeof doseUnits)[number]

/** A drop of a liquid tint where none was counted, kg (common practice, no source). */
const usualDrop = 3e-5

/** What a toothpick takes up at its tip, kg: of a liquid or paste, and of a powder (common practice, no source). */
const usualTip = { wet: 8e-6, dry: 3e-6 } as const

/** What one drop or one tip of a tint weighs, kg, and whether the person has weighed it. */
export interface CountedDose {
  mass: number
  learned: boolean
}

/**
 * What one of a unit weighs; nothing falls in drops that is dry.
 *
 * @example countedDose(violet, 'tips').mass // 0.000008
 */
export function countedDose(
  { form, drops, tip }: Pick<Tint, 'form' | 'drops' | 'tip'>,
  unit: 'drops' | 'tips',
): CountedDose | undefined {
  if (unit === 'tips') {
    return { mass: tip ?? usualTip[isDry(form) ? 'dry' : 'wet'], learned: tip !== undefined }
  }
  if (isDry(form)) return undefined
  const counted = dropWeight(drops)
  return { mass: counted?.mass ?? usualDrop, learned: counted !== undefined }
}

/**
 * A dose in so much resin, kg, counted in a unit: a share, kg, or drops and tips.
 *
 * @example doseIn('weight', violet, 0.002, 0.1) // 0.0002
 */
export function doseIn(
  unit: DoseUnit,
  tint: Pick<Tint, 'form' | 'drops' | 'tip'>,
  fraction: number,
  resin: number,
): number {
  if (unit === 'share') return fraction
  if (unit === 'weight') return fraction * resin
  return (fraction * resin) / (countedDose(tint, unit)?.mass ?? Infinity)
}

/**
 * The share of the resin's weight that so many of a unit come to.
 *
 * @example shareOf('drops', { form: 'dye', drops: [{ count: 10, mass: 0.0003 }] }, 2, 0.1).toFixed(4) // '0.0006'
 */
export function shareOf(
  unit: DoseUnit,
  tint: Pick<Tint, 'form' | 'drops' | 'tip'>,
  amount: number,
  resin: number,
): number {
  if (unit === 'share') return amount
  if (unit === 'weight') return amount / resin
  return (amount * (countedDose(tint, unit)?.mass ?? 0)) / resin
}
