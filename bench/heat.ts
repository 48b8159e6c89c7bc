import {
  calibrate,
  conductionOf,
  deepestPour,
  fieldOnSection,
  heatField,
  heatGrid,
  modelCure,
  momentAt,
  siliconeBody,
  type HeatField,
  type HeatGrid,
} from '../core/src/matter/cure/index.ts'
import type { Resin } from '../core/src/matter/material/index.ts'
import { sheets } from '../core/src/matter/cure/samples.ts'
import { buildSolid } from '../core/src/form/shape/index.ts'
import { section } from '../core/src/form/filling/index.ts'
import { compare, median, within } from './timing.ts'

const hour = 3600
const room = 296.15
const walls = { floor: 0.01, wall: 0.01 }

const { deep, coating, fast } = sheets

/** A pour of one layer in a block of 100 x 100 x 60 mm, followed for a day. */
function follow(resin: Resin, cells: number, until = 24 * hour): HeatField {
  const { law } = calibrate(resin)
  const mesh = buildSolid({ solid: 'block', width: 0.1, depth: 0.1, height: 0.06 })
  const grid = heatGrid({ mesh, up: [0, 0, 1], tops: [0.06], walls, cells })
  const start = { alpha: 0, temperature: room }
  return heatField({ grid, layers: [{ law, pourAt: 0, start }], room, until })
}

/** What the cure and the heat field take, beside a plain explicit scheme. */
export function benchHeat(): void {
  console.log('\nCure and heat')
  for (const [name, resin] of [
    ['a coating epoxy', coating],
    ['a fast urethane with its peak', { ...fast, peak: 375 }],
  ] as const) {
    within(
      `Calibration of ${name}`,
      median(() => calibrate(resin), 5),
      150,
    )
  }
  const calibration = calibrate(coating)
  const batch = { resin: coating, room, mass: 0.1, depth: 0.012, width: 0.08 }
  within(
    'A layer ripens, 1-D',
    median(() => modelCure(calibration, batch), 9),
    100,
  )
  within(
    'Deepest safe pour, 1-D',
    median(() => deepestPour(calibration, batch, 353.15), 5),
    160,
  )

  const calm = follow(deep, 20_000)
  const calmTime = median(() => follow(deep, 20_000), 3)
  within(`24 h of ${calm.grid.kind.length} cells, calm`, calmTime, 1500)
  const { poured, reacted, lost, held: kept } = calm.energy
  const balance = Math.abs(poured + reacted - lost - kept) / reacted
  console.log(`  ${calm.steps} steps, energy closes to ${balance.toExponential(1)} (wanted: 1e-9)`)
  within(
    '24 h of 60,000 cells, calm',
    median(() => follow(deep, 60_000), 1),
    4000,
  )
  const runaway = median(() => follow(coating, 20_000), 1)
  within('24 h of 20,000 cells, a runaway', runaway, 4000)

  const plain = plainHour(calm.grid)
  const ours = median(() => follow(deep, 20_000, 24 * hour), 1)
  compare(
    '24 h of 20,000 cells with its reaction',
    ours,
    'explicit conduction alone, 1 h x 24',
    plain * 24,
    0.2,
  )
  const cut = section(
    buildSolid({ solid: 'block', width: 0.1, depth: 0.1, height: 0.06 }),
    [0, 0, 1],
  )
  const look = () => fieldOnSection(calm.grid, momentAt(calm, 7 * hour), cut, [true], 'temperature')
  within('One moment of a field on the cut', median(look, 9), 20)
}

/** Milliseconds for an hour of plain explicit conduction on the same cells, at its largest stable step. */
function plainHour(grid: HeatGrid): number {
  const conduction = conductionOf(grid, (cell) =>
    grid.kind[cell] === 0 ? undefined : siliconeBody,
  )
  const { capacity, link, allLoss, counts } = conduction
  const [nx, ny] = counts
  const total = capacity.length
  const strides = [1, nx, nx * ny]
  let largest = Infinity
  for (let i = 0; i < total; i++) {
    let out = allLoss[i]
    for (let axis = 0; axis < 3; axis++) {
      out += link[axis][i] + (i >= strides[axis] ? link[axis][i - strides[axis]] : 0)
    }
    if (out > 0) largest = Math.min(largest, capacity[i] / out)
  }
  const temperature = new Float64Array(total).fill(310)
  const flow = new Float64Array(total)
  const start = performance.now()
  for (let time = 0; time < hour; time += largest) {
    for (let i = 0; i < total; i++) {
      flow[i] = -allLoss[i] * (temperature[i] - room)
    }
    for (let axis = 0; axis < 3; axis++) {
      const links = link[axis]
      const stride = strides[axis]
      for (let i = 0; i + stride < total; i++) {
        const over = links[i] * (temperature[i] - temperature[i + stride])
        flow[i] -= over
        flow[i + stride] += over
      }
    }
    for (let i = 0; i < total; i++) temperature[i] += (largest * flow[i]) / capacity[i]
  }
  return performance.now() - start
}
