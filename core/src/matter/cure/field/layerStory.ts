import type { Vec3 } from '../../../form/mesh/index.ts'
import type { CureLaw } from '../kinetics/index.ts'
import { cellKind, cellMiddle, type HeatGrid } from './heatGrid.ts'

/** How one layer fared, s since the first mixing. Temperatures in K, series side by side. */
export interface LayerHeat {
  /** 95th percentile over its cells of the hottest each of them got, where that is, and when. */
  hot: { temperature: number; at: number; place: Vec3 }
  /** The cell at its middle. */
  centre: { temperature: number; at: number }
  /** The hottest single cell; overshoots in a runaway, not to be reported. */
  highest: number
  /** Its surface is a gel; all of it bears demoulding. Absent: not within what was followed. */
  gelAt?: number
  demouldAt?: number
  series: { at: number[]; centre: number[]; hot: number[]; surface: number[]; slowest: number[] }
}

/** The cells of each layer. */
export function layersOf(grid: HeatGrid, count: number): Uint32Array[] {
  return Array.from({ length: count }, (_, k) => {
    const kind = cellKind.layer0 + k
    const found: number[] = []
    grid.kind.forEach((held, i) => held === kind && found.push(i))
    return Uint32Array.from(found)
  })
}

/** What nineteen of twenty cells stay below. */
const percentile = 0.95

/** What is less than this since the last point of a series is no new point: a share, K, degree of cure. */
const leastTime = 1 / 400
const leastMove = { temperature: 0.5, alpha: 0.004 } as const

/** Watches one layer while its field is followed. */
export class LayerStory {
  readonly #cells: Uint32Array
  readonly #grid: HeatGrid
  readonly #law: CureLaw
  readonly #hottest: Float64Array
  readonly #hottestAt: Float64Array
  readonly #centre: number
  readonly #surface: Uint32Array
  readonly #values: Float64Array
  readonly #series: LayerHeat['series'] = { at: [], centre: [], hot: [], surface: [], slowest: [] }
  #gelAt: number | undefined
  #demouldAt: number | undefined

  constructor(grid: HeatGrid, cells: Uint32Array, { law }: { law: CureLaw }) {
    this.#grid = grid
    this.#cells = cells
    this.#law = law
    this.#hottest = new Float64Array(cells.length)
    this.#hottestAt = new Float64Array(cells.length)
    this.#values = new Float64Array(cells.length)
    this.#centre = centreOf(grid, cells)
    this.#surface = surfaceOf(grid, cells)
  }

  see(at: number, temperature: Float64Array, alpha: Float64Array): void {
    const cells = this.#cells
    if (cells.length === 0) return
    let slowest = 1
    const values = this.#values
    for (let j = 0; j < cells.length; j++) {
      const t = temperature[cells[j]]
      values[j] = t
      if (t > this.#hottest[j]) {
        this.#hottest[j] = t
        this.#hottestAt[j] = at
      }
      const a = alpha[cells[j]]
      if (a < slowest) slowest = a
    }
    let surface = 0
    for (const i of this.#surface) surface += alpha[i]
    surface /= this.#surface.length
    const { series } = this
    const centre = temperature[this.#centre]
    const told = series.at.length - 1
    // In a runaway steps are short: what hardly moved is not written down again.
    if (
      told >= 0 &&
      at - series.at[told] < leastTime * (at - series.at[0]) &&
      Math.abs(centre - series.centre[told]) < leastMove.temperature &&
      Math.abs(surface - series.surface[told]) < leastMove.alpha &&
      Math.abs(slowest - series.slowest[told]) < leastMove.alpha
    )
      return
    const moment = (list: number[], value: number, mark: number) => {
      if (told < 0 || list[told] >= mark) return at
      const share = (mark - list[told]) / (value - list[told])
      return series.at[told] + share * (at - series.at[told])
    }
    const { gel } = this.#law.rheology
    if (this.#gelAt === undefined && surface >= gel)
      this.#gelAt = moment(series.surface, surface, gel)
    if (this.#demouldAt === undefined && slowest >= this.#law.demould) {
      this.#demouldAt = moment(series.slowest, slowest, this.#law.demould)
    }
    series.at.push(at)
    series.centre.push(centre)
    series.hot.push(atPercentile(values))
    series.surface.push(surface)
    series.slowest.push(slowest)
  }

  get series(): LayerHeat['series'] {
    return this.#series
  }

  told(): LayerHeat {
    const { series } = this
    const cells = this.#cells
    if (series.at.length === 0) {
      const nothing = { temperature: 0, at: 0 }
      return { hot: { ...nothing, place: [0, 0, 0] }, centre: nothing, highest: 0, series }
    }
    let top = 0
    for (let j = 0; j < cells.length; j++) if (this.#hottest[j] > this.#hottest[top]) top = j
    let middle = 0
    series.centre.forEach((t, i) => t > series.centre[middle] && (middle = i))
    return {
      hot: {
        temperature: atPercentile(this.#hottest),
        at: this.#hottestAt[top],
        place: cellMiddle(this.#grid, cells[top]),
      },
      centre: { temperature: series.centre[middle], at: series.at[middle] },
      highest: this.#hottest[top],
      gelAt: this.#gelAt,
      demouldAt: this.#demouldAt,
      series,
    }
  }
}

/** Bins of the count; the answer lies within one of them. */
const bins = 400

/** The value that `percentile` of all stay below, by counting, without sorting them. */
function atPercentile(values: Float64Array): number {
  let low = Infinity
  let high = -Infinity
  for (const value of values) {
    if (value < low) low = value
    if (value > high) high = value
  }
  if (!(high > low)) return high
  const counts = new Uint32Array(bins + 1)
  const scale = bins / (high - low)
  for (let i = 0; i < values.length; i++) counts[((values[i] - low) * scale) | 0]++
  let above = (1 - percentile) * values.length
  for (let bin = bins; bin >= 0; bin--) {
    above -= counts[bin]
    if (above < 0) return low + Math.min(bins, bin + 1) / scale
  }
  return low
}

function centreOf({ counts: [nx, ny] }: HeatGrid, cells: Uint32Array): number {
  const place = (i: number) => [i % nx, Math.floor(i / nx) % ny, Math.floor(i / (nx * ny))]
  const mean = [0, 0, 0]
  for (const i of cells) place(i).forEach((n, axis) => (mean[axis] += n / cells.length))
  let best = cells[0] ?? 0
  let nearest = Infinity
  for (const i of cells) {
    const far = place(i).reduce((sum, n, axis) => sum + (n - mean[axis]) ** 2, 0)
    if (far < nearest) {
      nearest = far
      best = i
    }
  }
  return best
}

/** Cells with none of their layer above them. */
function surfaceOf({ counts: [nx, ny], kind }: HeatGrid, cells: Uint32Array): Uint32Array {
  return cells.filter((i) => kind[i + nx * ny] !== kind[i])
}
