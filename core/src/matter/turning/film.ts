/*
 * A thin film inside a cylinder that turns about a level axis (rimming flow; Moffatt, Journal de
 * Mécanique 16, 1977, from memory). In units of h0 = √(νωR/g) its thickness H at the angle θ from the
 * side that rises keeps H − ⅓ H³ cos θ = q: a smooth film stays up to q = ⅔, where it is 1 at its thickest.
 */

/** m/s² */
const gravity = 9.80665
/** What a smooth film carries at most. */
const mostFlow = 2 / 3
/** Its mean thickness then, in units of h0. */
const mostMean = 0.70708
/** Places around the cylinder over which a film is averaged. */
const places = 720

/** A mould that turns. */
export interface Turning {
  /** Turns a second. */
  rate: number
  /** Of the cavity about the axis of turning, m. */
  radius: number
}

const speedOf = ({ rate, radius }: Turning): number => 2 * Math.PI * rate * radius

/**
 * The thickest film, on average, that a turning mould carries smoothly, m: what is more runs as a pool.
 * `viscosity` in Pa·s, `density` in kg/m³.
 *
 * @example thickestFilm(1.16, 1100, { rate: 1 / 6, radius: 0.04 }).toFixed(5) // '0.00150'
 */
export const thickestFilm = (viscosity: number, density: number, turning: Turning): number =>
  mostMean * Math.sqrt(((viscosity / density) * speedOf(turning)) / gravity)

/**
 * How thick a resin has to be, Pa·s, that a film of `thickness`, m, stays up.
 *
 * @example viscosityToHold(0.003, 1100, { rate: 1 / 6, radius: 0.04 }).toFixed(2) // '4.64'
 */
export const viscosityToHold = (thickness: number, density: number, turning: Turning): number =>
  (density * (thickness / mostMean) ** 2 * gravity) / speedOf(turning)

/**
 * How even a film is once around, at a share of the thickest one: its thinnest and thickest place over
 * its mean.
 *
 * @example filmAround(1).thinnest.toFixed(3) // '0.843'
 */
export function filmAround(share: number): { thinnest: number; thickest: number } {
  const wanted = Math.min(1, Math.max(0, share)) * mostMean
  let [low, high] = [0, mostFlow]
  // Bisection: the mean rises with the flow.
  for (let i = 0; i < 60; i++) {
    const flow = (low + high) / 2
    if (meanOf(flow) < wanted) low = flow
    else high = flow
  }
  const mean = meanOf(high)
  if (mean === 0) return { thinnest: 1, thickest: 1 }
  return { thinnest: thicknessAt(high, -1) / mean, thickest: thicknessAt(high, 1) / mean }
}

function meanOf(flow: number): number {
  let sum = 0
  for (let i = 0; i < places; i++) {
    sum += thicknessAt(flow, Math.cos((2 * Math.PI * (i + 0.5)) / places))
  }
  return sum / places
}

/** The thinner root of H − ⅓ H³ cos θ = q, by bisection: the left side rises up to H = 1. */
function thicknessAt(flow: number, cosine: number): number {
  let [low, high] = [0, 1]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (middle - (middle ** 3 * cosine) / 3 < flow) low = middle
    else high = middle
  }
  return (low + high) / 2
}
