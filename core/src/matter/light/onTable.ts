import { bandCount, rgbOfBands, type Matter } from '../colour/index.ts'
import { traceRay, type Optics } from './traceRay.ts'
import { ends, misses, PathBook, type Paths } from './paths.ts'
import type { Medium } from './media.ts'
import { fromLamp } from './setting.ts'
import { Transmittance } from './transmittance.ts'

/** Cells along each side of the table's picture. */
const cells = 96

/** What leaves a lamp towards a piece: paths, and where each would land if there were no piece. */
export interface LampLight {
  paths: Paths
  /** Place on the table without the piece, two numbers a ray, m. */
  straight: Float32Array
  /** Middle and half side of the part of the table that is looked at, m. */
  middle: [number, number]
  half: number
  /** Rays that land in one cell of an empty table. */
  expected: number
}

/**
 * Parallel light from a lamp through the piece to the table: `side` × `side` paths over the square
 * that holds the piece, each a little off its grid by a fixed sequence.
 */
export function traceLamp(
  optics: Optics,
  toward: readonly [number, number, number],
  side: number,
): LampLight {
  const { centre, radius } = optics.piece
  const [lx, ly, lz] = toward
  const flatSide = Math.hypot(lx, ly)
  const right = flatSide > 1e-6 ? [-ly / flatSide, lx / flatSide, 0] : [1, 0, 0]
  const up = [
    ly * right[2] - lz * right[1],
    lz * right[0] - lx * right[2],
    lx * right[1] - ly * right[0],
  ]
  const book = new PathBook(side * side)
  const straight = new Float32Array(2 * side * side)
  const step = (2 * radius) / side
  let i = 0
  for (let row = 0; row < side; row++) {
    for (let column = 0; column < side; column++) {
      const [jx, jy] = jitter(i)
      const [u, v] = [(column + jx) * step - radius, (row + jy) * step - radius]
      const from = [0, 1, 2].map(
        (k) => centre[k] + u * right[k] + v * up[k] + 3 * radius * toward[k],
      ) as [number, number, number]
      const t = from[2] / lz
      straight[2 * i] = from[0] - t * lx
      straight[2 * i + 1] = from[1] - t * ly
      traceRay(optics, book, from, [-lx, -ly, -lz])
      i++
    }
  }
  const t = centre[2] / lz
  const half = radius * (1.15 + 1 / lz)
  const middle: [number, number] = [centre[0] - t * lx, centre[1] - t * ly]
  const cell = (2 * half) / cells
  return { paths: book.paths, straight, middle, half, expected: (cell * cell * lz) / (step * step) }
}

/** Two numbers in 0 to 1 that fill the square evenly (additive recurrence of the plastic number). */
const jitter = (i: number): [number, number] => [
  (0.5 + i * 0.7548776662466927) % 1,
  (0.5 + i * 0.5698402909980532) % 1,
]

/** Light on the table around a piece, in shares of what an empty table gets. */
export interface TableLight {
  middle: [number, number]
  half: number
  /** `cells` × `cells` × bands. */
  bands: Float32Array
  /** The same as linear red, green and blue. */
  rgb: Float32Array
}

/** Cells over which the lamp's edge is soft, and light from all around is. */
const soft = 1
const wide = 5

/**
 * Where the lamp's light lands when it went through these media: shadow, tint and focus.
 */
export function lightTable(
  light: LampLight,
  media: readonly Medium[],
  layers: readonly Matter[],
  reach: number,
): TableLight {
  const { paths, middle, half } = light
  const { shadow, landing, cell, near } = landingsOf(light)
  const map = new Float32Array(cells * cells * bandCount)
  for (let i = 0, at = 0; i < shadow.length; i++) {
    for (let band = 0; band < bandCount; band++) map[at++] = shadow[i]
  }
  const transmittance = new Transmittance(media, layers, reach)
  const share = new Float64Array(bandCount)
  for (let j = 0; j < landing.length; j++) {
    transmittance.through(paths, landing[j], share)
    for (let corner = 4 * j; corner < 4 * j + 4; corner++) {
      const at = cell[corner] * bandCount
      const weight = near[corner]
      if (weight === 0) continue
      for (let band = 0; band < bandCount; band++) map[at + band] += weight * share[band]
    }
  }
  const lamp = blurred(blurred(map, soft), soft)
  // Few rays fall unevenly: what is below none in one cell is over in the next, until they are blurred.
  for (let i = 0; i < lamp.length; i++) if (lamp[i] < 0) lamp[i] = 0
  const around = blurred(blurred(lamp, wide), wide)
  const bands = lamp.map((share, i) => fromLamp * share + (1 - fromLamp) * around[i])
  return { middle, half, bands, rgb: rgbOf(bands) }
}

/** What of the table's light no dose changes. */
interface Landings {
  /** By cell: what an empty table gets, less what the piece holds up. */
  shadow: Float32Array
  /** The paths that come through to the table, */
  landing: Uint32Array
  /** and for each of them the four cells it lands between, and its share in each. */
  cell: Uint32Array
  near: Float32Array
}

