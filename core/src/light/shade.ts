import { bandCount, rgbOfBands, type Matter, type Spectrum } from '../colour/index.ts'
import { lightAt, type TableLight } from './onTable.ts'
import type { Medium } from './media.ts'
import { Passing } from './passing.ts'
import { ends, type Paths } from './paths.ts'
import { mountColours, neutral, roomLight, woodAt, type Setting } from './setting.ts'

/** What paths are shaded with; none of it needs a new trace. */
export interface Shading {
  /** Media between the levels that the paths were cut at, and what the layers do to light. */
  media: readonly Medium[]
  layers: readonly Matter[]
  /** What each thing reflects. */
  things: readonly Spectrum[]
  setting: Setting
  /** Towards the lamp. */
  lamp: readonly number[]
  /** Light on the table; without it the table is lit evenly. */
  table?: TableLight
  /** The longest way through the piece, m. */
  reach: number
}

/** The table fades into the room between these distances, in reaches. */
const fades = [2.2, 6] as const

/** An opaque layer sends light back as its surface is turned to the lamp: so much from all around. */
const around = 0.55

/**
 * Linear red, green and blue of every path, three numbers each.
 *
 * Light that goes in is never exceeded: what is mirrored, passed and sent back is one at most.
 */
export function shade(paths: Paths, shading: Shading): Float32Array {
  const { media, layers, setting, lamp, table, things, reach } = shading
  const passing = new Passing(media, layers, reach)
  const out = new Float32Array(3 * paths.count)
  const weights = rgbOfBands
  const mount = setting.mount && setting.mount !== 'none' ? mountColours[setting.mount] : undefined
  const light = new Float64Array(bandCount)
  const mirrored = new Float64Array(bandCount)
  const lit = new Float64Array(bandCount)
  const rgb = new Float64Array(3)
  const [lx, ly, lz] = lamp
  const shines = setting.table === 'light' || !table
  const even = setting.table === 'wood' ? 0 : neutral[setting.table]
  const tableLight = (x: number, y: number, into: Float64Array): void => {
    if (setting.table === 'wood') woodAt(x, y, into)
    else for (let band = 0; band < bandCount; band++) into[band] = even
    if (!shines) {
      lightAt(table, x, y, lit)
      for (let band = 0; band < bandCount; band++) into[band] *= lit[band]
    }
    const far = farness(x, y, reach)
    if (far > 0) {
      const horizon = horizonAt(x, y, lamp)
      for (let band = 0; band < bandCount; band++) into[band] += far * (horizon - into[band])
    }
  }
  const from = (end: number, at: Float32Array, i: number, into: Float64Array): void => {
    if (end === ends.table) return tableLight(at[3 * i], at[3 * i + 1], into)
    const share = roomLight(at[3 * i], at[3 * i + 1], at[3 * i + 2], lamp)
    for (let band = 0; band < bandCount; band++) into[band] = share
  }
  const falls = (of: Float32Array, i: number): number =>
    around + (1 - around) * Math.max(0, of[3 * i] * lx + of[3 * i + 1] * ly + of[3 * i + 2] * lz)
  /** What is seen beside the piece needs no bands where the table is neutral. */
  const beside = (i: number): void => {
    const x = paths.at[3 * i]
    const y = paths.at[3 * i + 1]
    if (paths.end[i] === ends.room) {
      const share = roomLight(x, y, paths.at[3 * i + 2], lamp)
      out[3 * i] = out[3 * i + 1] = out[3 * i + 2] = share
      return
    }
    rgb[0] = rgb[1] = rgb[2] = 1
    if (!shines) lightAt(table, x, y, rgb)
    const far = farness(x, y, reach)
    const horizon = far > 0 ? horizonAt(x, y, lamp) : 0
    const own = (1 - far) * even
    const share = far * horizon
    out[3 * i] = share + own * rgb[0]
    out[3 * i + 1] = share + own * rgb[1]
    out[3 * i + 2] = share + own * rgb[2]
  }

  for (let i = 0; i < paths.count; i++) {
    const sheen = paths.sheen[i]
    const end = paths.end[i]
    if (sheen === 0 && end < ends.thing && (even > 0 || end === ends.room)) {
      beside(i)
      continue
    }
    if (end >= ends.thing) {
      const colour = end === ends.mount ? mount! : things[paths.thing[i]]
      const share = falls(paths.at, i)
      for (let band = 0; band < bandCount; band++) light[band] = colour[band] * share
    } else if (paths.weight[i] > 0) from(end, paths.at, i, light)
    else for (let band = 0; band < bandCount; band++) light[band] = 0
    if (paths.starts[i + 1] > paths.starts[i]) {
      passing.behind(paths, i, light, falls(paths.normal, i))
    }
    if (sheen > 0) from(paths.sheenEnd[i], paths.sheenAt, i, mirrored)
    const weight = paths.weight[i]
    let red = 0
    let green = 0
    let blue = 0
    for (let band = 0; band < bandCount; band++) {
      const seen = weight * light[band] + sheen * mirrored[band]
      red += seen * weights[3 * band]
      green += seen * weights[3 * band + 1]
      blue += seen * weights[3 * band + 2]
    }
    out[3 * i] = red
    out[3 * i + 1] = green
    out[3 * i + 2] = blue
  }
  return out
}

/** How much of the room's light the table fades into, that far from the piece. */
function farness(x: number, y: number, reach: number): number {
  const square = (x * x + y * y) / (reach * reach)
  if (square <= fades[0] * fades[0]) return 0
  return Math.min(1, (Math.sqrt(square) - fades[0]) / (fades[1] - fades[0]))
}

function horizonAt(x: number, y: number, lamp: readonly number[]): number {
  const size = Math.sqrt(x * x + y * y)
  return roomLight(x / size, y / size, 0, lamp)
}

const fine = 4096
/** Linear light as a byte of sRGB (IEC 61966-2-1). */
const bytes = Uint8ClampedArray.from({ length: fine + 1 }, (_, i) => {
  const x = i / fine
  return 255 * (x <= 0.0031308 ? 12.92 * x : 1.055 * x ** (1 / 2.4) - 0.055)
})

/** Linear light as opaque pixels for a canvas. */
export function toPixels(linear: Float32Array): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray((linear.length / 3) * 4).fill(255)
  for (let i = 0, at = 0; i < linear.length; at += 4) {
    for (let channel = 0; channel < 3; channel++, i++) {
      pixels[at + channel] = bytes[Math.min(fine, Math.max(0, Math.round(linear[i] * fine)))]
    }
  }
  return pixels
}
