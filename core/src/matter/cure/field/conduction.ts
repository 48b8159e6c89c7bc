import { faceLoss, type Solid } from '../kinetics/index.ts'
import type { HeatGrid } from './heatGrid.ts'

/** Heat that neighbours exchange and faces lose: W/K, with the heat capacity of each cell, J/K. */
export interface Conduction {
  counts: readonly [number, number, number]
  capacity: Float64Array
  /** To the next cell along right, away, up; and to the one before, where one is. */
  link: readonly Float64Array[]
  back: readonly Float64Array[]
  /** Of the cell's faces to the room. */
  allLoss: Float64Array
  /** 1 for a cell that is there, else 0. */
  there: Float64Array
  /** Of all cells, J/K. */
  allCapacity: number
  /**
   * What solving works in, kept from step to step; all but the residual with a plane of nothing on
   * either side, so that a cell at the edge reads what is there.
   */
  work: Record<'residual' | 'over' | 'towards' | 'direction' | 'pushed', Float64Array>
  /** By step, newest last. */
  factors: Map<number, Factor>
}

interface Factor {
  /** 1 / pivots. */
  inverse: Float64Array
  /** What one kelvin more of every cell takes, J. */
  takes: number
}

/** Factors kept for steps used before; each holds a number a cell. */
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
  const allLoss = new Float64Array(total)
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
            allLoss[i] += face / (half + 1 / faces.air)
          }
          const beneath = at[axis] > 0 ? bodies[i - stride[axis]] : undefined
          if (!beneath) {
            const onBench = axis === 2 && z === 0
            allLoss[i] += face / (half + 1 / (onBench ? faces.bench : faces.air))
          }
        }
      }
    }
  }
  const padded = () => new Float64Array(total + 2 * nx * ny)
  return {
    counts,
    capacity,
    link,
    back: link.map((links, axis) =>
      Float64Array.from(links, (_, i) => (i >= stride[axis] ? links[i - stride[axis]] : 0)),
    ),
    allLoss,
    there: Float64Array.from(bodies, (body) => (body ? 1 : 0)),
    allCapacity: capacity.reduce((sum, x) => sum + x, 0),
    work: {
      residual: new Float64Array(total),
      over: padded(),
      towards: padded(),
      direction: padded(),
      pushed: padded(),
    },
    factors: new Map(),
  }
}

/** Solved until a step's change is known to this share of itself, or so little, K/s. */
const enough = { share: 2e-3, rate: 1e-6 }
/** It converges in some tens of rounds. */
const mostRounds = 400
/** How much of what an incomplete factor drops goes onto its diagonal. */
const relaxed = 0.97

/**
 * What `step` seconds of conduction do to `temperature` (K), with `heat` (J a cell) brought in:
 * the change of every cell, K, into `change`, which holds a first guess. Backward Euler: no step is
 * too long for it, whatever the matter of neighbours, and nothing gets warmer than what warms it.
 * Solved by conjugate gradients, preconditioned by a modified incomplete Cholesky factor (Gustafsson
 * 1978, from memory). Returns what the faces lost, J.
 */
export function conduct(
  conduction: Conduction,
  temperature: Float64Array,
  heat: Float64Array,
  room: number,
  step: number,
  change: Float64Array,
): number {
  const { counts, capacity, there, allLoss, allCapacity, work } = conduction
  const { residual, over, towards, direction, pushed } = work
  const plane = counts[0] * counts[1]
  const total = temperature.length
  const { inverse, takes } = factorFor(conduction, step)
  const least = (enough.rate * step) ** 2 * allCapacity

  // What the first guess leaves over. The error of a change is no larger than that, in this norm.
  for (let i = 0, j = plane; i < total; i++, j++) over[j] = temperature[i] - room + change[i]
  flow(conduction, over, pushed)
  let left = 0
  let size = 0
  for (let i = 0, j = plane; i < total; i++, j++) {
    const rest = heat[i] - capacity[i] * change[i] - step * pushed[j]
    residual[i] = rest
    left += (rest * rest) / capacity[i]
    size += change[i] * change[i] * capacity[i]
  }
  let before = 0
  for (let round = 0; round < mostRounds; round++) {
    if (left <= Math.max(least, enough.share ** 2 * size)) break
    const along = precondition(conduction, inverse, step, towards)
    const again = round === 0 ? 0 : along / before
    before = along
    for (let j = plane; j < total + plane; j++) direction[j] = towards[j] + again * direction[j]
    flow(conduction, direction, pushed)
    let curve = 0
    for (let i = 0, j = plane; i < total; i++, j++) {
      pushed[j] = capacity[i] * direction[j] + step * pushed[j]
      curve += direction[j] * pushed[j]
    }
    const far = along / curve
    left = 0
    size = 0
    for (let i = 0, j = plane; i < total; i++, j++) {
      const next = change[i] + far * direction[j]
      const rest = residual[i] - far * pushed[j]
      change[i] = next
      residual[i] = rest
      left += (rest * rest) / capacity[i]
      size += next * next * capacity[i]
    }
  }

  // What is left over in all is spread evenly, so that no heat is made or lost by stopping here.
  let rest = 0
  for (let i = 0; i < total; i++) rest += residual[i]
  const shift = rest / takes
  let lost = 0
  for (let i = 0; i < total; i++) {
    change[i] += there[i] * shift
    lost += allLoss[i] * (temperature[i] - room + change[i])
  }
  return step * lost
}

