import { bandCount, rgbOfBands, type Matter, type Spectrum } from '../colour/index.ts'
import { endingOf, type Seen } from './ending.ts'
import { lightAt, type TableLight } from './onTable.ts'
import type { Medium } from './media.ts'
import { Transmittance } from './transmittance.ts'
import { ends, type Paths } from './paths.ts'
import { mountColours, woodAt, type Setting } from './setting.ts'

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

/**
 * Linear red, green and blue of every path, three numbers each.
 *
 * Light that goes in is never exceeded: what is mirrored, passed and sent back is one at most.
 */
export function shade(paths: Paths, shading: Shading): Float32Array {
  const { media, layers, setting, lamp, table, things, reach } = shading
  const transmittance = new Transmittance(media, layers, reach)
  const { end: seen, sheen: mirror, falls } = endingOf(paths, setting, lamp, reach)
  const mount = setting.mount && setting.mount !== 'none' ? mountColours[setting.mount] : undefined
  const out = new Float32Array(3 * paths.count)
  const weights = rgbOfBands
  const light = new Float64Array(bandCount)
  const mirrored = new Float64Array(bandCount)
  const lit = new Float64Array(bandCount)
  const rgb = new Float64Array(3)
  const wood = setting.table === 'wood'
  const shines = setting.table === 'light' || !table
  /** Light from where a path ends, in each band. */
  const from = (kind: number, at: Float32Array, i: number, of: Seen, into: Float64Array): void => {
    const own = of.own[i]
    const more = of.more[i]
    if (kind === ends.table && own > 0) {
      if (wood) woodAt(at[3 * i], at[3 * i + 1], into)
      if (!shines) lightAt(table, at[3 * i], at[3 * i + 1], lit)
      for (let band = 0; band < bandCount; band++) {
        into[band] = more + own * (wood ? into[band] : 1) * (shines ? 1 : lit[band])
      }
    } else for (let band = 0; band < bandCount; band++) into[band] = more
  }
  /** What is seen beside the piece needs no bands where the table is neutral. */
  const beside = (i: number): void => {
    const own = seen.own[i]
    const more = seen.more[i]
    rgb[0] = rgb[1] = rgb[2] = 1
    if (own > 0 && !shines) lightAt(table, paths.at[3 * i], paths.at[3 * i + 1], rgb)
    out[3 * i] = more + own * rgb[0]
    out[3 * i + 1] = more + own * rgb[1]
    out[3 * i + 2] = more + own * rgb[2]
  }

  for (let i = 0; i < paths.count; i++) {
    const sheen = paths.sheen[i]
    const end = paths.end[i]
    if (sheen === 0 && end < ends.thing && (!wood || end === ends.room)) {
      beside(i)
      continue
    }
    if (end >= ends.thing) {
      const colour = end === ends.mount ? mount! : things[paths.thing[i]]
      const share = seen.own[i]
      for (let band = 0; band < bandCount; band++) light[band] = colour[band] * share
    } else if (paths.weight[i] > 0) from(end, paths.at, i, seen, light)
    else light.fill(0)
    if (paths.starts[i + 1] > paths.starts[i]) transmittance.behind(paths, i, light, falls[i])
    if (sheen > 0) from(paths.sheenEnd[i], paths.sheenAt, i, mirror, mirrored)
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
