import type { Grid } from '../voxel/grid.ts'

/** Farther than was looked; finite, so that sums stay numbers. */
const far = 1e20

/**
 * Squared distance (m²) from every cell to the nearest cell where `source` is 1, exact up to
 * `reach` metres and at least 1e19 beyond; cells of different sides allowed. One axis after the
 * other, d(i) = min over k of f(i + k) + k², within reach.
 * Source: the separable transform of Felzenszwalb and Huttenlocher, Distance Transforms of
 * Sampled Functions, 2012; the window takes the place of their lower envelope, since only near
 * distances are asked for.
 */
export function nearDistance(
  { counts: [nx, ny, nz], cell }: Pick<Grid, 'counts' | 'cell'>,
  source: Uint8Array,
  reach: number,
): Float32Array {
  const d = new Float32Array(source.length)
  for (let i = 0; i < d.length; i++) d[i] = source[i] ? 0 : far
  const row = nz
  const slice = nx * nz
  const line = new Window(Math.max(nx, ny, nz))
  const across = cell.map((side) => Math.ceil(reach / side))
  for (let start = 0; start < d.length; start += nz) line.run(d, start, 1, nz, across[2], cell[2])
  for (let y = 0; y < ny; y++) {
    for (let z = 0; z < nz; z++) line.run(d, y * slice + z, row, nx, across[0], cell[0])
  }
  for (let i = 0; i < slice; i++) line.run(d, i, slice, ny, across[1], cell[1])
  return d
}

/** One line at a time, with room kept between calls. */
class Window {
  private readonly values: Float32Array

  constructor(longest: number) {
    this.values = new Float32Array(longest)
  }

  run(d: Float32Array, start: number, step: number, count: number, reach: number, side: number) {
    const f = this.values
    let some = false
    let all = true
    for (let q = 0, i = start; q < count; q++, i += step) {
      f[q] = d[i]
      if (f[q] < far) some = true
      if (f[q] !== 0) all = false
    }
    // Nothing near, or nothing but sources: there is nothing to pass on.
    if (!some || all) return
    const unit = side * side
    for (let q = 0, i = start; q < count; q++, i += step) {
      let best = f[q]
      if (best === 0) continue
      for (let k = 1; k <= reach; k++) {
        const further = k * k * unit
        if (further >= best) break
        if (q >= k && f[q - k] + further < best) best = f[q - k] + further
        if (q + k < count && f[q + k] + further < best) best = f[q + k] + further
      }
      d[i] = best
    }
  }
}
