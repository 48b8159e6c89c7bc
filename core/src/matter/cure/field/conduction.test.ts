import { describe, expect, it } from 'vitest'
import { axesFor } from '../../../form/mesh/index.ts'
import { gasConstant, standardTemperature, type CureLaw, type Solid } from '../kinetics/index.ts'
import { conduct, conductionOf } from './conduction.ts'
import { heatField } from './heatField.ts'
import { cellKind, type HeatGrid } from './heatGrid.ts'

const even = (from: number, to: number, count: number) =>
  Float64Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count)

/** A bare body of even cells, as mould or as the first layer. */
function bare(
  sizes: [number, number, number],
  counts: [number, number, number],
  kind: number,
): HeatGrid {
  return {
    axes: axesFor([0, 0, 1]),
    counts,
    edges: [
      even(0, sizes[0], counts[0]),
      even(0, sizes[1], counts[1]),
      even(0, sizes[2], counts[2]),
    ],
    kind: new Uint8Array(counts[0] * counts[1] * counts[2]).fill(kind),
    seen: 1,
  }
}

const body: Solid = { conductivity: 0.2, density: 1000, heatCapacity: 2000 }
const diffusivity = 1e-7
/** A face that is held at the room's temperature. */
const held = { air: 1e12, bench: 1e12 }
/** So wide that its sides don't matter. */
const wide = 1e4

/** Share of the first excess left at the middle after Fo = 0.2, steps of `step` s. */
function middleAfter(grid: HeatGrid, halfThickness: number, step: number): number {
  const conduction = conductionOf(grid, () => body, held)
  const temperature = new Float64Array(grid.kind.length).fill(301)
  const heat = new Float64Array(grid.kind.length)
  const change = new Float64Array(grid.kind.length)
  const end = (0.2 * halfThickness ** 2) / diffusivity
  for (let time = 0; time < end - 1e-9; time += step) {
    conduct(conduction, temperature, heat, 300, step, change)
    for (let i = 0; i < temperature.length; i++) temperature[i] += change[i]
  }
  const [nx, ny, nz] = grid.counts
  return temperature[((nz >> 1) * ny + (ny >> 1)) * nx + (nx >> 1)] - 300
}

describe('conduction', () => {
  it('slab, Fo 0.2, faces held: 0.7723 is left at the middle (Carslaw & Jaeger 1959, from memory)', () => {
    const grid = bare([wide, wide, 0.02], [1, 1, 81], cellKind.mould)
    expect(middleAfter(grid, 0.01, 0.5)).toBeCloseTo(0.7723, 3)
  })

  it('cube, Fo 0.2, faces held: 0.4607 (product of three slabs, Newman 1936, from memory)', () => {
    const grid = bare([0.02, 0.02, 0.02], [41, 41, 41], cellKind.mould)
    expect(middleAfter(grid, 0.01, 2)).toBeCloseTo(0.4607, 2)
    expect(0.7723 ** 3).toBeCloseTo(0.4607, 3)
  })

  it('is the same along every axis', () => {
    const along = [
      bare([0.02, wide, wide], [41, 1, 1], cellKind.mould),
      bare([wide, 0.02, wide], [1, 41, 1], cellKind.mould),
      bare([wide, wide, 0.02], [1, 1, 41], cellKind.mould),
    ].map((grid) => middleAfter(grid, 0.01, 2))
    expect(along[1]).toBeCloseTo(along[0], 9)
    expect(along[2]).toBeCloseTo(along[0], 9)
  })

  it('a body at the room stays there, and one without neighbours is left out', () => {
    const grid = bare([0.02, 0.02, 0.02], [4, 4, 4], cellKind.mould)
    const conduction = conductionOf(grid, (cell) => (cell === 5 ? undefined : body))
    const temperature = new Float64Array(64).fill(300)
    temperature[5] = 999
    const change = new Float64Array(64)
    expect(conduct(conduction, temperature, new Float64Array(64), 300, 100, change)).toBeCloseTo(
      0,
      9,
    )
    expect(Math.max(...change.map(Math.abs))).toBeLessThan(1e-9)
  })
})

