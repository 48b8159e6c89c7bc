import { bandCount, toLinear, type Rgb, type Spectrum } from './bands.ts'

/** A share comes no nearer to nothing or all than this: an absorbance stays a number. */
const least = 5e-4

const steps = 80
/** Linear light is met this closely. */
const closeEnough = 1e-9

/**
 * A smooth spectrum, all shares between 0 and 1, whose light is this colour: a parabola over the
 * bands, bent into 0 to 1 (Jakob & Hanika 2019, from memory), its three numbers by damped
 * Gauss-Newton. A colour that no such spectrum has gets the nearest one.
 *
 * @example spectrumOf([0.5, 0.5, 0.5]).map((x) => Math.round(100 * x))[3] // 50
 */
export function spectrumOf(rgb: Rgb): Spectrum {
  const wanted = rgb.map((x) => Math.min(1 - least, Math.max(least, x))) as Rgb
  const mean = (wanted[0] + wanted[1] + wanted[2]) / 3
  let c = [bent(mean), 0, 0]
  let found = curve(c)
  let off = offset(found, wanted)
  let damping = 1e-3
  for (let step = 0; step < steps && size(off) > closeEnough; step++) {
    const columns = c.map((_, i) => {
      const nudge = 1e-6 * Math.max(1, Math.abs(c[i]))
      const near = offset(curve(c.map((x, j) => (j === i ? x + nudge : x))), wanted)
      return near.map((x, channel) => (x - off[channel]) / nudge)
    })
    const move = solve(columns, off, damping)
    const next = c.map((x, i) => x - move[i])
    const tried = curve(next)
    const left = offset(tried, wanted)
    if (size(left) < size(off)) {
      ;[c, found, off] = [next, tried, left]
      damping = Math.max(1e-12, damping / 5)
    } else damping = Math.min(1e6, damping * 4)
  }
  return found
}

/** The number that is bent into this share. */
const bent = (share: number) => (share - 0.5) / Math.sqrt(share * (1 - share))

function curve([c0, c1, c2]: readonly number[]): Spectrum {
  return Float64Array.from({ length: bandCount }, (_, band) => {
    const t = (2 * band) / (bandCount - 1) - 1
    const x = c0 + t * (c1 + t * c2)
    return Math.min(1 - least / 10, Math.max(least / 10, 0.5 + x / (2 * Math.sqrt(1 + x * x))))
  })
}

const offset = (spectrum: Spectrum, wanted: Rgb): number[] =>
  toLinear(spectrum).map((x, i) => x - wanted[i])
const size = (v: readonly number[]): number => Math.hypot(...v)

/** Solves (JᵀJ + damping · diag) x = Jᵀ off for three unknowns; columns of J. */
function solve(columns: readonly number[][], off: readonly number[], damping: number): number[] {
  const dot = (a: readonly number[], b: readonly number[]) =>
    a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  const m = columns.map((a, i) =>
    columns.map((b, j) => dot(a, b) * (i === j ? 1 + damping : 1) + (i === j ? 1e-15 : 0)),
  )
  const right = columns.map((a) => dot(a, off))
  return cramer(m, right)
}

function cramer(m: readonly number[][], right: readonly number[]): number[] {
  const det = (a: readonly number[][]) =>
    a[0][0] * (a[1][1] * a[2][2] - a[1][2] * a[2][1]) -
    a[0][1] * (a[1][0] * a[2][2] - a[1][2] * a[2][0]) +
    a[0][2] * (a[1][0] * a[2][1] - a[1][1] * a[2][0])
  const whole = det(m)
  if (!(Math.abs(whole) > 0)) return [0, 0, 0]
  return right.map(
    (_, k) => det(m.map((row, i) => row.map((x, j) => (j === k ? right[i] : x)))) / whole,
  )
}
