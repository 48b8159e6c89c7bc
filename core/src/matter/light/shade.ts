import { bandCount, rgbOfBands, type Matter, type Spectrum } from '../colour/index.ts'
import { endingOf, type Seen } from './ending.ts'
import { lightAt, type TableLight } from './onTable.ts'
import type { Medium } from './media.ts'
import { Transmittance } from './transmittance.ts'
import { ends, misses, type Paths } from './paths.ts'
import { mountColours, woodAt, type Setting } from './setting.ts'
import { skinMirrors } from './traceRay.ts'

/** What paths are shaded with; none of it needs a new trace. */
export interface Shading {
  /** Media between the levels that the paths were cut at, and what the layers do to light. */
  media: readonly Medium[]
  layers: readonly Matter[]
  /** What each thing reflects, and a metal skin. */
  things: readonly Spectrum[]
  skin?: Spectrum
  setting: Setting
  /** Towards the lamp. */
  lamp: readonly number[]
  /** Light on the table; without it the table is lit evenly. */
  table?: TableLight
  /** The longest way through the piece, m. */
  reach: number
}

/** A table nearer than this share of the reach to where light leaves has the piece standing on it. */
const touching = 0.02

/**
 * Linear red, green and blue of every ray, three numbers each.
 *
 * Light that goes in is never exceeded: what is mirrored, passed and sent back is one at most.
 */
export function shade(paths: Paths, shading: Shading): Float32Array {
  const { media, layers, setting, lamp, table, things, skin, reach } = shading
  const transmittance = new Transmittance(media, layers, reach)
  const { end: seen, sheen: mirror, falls } = endingOf(paths, setting, lamp, reach)
  const mount = setting.mount && setting.mount !== 'none' ? mountColours[setting.mount] : undefined
  const out = new Float32Array(3 * paths.rays)
  const weights = rgbOfBands
  const light = new Float64Array(bandCount)
  const sent = new Float64Array(bandCount)
  const ground = new Float64Array(bandCount)
  const behind = { light, sent, ground }
  const mirrored = new Float64Array(bandCount)
  const lit = new Float64Array(bandCount)
  const rgb = new Float64Array(3)
  const wood = setting.table === 'wood'
  const shines = setting.table === 'light' || !table
  /** Light from where a path ends, in each band; a table lit from above reflects into `back` too. */
  const from = (
    kind: number,
    at: Float32Array,
    i: number,
    of: Seen,
    into: Float64Array,
    back?: Float64Array,
  ): void => {
    const own = of.own[i]
    const more = of.more[i]
    back?.fill(0)
    if (kind === ends.table && own > 0) {
      const touches = back && !shines ? Math.max(0, 1 - at[3 * i + 2] / (touching * reach)) : 0
      if (wood) woodAt(at[3 * i], at[3 * i + 1], into)
      if (!shines) lightAt(table, at[3 * i], at[3 * i + 1], lit)
      for (let band = 0; band < bandCount; band++) {
        const reflects = own * (wood ? into[band] : 1)
        if (touches > 0) back![band] = touches * reflects
        into[band] = more + reflects * (shines ? 1 : lit[band])
      }
    } else for (let band = 0; band < bandCount; band++) into[band] = more
  }
  /** What is seen beside the piece needs no bands where the table is neutral. */
  const beside = (i: number, at: number): void => {
    const own = seen.own[i]
    const more = seen.more[i]
    rgb[0] = rgb[1] = rgb[2] = 1
    if (own > 0 && !shines) lightAt(table, paths.at[3 * i], paths.at[3 * i + 1], rgb)
    for (let channel = 0; channel < 3; channel++) out[at + channel] = more + own * rgb[channel]
  }

  for (let i = 0; i < paths.count; i++) {
    const sheen = paths.sheen[i]
    const end = paths.end[i]
    const at = 3 * paths.ray[i]
    if (misses(paths, i) && (!wood || end === ends.room)) {
      beside(i, at)
      continue
    }
    sent.fill(0)
    if (end >= ends.thing) {
      const colour =
        end === ends.skin ? skin! : end === ends.mount ? mount! : things[paths.thing[i]]
      const share = seen.own[i] * (end === ends.skin ? bright(sheen) : 1)
      light.fill(0)
      for (let band = 0; band < bandCount; band++) {
        sent[band] = colour[band] * share
        ground[band] = end === ends.skin ? 0 : colour[band]
      }
    } else from(end, paths.at, i, seen, light, ground)
    transmittance.behind(paths, i, behind, falls[i])
    if (sheen > 0) from(paths.sheenEnd[i], paths.sheenAt, i, mirror, mirrored)
    // Metal mirrors in its own colour.
    if (end === ends.skin)
      for (let band = 0; band < bandCount; band++) mirrored[band] *= skin![band]
    const weight = paths.weight[i]
    for (let band = 0; band < bandCount; band++) {
      const seen = weight * light[band] + sheen * mirrored[band]
      out[at] += seen * weights[3 * band]
      out[at + 1] += seen * weights[3 * band + 1]
      out[at + 2] += seen * weights[3 * band + 2]
    }
  }
  return out
}

/** What a skin sends back in all directions: metal where it is burnished, dark patina in hollows (from memory). */
const brightest = 0.75
const patina = 0.16
const bright = (sheen: number): number => patina + (brightest - patina) * (sheen / skinMirrors)

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