/** Steel, 250 times as conductive as resin (handbook values, from memory). */
const steel: Solid = { conductivity: 50, density: 7850, heatCapacity: 470 }
/** Half a millimetre of resin around a washer of steel, in a corner of it all. */
const washer = (cell: number) => {
  const [x, y, z] = [cell % 9, Math.floor(cell / 9) % 9, Math.floor(cell / 81)]
  const across = Math.hypot(x - 3, y - 3)
  return z === 1 && across > 1 && across < 3 ? steel : body
}

describe('a washer of steel in resin', () => {
  const small = bare([0.0045, 0.0045, 0.0045], [9, 9, 9], cellKind.layer0)
  /** From warmest at one corner; the excess over the room after `end` s by steps of `step`. */
  function cooled(step: number, end: number, visit: (over: Float64Array) => void = () => {}) {
    const conduction = conductionOf(small, washer)
    const temperature = Float64Array.from(small.kind, (_, i) => 300 + (40 * i) / small.kind.length)
    const change = new Float64Array(temperature.length)
    for (let time = 0; time < end - 1e-9; time += step) {
      conduct(conduction, temperature, new Float64Array(change.length), 300, step, change)
      for (let i = 0; i < change.length; i++) temperature[i] += change[i]
      visit(temperature.map((t) => t - 300))
    }
    return temperature.map((t) => t - 300)
  }

  /** The same by plain explicit steps, each small enough for steel (forward Euler). */
  function plainly(end: number): Float64Array {
    const { capacity, link, allLoss } = conductionOf(small, washer)
    const over = Float64Array.from(small.kind, (_, i) => (40 * i) / small.kind.length)
    const step = 0.002
    for (let time = 0; time < end; time += step) {
      const flow = over.map((t, i) => -allLoss[i] * t)
      for (const [axis, stride] of [1, 9, 81].entries()) {
        for (let i = 0; i + stride < over.length; i++) {
          const passes = link[axis][i] * (over[i] - over[i + stride])
          flow[i] -= passes
          flow[i + stride] += passes
        }
      }
      for (let i = 0; i < over.length; i++) over[i] += (step * flow[i]) / capacity[i]
    }
    return over
  }

  it('cools as plain explicit steps say, cell by cell', () => {
    const [ours, plain] = [cooled(0.05, 10), plainly(10)]
    for (const [i, over] of ours.entries()) expect(Math.abs(over - plain[i])).toBeLessThan(0.1)
  })

  it('steps of a quarter of an hour never swing: what is warm cools, nothing falls below the room', () => {
    let warmest = 40
    cooled(900, 48 * 3600, (over) => {
      expect(Math.min(...over)).toBeGreaterThan(-1e-3)
      const now = Math.max(...over)
      expect(now).toBeLessThan(Math.max(warmest, 1e-3))
      warmest = now
    })
    expect(warmest).toBeLessThan(1e-3)
  })
})

/** A reaction that does not slow down: heat by temperature alone. */
function ignition(delta: number, epsilon: number): CureLaw {
  const energy = (gasConstant * standardTemperature) / epsilon
  const k2 = 1e-6
  const half = 0.01
  // δ = E·a²·ρ·H·k/(R·T²·λ)
  const heat =
    (delta * gasConstant * standardTemperature ** 2 * body.conductivity) /
    (energy * half ** 2 * body.density * k2)
  return {
    kinetics: { k1: 0, k2, energy, m: 0, n: 0 },
    thermal: { ...body, heat },
    rheology: { viscosity: 1, energy: 0, gel: 0.9, a: 1, b: 0 },
    demould: 0.95,
  }
}

function hottest(delta: number): number {
  const epsilon = 0.01247
  const grid = bare([wide, wide, 0.02], [1, 1, 61], cellKind.layer0)
  const start = { alpha: 0, temperature: standardTemperature }
  const layers = [{ law: ignition(delta, epsilon), pourAt: 0, start }]
  const question = { grid, layers, room: standardTemperature, faces: held, until: 60_000 }
  return heatField(question, { frames: 1 }).layers[0].highest - standardTemperature
}

describe('self-heating', () => {
  // Frank-Kamenetskii, δc = 0.878·(1 + 1.07·RT/E) = 0.8897; an exact march gives 0.8904 (from memory).
  it('a slab settles just below δ 0.890 and runs away just above it (Frank-Kamenetskii)', () => {
    expect(hottest(0.884)).toBeLessThan(7)
    expect(hottest(0.897)).toBeGreaterThan(50)
  })
})
