import type { Grid } from '../voxel/grid.ts'
import type { Vec3 } from '../../mesh/vector.ts'

/** Directions are rounded to this many parts, so that equal heights are exactly equal. */
const parts = 256

/** How high each cell lies along a direction, as a whole number, and the metres of one step. */
export interface Levels {
  /** Height = x·step[0] + y·step[1] + z·step[2] + lift, from 0 on. */
  steps: readonly [number, number, number]
  lift: number
  count: number
  /** Metres between two levels. */
  metres: number
}

/**
 * Levels of a grid along `direction`, given in the grid's own axes (up is [0, 0, 1]). Heights
 * along its own up are the cells' rows; any other direction is rounded to 1/256.
 */
export function levelsOf({ counts, cell }: Grid, direction: Vec3): Levels {
  const climb = direction.map((d, i) => d * cell[i])
  const steepest = Math.max(...climb.map(Math.abs))
  const aligned = climb[0] === 0 && climb[1] === 0
  const scale = aligned ? 1 / steepest : parts / steepest
  const steps = climb.map((c) => Math.round(c * scale)) as [number, number, number]
  const reach = steps.map((s, i) => s * (counts[i] - 1))
  const lowest = reach.reduce((sum, r) => sum + Math.min(0, r), 0)
  const highest = reach.reduce((sum, r) => sum + Math.max(0, r), 0)
  return { steps, lift: -lowest, count: highest - lowest + 1, metres: 1 / scale }
}

/** The cells inside, from the highest level down, and where each level begins. */
export function fromTheTop(
  { counts: [nx, ny, nz], inside }: Grid,
  { steps: [sx, sy, sz], lift, count }: Levels,
): { order: Uint32Array; starts: Uint32Array } {
  const starts = new Uint32Array(count + 1)
  let cells = 0
  for (let y = 0, i = 0; y < ny; y++) {
    for (let x = 0; x < nx; x++) {
      let h = count - 1 - (x * sx + y * sy + lift)
      for (let z = 0; z < nz; z++, i++, h -= sz) {
        if (inside[i]) {
          starts[h + 1]++
          cells++
        }
      }
    }
  }
  for (let k = 0; k < count; k++) starts[k + 1] += starts[k]
  const next = starts.slice()
  const order = new Uint32Array(cells)
  for (let y = 0, i = 0; y < ny; y++) {
    for (let x = 0; x < nx; x++) {
      let h = count - 1 - (x * sx + y * sy + lift)
      for (let z = 0; z < nz; z++, i++, h -= sz) if (inside[i]) order[next[h]++] = i
    }
  }
  return { order, starts }
}