const known = new WeakMap<LampLight, Landings>()

function landingsOf(light: LampLight): Landings {
  const found = known.get(light) ?? land(light)
  known.set(light, found)
  return found
}

function land({ paths, straight, middle, half, expected }: LampLight): Landings {
  const shadow = new Float32Array(cells * cells).fill(1)
  const landing: number[] = []
  const cell: number[] = []
  const near: number[] = []
  const between = (x: number, y: number, put: (cell: number, share: number) => void) => {
    const column = ((x - middle[0] + half) / (2 * half)) * cells - 0.5
    const row = ((y - middle[1] + half) / (2 * half)) * cells - 0.5
    const [c, r] = [Math.floor(column), Math.floor(row)]
    for (const [dr, dc] of corners) {
      const out = r + dr < 0 || r + dr >= cells || c + dc < 0 || c + dc >= cells
      const share = (1 - Math.abs(column - c - dc)) * (1 - Math.abs(row - r - dr))
      put(out ? 0 : (r + dr) * cells + c + dc, out ? 0 : share / expected)
    }
  }
  for (let i = 0; i < paths.count; i++) {
    if (misses(paths, i)) continue
    const ray = paths.ray[i]
    if (i === 0 || paths.ray[i - 1] !== ray) {
      between(straight[2 * ray], straight[2 * ray + 1], (at, share) => (shadow[at] -= share))
    }
    if (paths.end[i] !== ends.table) continue
    landing.push(i)
    between(paths.at[3 * i], paths.at[3 * i + 1], (at, share) => {
      cell.push(at)
      near.push(share * paths.weight[i])
    })
  }
  return {
    shadow,
    landing: Uint32Array.from(landing),
    cell: Uint32Array.from(cell),
    near: Float32Array.from(near),
  }
}

function rgbOf(bands: Float32Array): Float32Array {
  const rgb = new Float32Array((bands.length / bandCount) * 3)
  for (let cell = 0; cell < rgb.length / 3; cell++) {
    for (let band = 0; band < bandCount; band++) {
      for (let channel = 0; channel < 3; channel++) {
        rgb[3 * cell + channel] += bands[cell * bandCount + band] * rgbOfBands[3 * band + channel]
      }
    }
  }
  return rgb
}

const corners = [
  [0, 0],
  [0, 1],
  [1, 0],
  [1, 1],
] as const

/** Each cell the mean of those around it; outside the picture the table is empty. */
function blurred(map: Float32Array, reach: number): Float32Array {
  const row = cells * bandCount
  const along = new Float32Array(map.length)
  const both = new Float32Array(map.length)
  mean(map, along, reach, bandCount, row)
  mean(along, both, reach, row, bandCount)
  return both
}

/** Running means along lines whose cells lie `stride` apart, `across` from line to line. */
function mean(
  from: Float32Array,
  to: Float32Array,
  reach: number,
  stride: number,
  across: number,
): void {
  const sums = new Float64Array(bandCount)
  const width = 2 * reach + 1
  for (let line = 0; line < cells; line++) {
    const start = line * across
    sums.fill(reach)
    for (let i = 0; i <= reach; i++) {
      for (let band = 0; band < bandCount; band++) sums[band] += from[start + i * stride + band]
    }
    for (let i = 0; i < cells; i++) {
      const at = start + i * stride
      const comes = i + reach + 1 < cells ? at + (reach + 1) * stride : -1
      const goes = i >= reach ? at - reach * stride : -1
      for (let band = 0; band < bandCount; band++) {
        to[at + band] = sums[band] / width
        sums[band] += (comes < 0 ? 1 : from[comes + band]) - (goes < 0 ? 1 : from[goes + band])
      }
    }
  }
}

/**
 * The light at a place of the table into `out`, in each band or as red, green and blue: as many
 * numbers as `out` holds. 1 away from the piece.
 */
export function lightAt(light: TableLight, x: number, y: number, out: Float64Array): void {
  const { middle, half } = light
  const width = out.length
  const map = width === bandCount ? light.bands : light.rgb
  const column = ((x - middle[0] + half) / (2 * half)) * cells - 0.5
  const row = ((y - middle[1] + half) / (2 * half)) * cells - 0.5
  const c = Math.floor(column)
  const r = Math.floor(row)
  if (!(c >= 0 && c < cells - 1 && r >= 0 && r < cells - 1)) {
    for (let k = 0; k < width; k++) out[k] = 1
    return
  }
  const right = column - c
  const far = row - r
  const w00 = (1 - right) * (1 - far)
  const w01 = right * (1 - far)
  const w10 = (1 - right) * far
  const w11 = right * far
  const at = (r * cells + c) * width
  const down = cells * width
  for (let k = 0; k < width; k++) {
    const i = at + k
    out[k] = w00 * map[i] + w01 * map[i + width] + w10 * map[i + down] + w11 * map[i + down + width]
  }
}
