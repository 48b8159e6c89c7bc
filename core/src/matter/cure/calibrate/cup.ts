import { cureRate, faceLoss, viscosityAt, type CureLaw } from '../kinetics/index.ts'

/** Share of the size that heat crosses within the mix on its way out of a cup (from memory). */
const within = 0.6

/** One step changes no more than this, K and degree of cure. */
const gentle = { temperature: 1, alpha: 0.012 }

/** Of the time in which a cup cools, the longest step that Heun's rule bears. */
const longestStep = 0.3

/** No mix of this trade is watched for longer, s. */
const patience = 60 * 24 * 3600

export interface CupQuestion {
  /** kg */
  mass: number
  /** Of the room, K. */
  room: number
  /** Of the parts when they meet; the room's unless said. */
  start?: number
  /** Stop looking after, s. */
  longest?: number
}

/** What a mix does in its cup: seconds from the moment its parts meet; Infinity when never seen. */
export interface CupStory {
  /** The viscosity has doubled. */
  doubled: number
  /** It has passed 5 Pa·s. */
  syrup: number
  gel: number
  /** The hottest it gets, K, and when. */
  peak: number
  peakAt: number
}

/** Where working by feel ends: thicker than this a mix no longer pours, Pa·s (common practice, no source). */
export const thickest = 5

/** Where a cup is: s since its parts met, degree of cure, K. */
export interface CupState {
  time: number
  alpha: number
  temperature: number
}

/**
 * Follows `mass` kg of a mix in a cup as high as it is wide until `visit` says stop: a lumped
 * balance of reaction heat and loss through all faces, 1/U = 1/h + 0.6·(V/A)/k (from memory),
 * by Heun's rule.
 */
export function followCup(
  law: CureLaw,
  { mass, room, start = room }: CupQuestion,
  visit: (now: CupState) => boolean,
): void {
  const { heat, heatCapacity, conductivity, density } = law.thermal
  // Height = diameter: V/A = d/6, the circle above and below and the wall.
  const diameter = Math.cbrt((4 * mass) / (Math.PI * density))
  const loss = 1 / (1 / faceLoss.air + (within * diameter) / 6 / conductivity)
  const cooling = (loss * 6) / diameter / (density * heatCapacity)
  const rise = heat / heatCapacity
  let time = 0
  let alpha = 0
  let temperature = start
  while (visit({ time, alpha, temperature })) {
    const rate = cureRate(law.kinetics, alpha, temperature)
    const warming = rise * rate - cooling * (temperature - room)
    const step = Math.min(
      gentle.alpha / Math.max(rate, 1e-12),
      gentle.temperature / Math.max(Math.abs(warming), 1e-12),
      longestStep / cooling,
    )
    const ahead = Math.min(1, alpha + step * rate)
    const warmer = temperature + step * warming
    const next = cureRate(law.kinetics, ahead, warmer)
    alpha = Math.min(1, alpha + (step * (rate + next)) / 2)
    temperature += (step * (warming + rise * next - cooling * (warmer - room))) / 2
    time += step
  }
}

/**
 * When a mix in its cup stops pouring, gels, and how hot it gets.
 *
 * @example runCup(law, { mass: 0.1, room: 296.15 }).doubled // 2400
 */
export function runCup(law: CureLaw, question: CupQuestion): CupStory {
  const { room, start = room, longest = patience } = question
  const { rheology } = law
  const begun = viscosityAt(rheology, 0, start)
  const story: CupStory = {
    doubled: Infinity,
    syrup: Infinity,
    gel: Infinity,
    peak: start,
    peakAt: 0,
  }
  let last: CupState & { viscosity: number } = {
    time: 0,
    alpha: 0,
    temperature: start,
    viscosity: begun,
  }
  followCup(law, question, (now) => {
    const viscosity = viscosityAt(rheology, now.alpha, now.temperature)
    const moment = (before: number, after: number, mark: number) =>
      after === Infinity
        ? now.time
        : last.time + ((mark - before) / (after - before)) * (now.time - last.time)
    if (story.doubled === Infinity && viscosity >= 2 * begun) {
      story.doubled = moment(last.viscosity, viscosity, 2 * begun)
    }
    if (story.syrup === Infinity && viscosity >= thickest) {
      story.syrup = moment(last.viscosity, viscosity, thickest)
    }
    if (story.gel === Infinity && now.alpha >= rheology.gel) {
      story.gel = moment(last.alpha, now.alpha, rheology.gel)
      story.doubled = Math.min(story.doubled, story.gel)
      story.syrup = Math.min(story.syrup, story.gel)
    }
    if (now.temperature > story.peak) {
      story.peak = now.temperature
      story.peakAt = now.time
    }
    const cooling = now.temperature < last.temperature
    last = { ...now, viscosity }
    return now.time < longest && !(cooling && story.gel < Infinity) && now.alpha < 0.9995
  })
  return story
}
