/**
 * Least radius of a circle that holds n equal ones, as multiples of theirs, for n from 1 (Graham,
 * Lubachevsky, Nurmela, Östergård 1998; proven up to 13 and for 19).
 */
const tightest = [
  1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296, 4.2361, 4.3284, 4.5214,
  4.6154, 4.792, 4.8637, 4.8637, 5.1223,
]

/** No plane is covered by equal discs to a larger share (Thue 1910). */
const densest = Math.PI / Math.sqrt(12)

/** How many equal discs a circle of `ratio` times their radius may hold at most. */
function mostOf(ratio: number): number {
  const known = tightest.findLastIndex((least) => least <= ratio + 1e-4) + 1
  return known < tightest.length ? known : Math.floor(densest * ratio ** 2)
}

/** Ways to begin, and steps of each until it is given up. */
const starts = 12
const steps = 600
/** More than these are packed in rows, which hold as many. */
export const mostDiscs = 24
/** The golden angle: a spiral of it is even everywhere. */
const golden = Math.PI * (3 - Math.sqrt(5))

/** What was found already: a pot is asked anew for every mould that may still go into it. */
const known = new Map<string, Float64Array | undefined>()
const mostKnown = 500

/**
 * So many equal discs of radius 1 in a circle of radius `ratio`, by relaxation of their overlaps
 * from even spirals (elastic discs): middles, x and y by turns; undefined where none was found.
 *
 * @example packDiscs(7, 3)!.length // 14
 */
export function packDiscs(n: number, ratio: number): Float64Array | undefined {
  if (n > mostOf(ratio)) return undefined
  const key = `${n} ${ratio}`
  if (known.has(key)) return known.get(key)
  let found: Float64Array | undefined
  for (let start = 0; start < starts && !found; start++) found = relaxed(n, ratio, start)
  if (known.size >= mostKnown) known.clear()
  known.set(key, found)
  return found
}

/** What no eye sees, in radii. */
const slack = 1e-7

function relaxed(n: number, ratio: number, start: number): Float64Array | undefined {
  const at = spiral(n, ratio, start)
  const inner = ratio - 1
  for (let step = 0; step < steps; step++) {
    let worst = 0
    for (let i = 0; i < n; i++) {
      for (let j = i + 1; j < n; j++) {
        const [dx, dy] = [at[2 * j] - at[2 * i], at[2 * j + 1] - at[2 * i + 1]]
        const far = Math.hypot(dx, dy)
        if (far >= 2) continue
        worst = Math.max(worst, 2 - far)
        const push = far > 0 ? (2 - far) / (2 * far) : 0.5
        at[2 * i] -= dx * push
        at[2 * i + 1] -= dy * push
        at[2 * j] += dx * push
        at[2 * j + 1] += dy * push
      }
    }
    for (let i = 0; i < n; i++) {
      const far = Math.hypot(at[2 * i], at[2 * i + 1])
      if (far <= inner) continue
      worst = Math.max(worst, far - inner)
      at[2 * i] *= inner / far
      at[2 * i + 1] *= inner / far
    }
    if (worst < slack) return at
  }
  return undefined
}

/** Evenly spread, each start turned and spread a little otherwise. */
function spiral(n: number, ratio: number, start: number): Float64Array {
  const at = new Float64Array(2 * n)
  for (let i = 0; i < n; i++) {
    const far = (ratio - 1) * ((i + 0.5 - start / (2 * starts)) / n) ** (0.5 + 0.02 * start)
    const angle = i * golden + start
    at[2 * i] = far * Math.cos(angle)
    at[2 * i + 1] = far * Math.sin(angle)
  }
  return at
}
