import type { Thickening } from '../cure/index.ts'
import { atmosphere, diffusivityAt, shrinking, surfaceTension, type GasInResin } from './gas.ts'
import { bubblesOf, type Bubble, type Source } from './population.ts'
import { riseSpeed } from './rise.ts'

/** A pressure that is held for a time, absolute, Pa; s since mixing. */
export interface PressureSpan {
  from: number
  until: number
  pressure: number
}

/** What bubbles of one layer live through. */
export interface BubbleQuestion {
  /** Of the resin, from mixed to gelled. */
  thickening: Thickening
  /** kg/m³ */
  density: number
  gas: GasInResin
  /** Of the layer in one copy, m³ and m. */
  volume: number
  depth: number
  /** Share of it that lies under a ceiling. */
  ceiling: number
  /** s since mixing. */
  pouredAt: number
  stirred: Source
  drawn: Source
  /** What bubbles out of pores and damp while it is liquid. */
  grown: Source[]
  /** Of the mix in its cup, before it is poured. */
  vacuum?: PressureSpan
  /** Of the filled mould. */
  pressure?: PressureSpan
  /** From when on it is hard enough that nothing grows any more, s since mixing. */
  hardAt: number
  /** Bubbles smaller than this are not seen, m. */
  seenFrom: number
  /** Looked at then instead of at its end, s since mixing. */
  at?: number
  samples: number
  seed: number
}

/** A bubble that is there: which of the samples, where, how large, m. */
export interface Staying {
  index: number
  /** Of the layer's depth. */
  height: number
  diameter: number
  pit: boolean
}

/** Where bubbles end, and how many. */
export interface BubbleOutcomes {
  /** Large enough to be seen, in the body, and against a ceiling as pits. */
  inside: number
  pits: number
  /** Through the open surface, or taken up by the resin. */
  out: number
  dissolved: number
  /** The largest that stays, m. */
  largest: number
  /** Some of those that are seen, to be drawn. */
  stay: Staying[]
}

/** So many are drawn of one layer. */
const mostDrawn = 900

/** Gas left in a resin after vacuum, of what air holds it at (from memory). */
const leftDissolved = 0.3
/** Evenly spread, but in no order: an additive recurrence of the golden ratio. */
const golden = 0.618033988749895
/** A bubble smaller than this is gone, m. */
const gone = 1e-6

/**
 * What becomes of the bubbles of a layer: in the cup they rise and, under vacuum, grow; poured they
 * rise to the surface or to a ceiling, shrink and dissolve under pressure, until the gel holds
 * them. What is let go before the resin is hard grows again.
 */
export function bubbleOutcomes(question: BubbleQuestion): BubbleOutcomes {
  const { stirred, volume, samples, seed, seenFrom, ceiling } = question
  const fates: BubbleOutcomes = { inside: 0, pits: 0, out: 0, dissolved: 0, largest: 0, stay: [] }
  const own = bubblesOf(stirred, volume, samples, seed)
  const few = Math.ceil(samples / 4)
  const drawn = bubblesOf(question.drawn, volume, few, seed + 1)
  const grown = question.grown
    .filter(({ share }) => share > 0)
    .map((source, i) => bubblesOf(source, volume, few, seed + 2 + i))
  const sources: { bubbles: Bubble[]; from: 'cup' | 'pour' | 'later' }[] = [
    { bubbles: own, from: 'cup' },
    { bubbles: drawn, from: 'pour' },
    ...grown.map((bubbles) => ({ bubbles, from: 'later' as const })),
  ]
  const { time } = question.thickening
  const gels = time[time.length - 1]
  let before = 0
  for (const { bubbles, from } of sources) {
    bubbles.forEach((bubble, i) => {
      const covered = (i + 0.5) / bubbles.length < ceiling
      // Pores and damp go on until the gel.
      const along = (i * golden) % 1
      const later = question.pouredAt + along * Math.max(0, gels - question.pouredAt)
      const born = from === 'later' ? later : 0
      const { where, diameter, height } = follow(bubble, from === 'cup', covered, born, question)
      if (where === 'out') fates.out += bubble.stands
      else if (diameter < seenFrom) fates.dissolved += bubble.stands
      else {
        const pit = where === 'ceiling'
        fates[pit ? 'pits' : 'inside'] += bubble.stands
        fates.largest = Math.max(fates.largest, diameter)
        if (fates.stay.length < mostDrawn) {
          fates.stay.push({ index: before + i, height, diameter, pit })
        }
      }
    })
    before += bubbles.length
  }
  return fates
}

