import { potMassOf, type Observation, type Resin } from '../../material/index.ts'
import { alphaDoubled, timeTo, type CureLaw } from '../kinetics/index.ts'
import type { Calibration } from './calibrate.ts'
import { runCup } from './cup.ts'
import { deviation, eightInTen, leastSquares } from './leastSquares.ts'

/** What one real observation is trusted to: a tenth of a time, 5 K of a peak (common practice, no source). */
const trust = { time: 0.1, peak: 5 } as const

/**
 * How far each part of the sheet's law may plausibly be off: log of the rate, activation energy
 * in J/mol, log of the heat, degree of cure at the gel and at demoulding (from memory).
 */
const plausible = [0.3, 10e3, 0.15, 0.05, 0.05] as const

/** What is seen with what: pot lives say rate and energy, peaks heat, gels the gel. */
export interface Learned extends Calibration {
  /** Observations that count, and how far the law is off each of them: log of a time, or K. */
  seen: { observation: Observation; before: number; after: number }[]
  /** By what real times at 23 °C differ from the sheet's: below 1 is faster; and its band, eight in ten. */
  factor: number
  factorBand: readonly [low: number, high: number]
  /** How surely the parts of the law are known: inverse of their covariance, in units of what is plausible. */
  information: number[][]
  /** J/mol, of the sheet and learned. */
  energy: { sheet: number; learned: number }
}

/**
 * The sheet's law moved to what was really seen: least squares over the observations that are
 * not left out, held near the sheet by how far off each part of it plausibly is (Gauss–Newton
 * with a prior). Without observations it is the sheet's law.
 *
 * @example learn(calibrate(resin), { ...resin, observations: [] }).factor // 1
 */
export function learn(calibration: Calibration, resin: Resin): Learned {
  const counted = (resin.observations ?? []).filter(({ leftOut }) => !leftOut)
  const off = (law: CureLaw) => counted.map((seen) => residual(law, seen, resin))
  const before = off(calibration.law)
  const { parameters, information } = leastSquares(
    (parameters) => off(moved(calibration.law, parameters)).map((r, i) => r / trustOf(counted[i])),
    plausible,
  )
  const law = counted.length > 0 ? moved(calibration.law, parameters) : calibration.law
  const after = off(law)
  const atSheet = { mass: potMassOf(resin), room: resin.sheetTemperature }
  const cup = runCup(law, atSheet)
  const factor = cup.doubled / calibration.cup.doubled
  const band =
    counted.length > 0
      ? timeBand({ law, information }, (moved) => runCup(moved, atSheet).doubled)
      : 1
  return {
    ...calibration,
    law,
    joinUntil: Math.max(calibration.joinUntil, law.rheology.gel + 0.01),
    cup,
    seen: counted.map((observation, i) => ({ observation, before: before[i], after: after[i] })),
    factor,
    factorBand: [factor / band, factor * band],
    information,
    energy: { sheet: calibration.law.kinetics.energy, learned: law.kinetics.energy },
  }
}

/** A slope is taken over this share of what a part of the law may plausibly be off. */
const nudge = 0.05

/**
 * By what factor a time that the law answers may be off, up or down, eight times in ten: from how
 * surely its parts are known.
 *
 * @example timeBand(learn(calibrate(resin), { ...resin, observations: [] }), () => 60) // 1
 */
export function timeBand(
  { law, information }: Pick<Learned, 'law' | 'information'>,
  time: (law: CureLaw) => number,
): number {
  const middle = time(law)
  const slopes = plausible.map((step, i) => {
    const parts = plausible.map((_, j) => (i === j ? nudge * step : 0))
    return Math.log(time(moved(law, parts)) / middle) / nudge
  })
  return eightInTen(deviation(information, slopes))
}

const trustOf = ({ what }: Observation) => (what === 'peak' ? trust.peak : trust.time)

/** The law with its parts moved, each kept where it makes sense. */
function moved(law: CureLaw, [rate, energy, heat, gel, demould]: readonly number[]): CureLaw {
  const speed = Math.exp(rate)
  const atGel = Math.min(0.95, Math.max(0.05, law.rheology.gel + gel))
  return {
    thermal: { ...law.thermal, heat: law.thermal.heat * Math.exp(heat) },
    kinetics: {
      ...law.kinetics,
      k1: law.kinetics.k1 * speed,
      k2: law.kinetics.k2 * speed,
      energy: Math.max(10e3, law.kinetics.energy + energy),
    },
    rheology: { ...law.rheology, gel: atGel },
    demould: Math.min(0.98, Math.max(atGel + 0.02, law.demould + demould)),
  }
}

/** What a law makes of one observation's mass and room: s, or K for a peak. */
export function predicted(
  law: CureLaw,
  { what, room, mass, value }: Pick<Observation, 'what' | 'room' | 'mass' | 'value'>,
  { potLifeMeans }: Pick<Resin, 'potLifeMeans'>,
): number {
  if (what === 'demould') return timeTo(law.kinetics, law.demould, room)
  if (what === 'pot life' && potLifeMeans === 'thin film') {
    return timeTo(law.kinetics, alphaDoubled(law.rheology), room)
  }
  const story = runCup(law, what === 'peak' ? { mass, room } : { mass, room, longest: value * 50 })
  if (what === 'peak') return story.peak
  const time = what === 'gel' || potLifeMeans === 'gel' ? story.gel : story.doubled
  return Math.min(time, value * 50)
}

function residual(law: CureLaw, seen: Observation, resin: Resin): number {
  const found = predicted(law, seen, resin)
  return seen.what === 'peak' ? found - seen.value : Math.log(found / seen.value)
}
