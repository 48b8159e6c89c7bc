import type { ResinClass } from '../../material/index.ts'

/** The gas constant, J/(mol·K) (SI, exact to the digits given). */
export const gasConstant = 8.314462618

/** The temperature that rates are stated at: 23 °C, K. */
export const standardTemperature = 296.15

/** No reaction of this trade is faster, 1/s: keeps a runaway from outrunning the arithmetic. */
export const fastestRate = 0.02

/** Which reaction: rates at 23 °C in 1/s, activation energy in J/mol. */
export interface Kinetics {
  k1: number
  k2: number
  energy: number
  m: number
  n: number
  /** Degree of cure where the reaction turns slow for want of mobility; absent: it does not. */
  tail?: number
}

/** What the reacting mass holds and conducts: J/kg, J/(kg·K), W/(m·K), kg/m³. */
export interface Thermal {
  heat: number
  heatCapacity: number
  conductivity: number
  density: number
}

/** How it thickens: Pa·s at 23 °C before it reacts, J/mol, degree of cure at the gel. */
export interface Rheology {
  viscosity: number
  energy: number
  gel: number
  a: number
  b: number
}

/** How one mix cures: everything the clock and the heat field ask of it. */
export interface CureLaw {
  kinetics: Kinetics
  thermal: Thermal
  rheology: Rheology
  /** Degree of cure from which it bears being bent out of a mould. */
  demould: number
}

type ClassLaw = Omit<CureLaw, 'kinetics'> & { kinetics: Omit<Kinetics, 'k1' | 'k2' | 'tail'> }

const law = (
  [heat, heatCapacity, conductivity, density]: [number, number, number, number],
  [energy, m, n]: [number, number, number],
  [viscosity, flowEnergy, gel, a, b]: [number, number, number, number, number],
  demould: number,
): ClassLaw => ({
  thermal: { heat: heat * 1e3, heatCapacity, conductivity, density },
  kinetics: { energy: energy * 1e3, m, n },
  rheology: { viscosity, energy: flowEnergy * 1e3, gel, a, b },
  demould,
})

/** What is usual for each class of resin, where its sheet does not say (from memory). */
export const classLaws: Record<ResinClass, ClassLaw> = {
  'deep epoxy': law([300, 1950, 0.2, 1090], [55, 0.9, 1.6], [0.25, 55, 0.6, 1.5, 1], 0.85),
  'coating epoxy': law([350, 2000, 0.2, 1110], [55, 0.9, 1.6], [0.9, 60, 0.58, 1.5, 1], 0.85),
  'fast urethane': law([180, 1850, 0.2, 1050], [45, 0.8, 1.6], [0.1, 40, 0.65, 1.5, 1], 0.85),
  'clear urethane': law([210, 1850, 0.2, 1060], [45, 0.8, 1.6], [0.6, 50, 0.68, 1.5, 1], 0.85),
  polyester: law([300, 1950, 0.18, 1120], [65, 0.8, 1.2], [0.4, 35, 0.1, 1.5, 0], 0.8),
}
