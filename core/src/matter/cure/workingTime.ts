import type { Silicone } from '../material/index.ts'
import { eightInTen } from './calibrate/leastSquares.ts'
import { arrhenius } from './kinetics/index.ts'

/** Activation energy of a silicone's cure, J/mol, where nothing was seen (from memory). */
const usualEnergy = 50e3

/** How far it may plausibly be off, J/mol, and the log of the rate; trust in one observation. */
const plausible = { energy: 15e3, rate: 0.3, time: 0.1 } as const

/** How a silicone's working time runs with the room. */
export interface WorkingLaw {
  /** s at the sheet's temperature. */
  at: number
  sheetTemperature: number
  energy: number
  /** Inverse of the covariance of the log of its rate and its energy. */
  information: readonly [rate: number, both: number, energy: number]
}

/** Log of a time against a room: the Arrhenius variable, 0 at the sheet's temperature, mol/J. */
const arrheniusVariable = (sheetTemperature: number, room: number): number =>
  Math.log(arrhenius(1e3, sheetTemperature) / arrhenius(1e3, room)) / 1e3

/**
 * Working time of a silicone from its sheet, moved to what was really seen: log time is a
 * straight line in the Arrhenius variable, fitted by least squares with the sheet as prior.
 *
 * @example workingTime(workingLaw(silicone), silicone.sheetTemperature) // silicone.potLife
 */
export function workingLaw({ potLife, sheetTemperature, observations = [] }: Silicone): WorkingLaw {
  const counted = observations.filter(({ what, leftOut }) => what === 'pot life' && !leftOut)
  // log(time / potLife) = rate + energy · x.
  let [rr, re, ee] = [1 / plausible.rate ** 2, 0, 1 / plausible.energy ** 2]
  let [br, be] = [0, usualEnergy / plausible.energy ** 2]
  const weight = 1 / plausible.time ** 2
  for (const { room, value } of counted) {
    const at = arrheniusVariable(sheetTemperature, room)
    const seen = Math.log(value / potLife)
    rr += weight
    re += weight * at
    ee += weight * at * at
    br += weight * seen
    be += weight * seen * at
  }
  const determinant = rr * ee - re * re
  const rate = (br * ee - be * re) / determinant
  const energy = (be * rr - br * re) / determinant
  return { at: potLife * Math.exp(rate), sheetTemperature, energy, information: [rr, re, ee] }
}

/**
 * By what factor the working time in a room may be off, up or down, eight times in ten.
 *
 * @example workingBand(workingLaw(silicone), silicone.sheetTemperature).toFixed(2) // '1.47'
 */
export function workingBand({ sheetTemperature, information }: WorkingLaw, room: number): number {
  const [rr, re, ee] = information
  const x = arrheniusVariable(sheetTemperature, room)
  const variance = (ee - 2 * re * x + rr * x * x) / (rr * ee - re * re)
  return eightInTen(Math.sqrt(variance))
}

/** Working time in a room, s. */
export const workingTime = ({ at, sheetTemperature, energy }: WorkingLaw, room: number): number =>
  (at * arrhenius(energy, sheetTemperature)) / arrhenius(energy, room)

/**
 * A silicone as it is in a room: its working time by what its sheet and the bench say of it; its
 * demould time later where it is cooler, and never earlier than the sheet's.
 *
 * @example siliconeIn(silicone, silicone.sheetTemperature - 10).potLife / silicone.potLife // 2.03
 */
export function siliconeIn(silicone: Silicone, room: number): Silicone {
  const law = workingLaw(silicone)
  const slower = arrhenius(law.energy, silicone.sheetTemperature) / arrhenius(law.energy, room)
  return {
    ...silicone,
    potLife: workingTime(law, room),
    demould: silicone.demould * Math.max(1, slower),
    sheetTemperature: room,
    observations: undefined,
  }
}
