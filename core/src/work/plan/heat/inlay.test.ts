import { describe, expect, it } from 'vitest'
import { calibrate, heatGrid, inlaid, learn } from '../../../matter/cure/index.ts'
import { slowEpoxy } from '../../../matter/material/samples.ts'
import type { PlanInclusion, SetLayer } from '../../../matter/inclusion/index.ts'
import { measure, type Vec3 } from '../../../form/mesh/index.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { inlayOf, matterOfThing } from './inlay.ts'
import { pourHeat } from './pourHeat.ts'

const mm = 1e-3
const up: Vec3 = [0, 0, 1]
const mesh = buildSolid({ solid: 'block', width: 40 * mm, depth: 30 * mm, height: 20 * mm })
const walls = { wall: 0.01, floor: 0.01 }
const grid = heatGrid({ mesh, up, tops: [20 * mm], walls, cells: 20_000 })
const set = (thing: Partial<PlanInclusion>): SetLayer[] => [
  {
    id: 'a',
    bottom: 0,
    top: 20 * mm,
    things: [
      { id: 't', name: '', count: 1, mass: 0.01, density: 8500, lies: 'floor', ...thing },
    ] as SetLayer['things'],
  },
]
const volumes = () => {
  const [nx, ny, nz] = grid.counts
  const side = (axis: number, n: number) => grid.edges[axis][n + 1] - grid.edges[axis][n]
  return Array.from(
    { length: nx * ny * nz },
    (_, i) =>
      side(0, i % nx) * side(1, Math.floor(i / nx) % ny) * side(2, Math.floor(i / (nx * ny))),
  )
}
const taken = (share: Float32Array) =>
  volumes().reduce((sum, volume, i) => sum + volume * share[i], 0)

describe('what is set in, in the cells of heat', () => {
  it('takes its own volume of them, whatever its shape', () => {
    expect(measure(mesh).volume).toBeCloseTo(24e-6, 12)
    // A shard is drawn with few facets, which hold less than the stone does.
    for (const shape of ['ball', 'disc', 'star', 'ring'] as const) {
      const inlay = inlayOf(mesh, up, grid, set({ shape, count: 2, mass: 0.0003 }))!
      // What would stand over the edge of a cell that is full is left out.
      expect(taken(inlay.share) / ((2 * 0.0003) / 8500)).toBeGreaterThan(0.97)
      expect(taken(inlay.share) / ((2 * 0.0003) / 8500)).toBeLessThan(1.0001)
      expect(Math.max(...inlay.share)).toBeLessThanOrEqual(1)
    }
  })

  it('lies where it was laid', () => {
    const places = [{ x: 12 * mm, y: 8 * mm, turn: 0 }]
    const { share } = inlayOf(mesh, up, grid, set({ shape: 'ball', mass: 0.001, places }))!
    const [nx, ny] = grid.counts
    let [x, y, whole] = [0, 0, 0]
    volumes().forEach((volume, i) => {
      const middle = (axis: number, n: number) =>
        (grid.edges[axis][n] + grid.edges[axis][n + 1]) / 2
      x += volume * share[i] * middle(0, i % nx)
      y += volume * share[i] * middle(1, Math.floor(i / nx) % ny)
      whole += volume * share[i]
    })
    expect(x / whole).toBeCloseTo(12 * mm, 3)
    expect(y / whole).toBeCloseTo(8 * mm, 3)
  })

  it('is nothing where nothing is set in', () => {
    expect(inlayOf(mesh, up, grid, [{ id: 'a', bottom: 0, top: 0.02, things: [] }])).toBeUndefined()
  })

  it('conducts and holds as metal, stone or wood does', () => {
    expect(matterOfThing({ density: 8500 }).conductivity).toBeGreaterThan(50)
    expect(matterOfThing({ density: 2600 }).conductivity).toBeLessThan(5)
    expect(matterOfThing({ density: 500 }).conductivity).toBeLessThan(0.3)
  })
})

describe('resin with something in it', () => {
  const resin = { density: 1100, heatCapacity: 1800, conductivity: 0.2 }

  // Maxwell 1873: k = k0·(k1 + 2k0 + 2φ(k1 − k0)) / (k1 + 2k0 − φ(k1 − k0)); much better conducting
  // grains at φ = 0.1 give 1 + 3φ/(1 − φ) = 1.333 times the matrix.
  it('conducts by Maxwell, holds heat by volumes', () => {
    const mixed = inlaid(resin, 0.1, 3.4e6, 1e6)
    expect(mixed.conductivity / resin.conductivity).toBeCloseTo(4 / 3, 3)
    expect(mixed.density * mixed.heatCapacity).toBeCloseTo(0.9 * 1.98e6 + 0.1 * 3.4e6, 3)
    expect(inlaid(resin, 1, 3.4e6, 110).conductivity).toBeCloseTo(110, 6)
  })
})

// Second law: what only warms itself is never colder than its room, and cools once it is cured.
it('steel washers in a thin keycap never make its field swing, two days long', () => {
  const cap = buildSolid({
    solid: 'keycap',
    units: 1,
    height: 9.6 * mm,
    wall: 1.6 * mm,
    taper: 2.2 * mm,
  })
  const room = 294.15
  const batch = { resin: slowEpoxy, room, mass: 0.011, depth: 1.6 * mm, width: 14 * mm }
  const washers = set({ shape: 'ring', count: 2, mass: 6e-5, density: 7850, thickness: 0.3 * mm })
  const { frames } = pourHeat(
    cap,
    {
      up,
      layers: [
        { top: 1.6 * mm, batch, pourAt: 240 },
        { top: 9.6 * mm, batch, pourAt: 21_000 },
      ],
      room,
      walls: { ...walls, cover: 0.012 },
      until: 48 * 3600,
      cells: 12_000,
      set: [{ ...washers[0], top: 1.6 * mm }],
    },
    (resin) => learn(calibrate(resin), resin),
    { frames: 24 },
  )
  for (const { temperature } of frames)
    expect(Math.min(...temperature)).toBeGreaterThan(room - 0.01)
  expect(Math.max(...frames.at(-1)!.temperature)).toBeLessThan(room + 0.5)
})