interface End {
  where: 'out' | 'ceiling' | 'body'
  diameter: number
  /** Of the layer's depth. */
  height: number
}

/** One bubble from mixing, or from when it is `born`, to the gel; `covered` when there is a ceiling over it. */
function follow(
  bubble: Bubble,
  inCup: boolean,
  covered: boolean,
  born: number,
  question: BubbleQuestion,
): End {
  const { thickening, vacuum, pouredAt, depth, volume, density, gas, pressure, hardAt } = question
  const { at: end = Infinity } = question
  if (born > end) return { where: 'body', diameter: 0, height: 0 }
  const { time, viscosity } = thickening
  const begins = Math.max(pouredAt, vacuum?.until ?? 0, born)
  const dissolved = vacuum ? leftDissolved * atmosphere : atmosphere
  let radius = bubble.diameter / 2
  if (inCup && vacuum) {
    // A cup stands about as high as it is wide.
    const cup = Math.cbrt((4 * volume) / Math.PI)
    const grown = 2 * radius * Math.cbrt(atmosphere / vacuum.pressure)
    let risen = 0
    for (let i = 0; i < viscosity.length; i++) {
      const step = overlap(time[i], time[i + 1], vacuum.from, vacuum.until)
      if (step > 0) risen += step * riseSpeed(grown, viscosity[i], density)
    }
    if (risen >= (1 - bubble.height) * cup) return { where: 'out', diameter: 0, height: 1 }
  }
  let height = bubble.height * depth
  let now = atmosphere
  for (let i = 0; i < viscosity.length; i++) {
    const from = Math.max(time[i], begins)
    const until = Math.min(time[i + 1], end)
    if (until <= from) continue
    // In steps that end where the pressure changes.
    const stops = [from, until]
    for (const at of pressure ? [pressure.from, pressure.until] : []) {
      if (at > from && at < until) stops.push(at)
    }
    stops.sort((a, b) => a - b)
    for (let k = 1; k < stops.length; k++) {
      const [start, step] = [stops[k - 1], stops[k] - stops[k - 1]]
      const on = pressure && start >= pressure.from && start < pressure.until
      const outer = on ? pressure.pressure : atmosphere
      if (outer !== now) {
        radius = squeezed(radius, now, outer)
        now = outer
      }
      height += step * riseSpeed(2 * radius, viscosity[i], density)
      if (height >= depth) {
        if (!covered) return { where: 'out', diameter: 2 * radius, height: 1 }
        height = depth
      }
      radius = dissolving(radius, step, start - begins, {
        pressure: outer,
        dissolved,
        diffusivity: diffusivityAt(gas, viscosity[i]),
        solubility: gas.solubility,
      })
      if (radius < gone) return { where: 'body', diameter: 0, height: height / depth }
    }
  }
  // Held until it is hard a bubble stays as small as the pressure made it; let go before, it grows.
  if (pressure && now !== atmosphere && pressure.until < Math.min(hardAt, end)) {
    radius = squeezed(radius, now, atmosphere)
  }
  const where = height >= depth ? 'ceiling' : 'body'
  return { where, diameter: 2 * radius, height: height / depth }
}

const overlap = (from: number, until: number, start: number, end: number): number =>
  Math.max(0, Math.min(until, end) - Math.max(from, start))

/** A bubble's radius at another pressure: Boyle with the pressure of its own skin (Laplace). */
export function squeezed(radius: number, from: number, to: number): number {
  const amount = (from + (2 * surfaceTension) / radius) * radius ** 3
  // x³·(to + 2σ/x) = amount rises with x: Newton's rule from Boyle alone.
  let x = radius * Math.cbrt(from / to)
  for (let i = 0; i < 6; i++) {
    const off = to * x ** 3 + 2 * surfaceTension * x * x - amount
    x -= off / (3 * to * x * x + 4 * surfaceTension * x)
  }
  return x
}

/** What a step of time leaves of a bubble's radius; its square changes evenly, which is followed. */
function dissolving(
  radius: number,
  step: number,
  since: number,
  gas: Parameters<typeof shrinking>[1],
): number {
  let [square, left, age] = [radius * radius, step, since]
  for (let guard = 0; left > 0 && guard < 60; guard++) {
    const r = Math.sqrt(square)
    const slope = 2 * r * shrinking(r, gas, Math.max(age, 1))
    // At most a third of it in one go.
    const part = slope < 0 ? Math.min(left, square / 3 / -slope) : left
    square += slope * part
    if (square < gone * gone) return 0
    left -= part
    age += part
  }
  return Math.sqrt(square)
}
