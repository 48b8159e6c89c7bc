import { bandCount, flux, type Matter } from '../colour/index.ts'
import { mattersOf, type Medium } from './media.ts'
import type { Paths } from './paths.ts'

/** Lengths in a table of a scattering medium. */
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

/**
 * What layers and the ramps between them do to light along paths. Clear ones exactly
 * (Beer–Lambert: exponents add, so only how long a path is in each layer counts), those that
 * scatter from a table by length, up to `reach` m.
 */
export class Transmittance {
  private readonly absorb: Float64Array
  private readonly tables: (Scattering | undefined)[]
  private readonly perMetre: number
  private readonly clear: boolean
  private readonly sum = new Float64Array(bandCount)
  private readonly passed = new Float64Array(bandCount)
  private known: { paths: Paths; lengths: Float32Array } | undefined

  constructor(
    private readonly media: readonly Medium[],
    private readonly layers: readonly Matter[],
    reach: number,
  ) {
    const matters = mattersOf(media, layers)
    this.perMetre = (entries - 1) / reach
    this.tables = matters.map((matter) =>
      matter.s.some((s) => s * reach > 1e-6) ? this.tabulate(matter) : undefined,
    )
    this.clear = this.tables.every((table) => table === undefined)
    this.absorb = Float64Array.from((this.clear ? layers : matters).flatMap(({ k }) => [...k]))
  }

  /** The share that passes a path straight, in each band. */
  through(paths: Paths, path: number, out: Float64Array): void {
    const { absorb, sum } = this
    for (let band = 0; band < bandCount; band++) {
      sum[band] = 0
      out[band] = 1
    }
    if (this.clear) {
      const count = this.layers.length
      const lengths = this.lengths(paths)
      for (let layer = 0; layer < count; layer++) {
        const length = lengths[path * count + layer]
        const at = bandCount * layer
        for (let band = 0; band < bandCount; band++) sum[band] += absorb[at + band] * length
      }
    } else {
      const { starts, medium, length } = paths
      for (let i = starts[path]; i < starts[path + 1]; i++) {
        const table = this.tables[medium[i]]
        const at = bandCount * (table ? this.entry(length[i]) : medium[i])
        for (let band = 0; band < bandCount; band++) {
          if (table) out[band] *= table.through[at + band]
          else sum[band] += absorb[at + band] * length[i]
        }
      }
    }
    for (let band = 0; band < bandCount; band++) out[band] *= fading(sum[band])
  }

  /**
   * Light that comes from behind a path, as it arrives at its beginning, in place: what passes, and
   * what scattering media send back of the light that falls on the piece.
   */
  behind(paths: Paths, path: number, light: Float64Array, falls: number): void {
    const { starts, medium, length } = paths
    if (this.clear) {
      this.through(paths, path, this.passed)
      for (let band = 0; band < bandCount; band++) light[band] *= this.passed[band]
      return
    }
    for (let i = starts[path + 1] - 1; i >= starts[path]; i--) {
      const table = this.tables[medium[i]]
      const at = bandCount * (table ? this.entry(length[i]) : medium[i])
      for (let band = 0; band < bandCount; band++) {
        light[band] = table
          ? light[band] * table.through[at + band] + falls * table.back[at + band]
          : light[band] * fading(this.absorb[at + band] * length[i])
      }
    }
  }

  /** One look-up for all paths. */
  private lengths(paths: Paths): Float32Array {
    if (this.known?.paths !== paths) {
      this.known = { paths, lengths: lengthsOf(paths, this.media, this.layers.length) }
    }
    return this.known.lengths
  }

  private entry(length: number): number {
    return Math.min(entries - 1, Math.round(length * this.perMetre))
  }

  private tabulate({ k, s }: Matter): Scattering {
    const back = new Float32Array(entries * bandCount)
    const through = new Float32Array(entries * bandCount)
    for (let entry = 0; entry < entries; entry++) {
      for (let band = 0; band < bandCount; band++) {
        const found = flux(k[band], s[band], entry / this.perMetre)
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
