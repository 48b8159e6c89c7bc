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
 * syringe, drawn up as often as it takes. Volume m³, bore m, viscosity Pa·s, density kg/m³.
 *
 * @example fillingOf(usualHands, { volume: 4e-6 }, { viscosity: 0.1, density: 1050 }).time // 20
 */
export function fillingOf(
  hands: Pick<Hands, 'fill' | 'drawUp'>,
  { volume, bore }: { volume: number; bore?: number },
  { viscosity, density }: { viscosity: number; density: number },
): Filling {
  if (bore === undefined) return { by: 'pouring', time: hands.fill }
  const flow = (Math.PI * bore ** 4 * density * gravity) / (128 * viscosity)
  const poured = Math.max(hands.fill, volume / flow)
  const drawn = hands.fill + hands.drawUp * Math.ceil(volume / syringe)
  return poured <= drawn ? { by: 'pouring', time: poured } : { by: 'syringe', time: drawn }
}
