import { faceLoss, type Solid } from '../kinetics/index.ts'
import type { HeatGrid } from './heatGrid.ts'

/** Heat that neighbours exchange and faces lose: W/K, with the heat capacity of each cell, J/K. */
export interface Conduction {
  counts: readonly [number, number, number]
  capacity: Float64Array
  /** To the next cell along right, away, up. */
  link: readonly Float64Array[]
  /** Of the cell's faces along that axis to the room, and of all of them together. */
  loss: readonly Float64Array[]
  allLoss: Float64Array
  /** Room to work in: the cells' temperatures over the room's, with a plane on either side. */
  padded: Float64Array
  /** Factors of the three sweeps by step, newest last. */
  factors: Map<number, Factors>
}

interface Factors {
  /** 1 / pivot, and the share handed back from the next cell, for each axis. */
  inverse: Float64Array[]
  above: Float64Array[]
}

/** Factors kept for steps used before; each holds six numbers a cell. */
const keptFactors = 12

/**
 * Finite volumes for the cells that are there: two neighbours exchange through half of each in
 * series; a face to a cell that is not there, or to the outside, loses to the room through half
 * the cell and its face coefficient. `bodyOf` answers undefined for a cell that is not there.
 */
export function conductionOf(
  grid: HeatGrid,
  bodyOf: (cell: number) => Solid | undefined,
  faces: { air: number; bench: number } = faceLoss,
): Conduction {
  const { counts, edges } = grid
  const [nx, ny, nz] = counts
  const total = nx * ny * nz
  const capacity = new Float64Array(total)
  const link = [0, 1, 2].map(() => new Float64Array(total))
  const loss = [0, 1, 2].map(() => new Float64Array(total))
  const stride = [1, nx, nx * ny]
  const sides = edges.map((e) =>
    Float64Array.from({ length: e.length - 1 }, (_, i) => e[i + 1] - e[i]),
  )
  const bodies = Array.from({ length: total }, (_, i) => bodyOf(i))
  for (let z = 0, i = 0; z < nz; z++) {
    for (let y = 0; y < ny; y++) {
      for (let x = 0; x < nx; x++, i++) {
        const body = bodies[i]
        if (!body) {
          capacity[i] = 1
          continue
        }
        const at = [x, y, z]
        const size = at.map((n, axis) => sides[axis][n])
        capacity[i] = size[0] * size[1] * size[2] * body.density * body.heatCapacity
        for (let axis = 0; axis < 3; axis++) {
          const face = (size[0] * size[1] * size[2]) / size[axis]
          const half = size[axis] / 2 / body.conductivity
          const next = at[axis] + 1 < counts[axis] ? bodies[i + stride[axis]] : undefined
          if (next) {
            const other = sides[axis][at[axis] + 1] / 2 / next.conductivity
            link[axis][i] = face / (half + other)
          } else {
            loss[axis][i] += face / (half + 1 / faces.air)
          }
          const beneath = at[axis] > 0 ? bodies[i - stride[axis]] : undefined
          if (!beneath) {
            const onBench = axis === 2 && z === 0
            loss[axis][i] += face / (half + 1 / (onBench ? faces.bench : faces.air))
          }
        }
      }
    }
  }
  const allLoss = loss[0].map((x, i) => x + loss[1][i] + loss[2][i])
  const padded = new Float64Array(total + 2 * nx * ny)
  return { counts, capacity, link, loss, allLoss, padded, factors: new Map() }
}

/**
 * What `step` seconds of conduction do to `temperature` (K), with `heat` (J a cell) brought in:
 * the change of every cell, K, into `change`. Implicit along one axis after another in delta form
 * (Douglas 1962, from memory). Returns what the faces lost, J.
 */
export function conduct(
  conduction: Conduction,
  temperature: Float64Array,
  heat: Float64Array,
  room: number,
  step: number,
  change: Float64Array,
): number {
  const { counts, capacity, link, loss } = conduction
  const [nx, ny, nz] = counts
  const plane = nx * ny
  const total = plane * nz
  let lost = flowNow(conduction, temperature, heat, room, step, change)
  const { inverse, above } = factorsFor(conduction, step)
  lost += sweepRows(change, link[0], loss[0], inverse[0], above[0], nx, total, step)
  const along = { capacity, step }
  for (let z = 0; z < nz; z++) {
    lost += sweepPlanes(change, link[1], loss[1], inverse[1], above[1], z * plane, nx, ny, along)
  }
  return lost + sweepPlanes(change, link[2], loss[2], inverse[2], above[2], 0, plane, nz, along)
}

