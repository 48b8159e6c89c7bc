import { caution, type Caution } from '../../../base/caution/index.ts'
import { potMassOf, type Resin } from '../../material/index.ts'
import { mixDensity } from '../../mix/index.ts'
import {
  alphaAfter,
  alphaDoubled,
  classLaws,
  timeTo,
  type CureLaw,
  type Kinetics,
} from '../kinetics/index.ts'
import { runCup, type CupStory } from './cup.ts'
import { findFalling, illinois } from './solve.ts'

/** What a sheet comes to as a law of cure. */
export interface Calibration {
  law: CureLaw
  /** Degree of cure at which a next layer no longer bonds without sanding. */
  joinUntil: number
  /** The sheet's own pot, lived through by the model. */
  cup: CupStory
  /** How far each of these could be met. */
  cautions: Caution[]
}

/** Pot lives are met to this share. */
const closeEnough = 1e-3

/** k1/k2 is looked for between these; a polyester's radicals start slower. */
const ratios = { usual: [3e-3, 30], polyester: [1e-4, 30] } as const

/** With a tail the early part of the reaction is taken like this. */
const ratioWithTail = 0.3

/** Tacky and bonding until here, where the sheet gives no recoat time (from memory). */
const usualJoin = 0.75

/** A stated peak may change the class's heat by no more than this. */
const heatRange = [0.5, 1.6] as const

/**
 * The law of cure that a data sheet implies. Pot life is always met: it governs heat. Demould
 * time is met by k1/k2, or by a tail where the sheet is slower than that allows; where it is
 * faster the degree of cure it implies is said. A stated peak of the pot refits the heat.
 *
 * @example calibrate(coatingEpoxy).cup.doubled // 2400 (its pot life)
 */
export function calibrate(resin: Resin): Calibration {
  const first = withHeat(resin, 1)
  const { peak } = resin
  if (peak === undefined) return first
  const off = (scale: number) => withHeat(resin, scale).cup.peak - peak
  const [least, most] = heatRange
  const atLow = off(least)
  const atHigh = off(most)
  if (atLow > 0 || atHigh < 0) {
    const scale = atLow > 0 ? least : most
    const nearest = withHeat(resin, scale)
    const amounts = { stated: peak, reached: nearest.cup.peak, mass: potMassOf(resin) }
    nearest.cautions.push(caution('peak-impossible', 'warn', { field: 'peak' }, amounts))
    return nearest
  }
  return withHeat(resin, illinois(off, { low: least, high: most, atLow, atHigh }, 1))
}

function withHeat(resin: Resin, scale: number): Calibration {
  const base = classLaws[resin.class]
  const { m, n, energy } = base.kinetics
  const law: CureLaw = {
    thermal: {
      ...base.thermal,
      heat: base.thermal.heat * scale,
      density: mixDensity(resin.ratio, resin),
    },
    rheology: { ...base.rheology, viscosity: resin.viscosity ?? base.rheology.viscosity },
    demould: base.demould,
    kinetics: { k1: 0, k2: 1e-4, energy, m, n },
  }
  const cautions: Caution[] = []
  law.kinetics = solveKinetics(law, resin, cautions)
  return { law, joinUntil: joinEnd(law, resin), cup: potStory(law, resin), cautions }
}

const potStory = (law: CureLaw, resin: Resin): CupStory =>
  runCup(law, { mass: potMassOf(resin), room: resin.sheetTemperature })

/** The pot life of the model in the reading that the sheet means. */
function potLifeOf(law: CureLaw, resin: Resin): number {
  if (resin.potLifeMeans === 'thin film') {
    return timeTo(law.kinetics, alphaDoubled(law.rheology), resin.sheetTemperature)
  }
  // Until a little after what the sheet says is enough to know how far off it is.
  const story = runCup(law, {
    mass: potMassOf(resin),
    room: resin.sheetTemperature,
    longest: 400 * resin.potLife,
  })
  return resin.potLifeMeans === 'gel' ? story.gel : story.doubled
}

function solveKinetics(law: CureLaw, resin: Resin, cautions: Caution[]): Kinetics {
  let guess = Math.log(1 / resin.potLife)
  /** k2 that meets the pot life for this k1/k2 and tail. */
  const meetPotLife = (ratio: number, tail?: number): Kinetics => {
    const at = (logK2: number): Kinetics => ({
      ...law.kinetics,
      k1: ratio * Math.exp(logK2),
      k2: Math.exp(logK2),
      tail,
    })
    const off = (logK2: number) =>
      Math.log(potLifeOf({ ...law, kinetics: at(logK2) }, resin) / resin.potLife)
    guess = findFalling(off, guess, Math.log(4), closeEnough) ?? guess
    return at(guess)
  }
  const late = (kinetics: Kinetics) =>
    Math.log(timeTo(kinetics, law.demould, resin.sheetTemperature) / resin.demould)

  const [least, most] = ratios[resin.class === 'polyester' ? 'polyester' : 'usual']
  const bracket = { low: Math.log(least), high: Math.log(most) }
  const fastest = meetPotLife(least)
  const atLow = late(fastest)
  if (atLow > closeEnough) {
    const reached = alphaAfter(fastest, resin.demould, resin.sheetTemperature)
    const amounts = { demould: resin.demould, reached, wanted: law.demould }
    cautions.push(caution('demould-early', 'note', { field: 'demould' }, amounts))
    return fastest
  }
  const atHigh = late(meetPotLife(most))
  if (atHigh >= 0) {
    const logRatio = illinois(
      (r) => late(meetPotLife(Math.exp(r))),
      { ...bracket, atLow, atHigh },
      closeEnough,
    )
    return meetPotLife(Math.exp(logRatio))
  }
  const tail = findFalling(
    (at) => late(meetPotLife(ratioWithTail, at)),
    law.demould - 0.1,
    0.05,
    closeEnough,
    14,
  )
  return meetPotLife(ratioWithTail, tail)
}

/** The sheet's recoat time wins where it states one: the degree of cure reached by then. */
function joinEnd(law: CureLaw, { recoatUntil, sheetTemperature }: Resin): number {
  const stated =
    recoatUntil === undefined ? usualJoin : alphaAfter(law.kinetics, recoatUntil, sheetTemperature)
  return Math.max(stated, law.rheology.gel + 0.01)
}
