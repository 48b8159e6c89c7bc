import { bandCount, rgbOfBands, type Matter } from '../colour/index.ts'
import { follow, type Optics } from './follow.ts'
import { ends, PathBook, type Paths } from './paths.ts'
import type { Medium } from './media.ts'
import { fromLamp } from './setting.ts'
import { Passing } from './passing.ts'

/** Cells along each side of the table's picture. */
const cells = 96

/** What leaves a lamp towards a piece: paths, and where each would land if there were no piece. */
export interface LampLight {
  paths: Paths
  /** Place on the table without the piece, two numbers a path, m. */
  straight: Float32Array
  /** Middle and half side of the part of the table that is looked at, m. */
  middle: [number, number]
  half: number
  /** Paths that land in one cell of an empty table. */
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
      follow(optics, book, from, [-lx, -ly, -lz])
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
  const { paths, straight, middle, half, expected } = light
  const map = new Float32Array(cells * cells * bandCount).fill(1)
  const passing = new Passing(media, layers, reach)
  const share = new Float64Array(bandCount)
  const minus = new Float64Array(bandCount).fill(-1)
  const add = (x: number, y: number, by: Float64Array, weight: number) => {
    const column = ((x - middle[0] + half) / (2 * half)) * cells - 0.5
    const row = ((y - middle[1] + half) / (2 * half)) * cells - 0.5
    const [c, r] = [Math.floor(column), Math.floor(row)]
    for (const [dr, dc] of corners) {
      if (r + dr < 0 || r + dr >= cells || c + dc < 0 || c + dc >= cells) continue
      const near = (1 - Math.abs(column - c - dc)) * (1 - Math.abs(row - r - dr))
      const at = ((r + dr) * cells + c + dc) * bandCount
      for (let band = 0; band < bandCount; band++)
        map[at + band] += (near * weight * by[band]) / expected
    }
  }
  for (let i = 0; i < paths.count; i++) {
    if (paths.sheen[i] === 0 && paths.end[i] < ends.thing) continue
    add(straight[2 * i], straight[2 * i + 1], minus, 1)
    if (paths.end[i] !== ends.table) continue
    passing.through(paths, i, share)
    add(paths.at[3 * i], paths.at[3 * i + 1], share, paths.weight[i])
  }
  for (let i = 0; i < map.length; i++) if (map[i] < 0) map[i] = 0
  const lamp = blurred(blurred(map, soft), soft)
  const around = blurred(blurred(lamp, wide), wide)
  const bands = lamp.map((share, i) => fromLamp * share + (1 - fromLamp) * around[i])
  return { middle, half, bands, rgb: rgbOf(bands) }
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
  const pass = (from: Float32Array, stride: number, across: number) => {
    const to = new Float32Array(from.length)
    const width = 2 * reach + 1
    for (let line = 0; line < cells; line++) {
      for (let band = 0; band < bandCount; band++) {
        const start = line * across + band
        const at = (i: number) => (i < 0 || i >= cells ? 1 : from[start + i * stride])
        let sum = 0
        for (let i = -reach; i <= reach; i++) sum += at(i)
        for (let i = 0; i < cells; i++) {
          to[start + i * stride] = sum / width
          sum += at(i + reach + 1) - at(i - reach)
        }
      }
    }
    return to
  }
  const row = cells * bandCount
  return pass(pass(map, bandCount, row), row, bandCount)
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