/** What flows now, explicitly, J: the right-hand side of the first sweep. Answers what faces lose. */
function flowNow(
  { counts: [nx, ny], link: [linkX, linkY, linkZ], allLoss, padded }: Conduction,
  temperature: Float64Array,
  heat: Float64Array,
  room: number,
  step: number,
  change: Float64Array,
): number {
  const plane = nx * ny
  const total = temperature.length
  // A plane of room on either side: links out of the grid are nothing, and read what is there.
  for (let i = 0, j = plane; i < total; i++, j++) padded[j] = temperature[i] - room
  let lost = 0
  let left = 0
  for (let i = 0, j = plane; i < total; i++, j++) {
    const here = padded[j]
    const out = allLoss[i] * here
    const right = linkX[i] * (here - padded[j + 1])
    const away = linkY[i] * (here - padded[j + nx])
    const near = i >= nx ? linkY[i - nx] * (padded[j - nx] - here) : 0
    const up = linkZ[i] * (here - padded[j + plane])
    const below = i >= plane ? linkZ[i - plane] * (padded[j - plane] - here) : 0
    lost += out
    change[i] = heat[i] + step * (left + near + below - right - away - up - out)
    left = right
  }
  return lost * step
}

/** Thomas's rule along each row of `length` cells that lie side by side. */
function sweepRows(
  values: Float64Array,
  link: Float64Array,
  loss: Float64Array,
  inverse: Float64Array,
  above: Float64Array,
  length: number,
  total: number,
  step: number,
): number {
  let lost = 0
  for (let start = 0; start < total; start += length) {
    const end = start + length
    let before = values[start] * inverse[start]
    values[start] = before
    for (let i = start + 1; i < end; i++) {
      before = (values[i] + step * link[i - 1] * before) * inverse[i]
      values[i] = before
    }
    let after = values[end - 1]
    lost += loss[end - 1] * after
    for (let i = end - 2; i >= start; i--) {
      after = values[i] + above[i] * after
      values[i] = after
      lost += loss[i] * after
    }
  }
  return lost * step
}

/**
 * The same along an axis whose neighbours lie `width` apart, a row of `width` at a time. What
 * comes in is a change in K, which the cells' capacity makes heat.
 */
function sweepPlanes(
  values: Float64Array,
  link: Float64Array,
  loss: Float64Array,
  inverse: Float64Array,
  above: Float64Array,
  start: number,
  width: number,
  length: number,
  { capacity, step }: { capacity: Float64Array; step: number },
): number {
  let lost = 0
  for (let i = start; i < start + width; i++) values[i] *= capacity[i] * inverse[i]
  for (let k = 1; k < length; k++) {
    const from = start + k * width
    for (let i = from; i < from + width; i++) {
      values[i] =
        (values[i] * capacity[i] + step * link[i - width] * values[i - width]) * inverse[i]
    }
  }
  const last = start + (length - 1) * width
  for (let i = last; i < last + width; i++) lost += loss[i] * values[i]
  for (let k = length - 2; k >= 0; k--) {
    const from = start + k * width
    for (let i = from; i < from + width; i++) {
      const value = values[i] + above[i] * values[i + width]
      values[i] = value
      lost += loss[i] * value
    }
  }
  return lost * step
}

function factorsFor(conduction: Conduction, step: number): Factors {
  const { factors, counts, capacity, link, loss } = conduction
  const known = factors.get(step)
  if (known) return known
  const [nx, ny, nz] = counts
  const total = nx * ny * nz
  const made: Factors = { inverse: [], above: [] }
  for (const [axis, stride] of [1, nx, nx * ny].entries()) {
    const inverse = new Float64Array(total)
    const above = new Float64Array(total)
    const links = link[axis]
    for (let i = 0; i < total; i++) {
      // Links between rows are nothing, so that a row begins anew without being asked.
      const back = i >= stride ? step * links[i - stride] : 0
      const diagonal = capacity[i] + step * (loss[axis][i] + links[i]) + back
      const pivot = diagonal - (back > 0 ? back * above[i - stride] : 0)
      inverse[i] = 1 / pivot
      above[i] = (step * links[i]) / pivot
    }
    made.inverse.push(inverse)
    made.above.push(above)
  }
  factors.set(step, made)
  if (factors.size > keptFactors) factors.delete(factors.keys().next().value!)
  return made
}
