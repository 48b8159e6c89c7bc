import type { Hands } from './hands.ts'

const gravity = 9.80665

/** What a bench syringe holds, m³ (common practice, no source). */
export const syringe = 20e-6

/** How a mould is filled, and how long that takes, s. */
export interface Filling {
  by: 'pouring' | 'syringe'
  time: number
}

/**
 * How a mould is filled soonest: poured, as fast as its gate lets it run by its own weight
 * (Hagen 1839 and Poiseuille 1840: π·d⁴·ρ·g / (128·η) through a gate that stands full), or by the
 * syringe, drawn up as often as it takes; each cavity by itself. Volume m³ in all, bore of a gate m,
 * viscosity Pa·s, density kg/m³.
 *
 * @example fillingOf(usualHands, { volume: 4e-6 }, { viscosity: 0.1, density: 1050 }).time // 20
 */
export function fillingOf(
  hands: Pick<Hands, 'fill' | 'drawUp'>,
  { volume, bore, casts = 1 }: { volume: number; bore?: number; casts?: number },
  { viscosity, density }: { viscosity: number; density: number },
): Filling {
  const fills = hands.fill * casts
  if (bore === undefined) return { by: 'pouring', time: fills }
  const flow = (Math.PI * bore ** 4 * density * gravity) / (128 * viscosity)
  const poured = Math.max(fills, volume / flow)
  const drawn = fills + hands.drawUp * Math.ceil(volume / syringe)
  return poured <= drawn ? { by: 'pouring', time: poured } : { by: 'syringe', time: drawn }
}
