import { bandCount, flux, type Matter } from '../colour/index.ts'
import type { Paths } from './paths.ts'

/** Lengths in a table of a scattering medium. */
const entries = 512

/** What one medium does over any length, looked up. */
interface Scattering {
  back: Float32Array
  through: Float32Array
}

/**
 * What media do to light along paths. Clear ones exactly (Beer–Lambert: exponents add), those that
 * scatter from a table by length, up to `reach` m.
 */
export class Passing {
  private readonly absorb: Float64Array
  private readonly tables: (Scattering | undefined)[]
  private readonly perMetre: number
  private readonly clear: boolean
  private readonly sum = new Float64Array(bandCount)

  constructor(matters: readonly Matter[], reach: number) {
    this.absorb = Float64Array.from(matters.flatMap(({ k }) => [...k]))
    this.perMetre = (entries - 1) / reach
    this.tables = matters.map((matter) =>
      matter.s.some((s) => s * reach > 1e-6) ? this.tabulate(matter) : undefined,
    )
    this.clear = this.tables.every((table) => table === undefined)
  }

  /** The share that passes a path straight, in each band. */
  through({ starts, medium, length }: Paths, path: number, out: Float64Array): void {
    const { absorb, sum } = this
    for (let band = 0; band < bandCount; band++) {
      sum[band] = 0
      out[band] = 1
    }
    for (let i = starts[path]; i < starts[path + 1]; i++) {
      const table = this.tables[medium[i]]
      if (!table) {
        const at = bandCount * medium[i]
        for (let band = 0; band < bandCount; band++) sum[band] += absorb[at + band] * length[i]
        continue
      }
      const at = bandCount * this.entry(length[i])
      for (let band = 0; band < bandCount; band++) out[band] *= table.through[at + band]
    }
    for (let band = 0; band < bandCount; band++) out[band] *= Math.exp(-sum[band])
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
          : light[band] * Math.exp(-this.absorb[at + band] * length[i])
      }
    }
  }

  private readonly passed = new Float64Array(bandCount)

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