/** What flows out of every cell, W, of temperatures over the room's. */
function flow(
  { counts: [nx, ny], link: [linkX, linkY, linkZ], back: [, backY, backZ], allLoss }: Conduction,
  over: Float64Array,
  into: Float64Array,
): void {
  const plane = nx * ny
  const total = allLoss.length
  let left = 0
  for (let i = 0, j = plane; i < total; i++, j++) {
    const here = over[j]
    const right = linkX[i] * (here - over[j + 1])
    into[j] =
      allLoss[i] * here +
      right -
      left +
      linkY[i] * (here - over[j + nx]) +
      backY[i] * (here - over[j - nx]) +
      linkZ[i] * (here - over[j + plane]) +
      backZ[i] * (here - over[j - plane])
    left = right
  }
}

/**
 * (D + L) D⁻¹ (D + Lᵀ) solved for the residual: there and back through the cells. Answers the
 * product of both.
 */
function precondition(
  { counts: [nx, ny], link, back, work: { residual } }: Conduction,
  inverse: Float64Array,
  step: number,
  into: Float64Array,
): number {
  const [linkX, linkY, linkZ] = link
  const [backX, backY, backZ] = back
  const plane = nx * ny
  const total = residual.length
  for (let i = 0, j = plane; i < total; i++, j++) {
    const sum = backX[i] * into[j - 1] + backY[i] * into[j - nx] + backZ[i] * into[j - plane]
    into[j] = (residual[i] + step * sum) * inverse[i]
  }
  let product = 0
  for (let i = total - 1, j = i + plane; i >= 0; i--, j--) {
    const sum = linkX[i] * into[j + 1] + linkY[i] * into[j + nx] + linkZ[i] * into[j + plane]
    into[j] += step * sum * inverse[i]
    product += residual[i] * into[j]
  }
  return product
}

/** 1 / pivots of the modified incomplete Cholesky factor for a step. */
function factorFor(conduction: Conduction, step: number): Factor {
  const { factors, counts, capacity, link, back, allLoss, there } = conduction
  const known = factors.get(step)
  if (known) return known
  const [nx, ny] = counts
  const stride = [1, nx, nx * ny]
  const inverse = Float64Array.from(
    capacity,
    (held, i) =>
      held +
      step *
        (allLoss[i] + link[0][i] + link[1][i] + link[2][i] + back[0][i] + back[1][i] + back[2][i]),
  )
  for (let i = 0; i < inverse.length; i++) {
    for (let axis = 0; axis < 3; axis++) {
      const strength = step * back[axis][i]
      if (strength === 0) continue
      const below = i - stride[axis]
      const onward = step * (link[0][below] + link[1][below] + link[2][below])
      const dropped = onward - strength
      inverse[i] -= strength * (strength + relaxed * dropped) * inverse[below]
    }
    inverse[i] = 1 / inverse[i]
  }
  const takes = capacity.reduce((sum, held, i) => sum + there[i] * held + step * allLoss[i], 0)
  const made = { inverse, takes }
  factors.set(step, made)
  if (factors.size > keptFactors) factors.delete(factors.keys().next().value!)
  return made
}
