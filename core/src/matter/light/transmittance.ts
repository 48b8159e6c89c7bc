import { bandCount, flux, type Matter } from '../colour/index.ts'
import { mattersOf, type Medium } from './media.ts'
import type { Paths } from './paths.ts'

/**
 * Lengths in a table of a scattering medium. They lie as their squares, so that the first
 * micrometres, where most changes, are as fine as the last millimetres.
 */
const entries = 512

/** e^−x is looked up: straight between entries so near that it is right to 5e-7. */
const perUnit = 512
const deepest = 32
const fades = Float64Array.from({ length: perUnit * deepest + 2 }, (_, i) => Math.exp(-i / perUnit))
function fading(x: number): number {
  if (x >= deepest) return 0
  const at = x * perUnit
  const i = at | 0
  return fades[i] + (at - i) * (fades[i + 1] - fades[i])
}

/** What one medium does over any length, looked up. */
interface Scattering {
  back: Float32Array
  through: Float32Array
}

/** What lies behind a path, in each band. */
export interface Behind {
  light: Float64Array
  sent: Float64Array
  ground: Float64Array
}

/**
 * What layers and the ramps between them do to light along paths. Clear ones exactly
 * (Beer–Lambert: exponents add, so only how long a path is in each layer counts), those that
 * scatter from a table by length, up to `reach` m.
 */
export class Transmittance {
  private readonly absorb: Float64Array
  private readonly tables: (Scattering | undefined)[]
  private readonly sum = new Float64Array(bandCount)
  private readonly clear: boolean
  private readonly back = new Float64Array(bandCount)
  private readonly passed = new Float64Array(bandCount)
  private readonly stack = new Float64Array(bandCount)
  private known: { paths: Paths; lengths: Float32Array } | undefined

  constructor(
    private readonly media: readonly Medium[],
    private readonly layers: readonly Matter[],
    private readonly reach: number,
  ) {
    const matters = mattersOf(media, layers)
    this.tables = matters.map((matter) =>
      matter.s.some((s) => s * reach > 1e-6) ? this.tabulate(matter) : undefined,
    )
    this.clear = this.tables.every((table) => table === undefined)
    this.absorb = Float64Array.from((this.clear ? layers : matters).flatMap(({ k }) => [...k]))
  }

  /**
   * The share that passes a path straight, in each band; what two scattering media reflect
   * between them passes too (adding method).
   */
  through(paths: Paths, path: number, out: Float64Array): void {
    if (this.clear) return this.throughClear(paths, path, out)
    const { stack, back, passed: through } = this
    out.fill(1)
    stack.fill(0)
    const { starts } = paths
    for (let i = starts[path]; i < starts[path + 1]; i++) {
      this.cross(paths, i)
      for (let band = 0; band < bandCount; band++) {
        const passes = through[band] / (1 - stack[band] * back[band])
        out[band] *= passes
        stack[band] = back[band] + through[band] * passes * stack[band]
      }
    }
  }

  /**
   * Light that arrives at the beginning of a path, into `light`, by the adding method (Stokes 1862;
   * van de Hulst 1980, from memory). In place: `light` comes from behind the path by itself; `sent`
   * is reflected there of light that came this way; `ground` is the share that what lies behind
   * reflects. To these the media add what they scatter back of the light that `falls` on the piece.
   */
  behind(paths: Paths, path: number, { light, sent, ground }: Behind, falls: number): void {
    const { back, passed: through } = this
    if (this.clear) {
      this.throughClear(paths, path, through)
      for (let band = 0; band < bandCount; band++) {
        light[band] = through[band] * (light[band] + through[band] * sent[band])
      }
      return
    }
    const { starts } = paths
    for (let i = starts[path + 1] - 1; i >= starts[path]; i--) {
      this.cross(paths, i)
      for (let band = 0; band < bandCount; band++) {
        const passes = through[band] / (1 - back[band] * ground[band])
        light[band] *= passes
        sent[band] = falls * back[band] + through[band] * passes * sent[band]
        ground[band] = back[band] + through[band] * passes * ground[band]
      }
    }
    for (let band = 0; band < bandCount; band++) light[band] += sent[band]
  }

  private throughClear(paths: Paths, path: number, out: Float64Array): void {
    const { absorb, sum } = this
    const count = this.layers.length
    const lengths = this.lengths(paths)
    sum.fill(0)
    for (let layer = 0; layer < count; layer++) {
      const length = lengths[path * count + layer]
      const at = bandCount * layer
      for (let band = 0; band < bandCount; band++) sum[band] += absorb[at + band] * length
    }
    for (let band = 0; band < bandCount; band++) out[band] = fading(sum[band])
  }

  /** What one medium along a path sends back and lets through. */
  private cross({ medium, length }: Paths, i: number): void {
    const { back, passed } = this
    const table = this.tables[medium[i]]
    if (!table) {
      const at = bandCount * medium[i]
      back.fill(0)
      for (let band = 0; band < bandCount; band++) {
        passed[band] = fading(this.absorb[at + band] * length[i])
      }
      return
    }
    const place = Math.sqrt(Math.min(1, length[i] / this.reach)) * (entries - 1)
    const entry = Math.min(entries - 2, Math.floor(place))
    const far = place - entry
    for (let band = 0, at = bandCount * entry; band < bandCount; band++, at++) {
      back[band] = table.back[at] + far * (table.back[at + bandCount] - table.back[at])
      passed[band] = table.through[at] + far * (table.through[at + bandCount] - table.through[at])
    }
  }

  /** One look-up for all paths. */
  private lengths(paths: Paths): Float32Array {
    if (this.known?.paths !== paths) {
      this.known = { paths, lengths: lengthsOf(paths, this.media, this.layers.length) }
    }
    return this.known.lengths
  }

  private tabulate({ k, s }: Matter): Scattering {
    const back = new Float32Array(entries * bandCount)
    const through = new Float32Array(entries * bandCount)
    for (let entry = 0; entry < entries; entry++) {
      for (let band = 0; band < bandCount; band++) {
        const found = flux(k[band], s[band], this.reach * (entry / (entries - 1)) ** 2)
        back[entry * bandCount + band] = found.back
        through[entry * bandCount + band] = found.through
      }
    }
    return { back, through }
  }
}

/** How long each path is in each layer; a ramp counts to both of its layers by their shares. */
const collapsed = new WeakMap<Paths, { media: readonly Medium[]; lengths: Float32Array }>()

function lengthsOf(paths: Paths, media: readonly Medium[], layers: number): Float32Array {
  const known = collapsed.get(paths)
  if (known?.media === media) return known.lengths
  const { count, starts, medium, length } = paths
  const lengths = new Float32Array(count * layers)
  for (let path = 0; path < count; path++) {
    for (let i = starts[path]; i < starts[path + 1]; i++) {
      const { below, above, share } = media[medium[i]]
      lengths[path * layers + below] += (1 - share) * length[i]
      if (share > 0) lengths[path * layers + above] += share * length[i]
    }
  }
  collapsed.set(paths, { media, lengths })
  return lengths
}
