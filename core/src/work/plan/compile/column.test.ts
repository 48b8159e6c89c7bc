import { describe, expect, it } from 'vitest'
import {
  calibrate,
  heatField,
  heatGrid,
  modelCure,
  usualWalls,
} from '../../../matter/cure/index.ts'
import { sheets } from '../../../matter/cure/samples.ts'
import { buildSolid, type Solid } from '../../../form/shape/index.ts'
import { fillCurve, volumeAt, type FillCurve } from '../../../form/filling/index.ts'
import { type Vec3 } from '../../../form/mesh/index.ts'
import { layerColumn } from './column.ts'

const curveOf = (solid: Solid, up: Vec3 = [0, 0, 1]) => fillCurve(buildSolid(solid), up)

const seenDemould = {
  id: 'a',
  what: 'demould',
  value: 1800,
  room: 296.15,
  mass: 0.1,
  on: '2026-05-04',
} as const

const columnOf = (curve: FillCurve, bottom: number, top: number) =>
  layerColumn(curve, { bottom, top, cavity: volumeAt(curve, top) - volumeAt(curve, bottom) })

describe('a layer as a column', () => {
  it('of a cylinder is itself', () => {
    const curve = curveOf({ solid: 'slab', diameter: 0.08, thickness: 0.03, bevel: 0 })
    const { depth, width, lie } = columnOf(curve, 0.01, 0.02)
    expect(depth / 0.01).toBeCloseTo(1, 3)
    expect(width / 0.08).toBeCloseTo(1, 2)
    expect(lie).toBeCloseTo(1, 3)
  })

  it('of a bowl is half as deep as its middle, and loses by its round floor alone (closed form)', () => {
    const curve = curveOf({ solid: 'ball', diameter: 0.1 })
    // A cap of height h: V = πh²(R − h/3), floor πh(2R − h), its round side 2πRh.
    const [h, r] = [0.02, 0.05]
    const { depth, width, lie } = columnOf(curve, 0, h)
    const floor = Math.PI * h * (2 * r - h)
    const volume = Math.PI * h * h * (r - h / 3)
    expect(depth / (volume / floor)).toBeCloseTo(1, 2)
    expect(lie).toBeCloseTo(h / (volume / floor), 1)
    expect(width / ((4 * volume) / (2 * Math.PI * r * h - floor))).toBeCloseTo(1, 1)
  })

  it('of a film, or of nothing, is still a column', () => {
    const curve = curveOf({ solid: 'ball', diameter: 0.1 })
    for (const [bottom, top] of [
      [0, 0],
      [0.05, 0.0500001],
      [0.0999, 0.1],
    ]) {
      const { depth, width, lie } = columnOf(curve, bottom, top)
      expect(depth).toBeGreaterThan(0)
      expect(width).toBeGreaterThan(0)
      expect(Number.isFinite(lie)).toBe(true)
    }
  })

  // Both are ours: the field in three dimensions is the better one, the column answers at once.
  // A coating epoxy near its ignition is left out: there a hair's breadth decides, and the field asks.
  it.each([
    ['a bowl', { solid: 'ball', diameter: 0.1 }, 0.02],
    ['a whole ball', { solid: 'ball', diameter: 0.05 }, 0.05],
    ['the foot of a drop', { solid: 'drop', width: 0.038, height: 0.052, facets: 8 }, 0.013],
    ['a bar', { solid: 'block', width: 0.06, depth: 0.02, height: 0.02 }, 0.02],
    ['a coaster', { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 }, 0.008],
  ] as [string, Solid, number][])(
    '%s: its peak, gel and demould stand near the field’s',
    (_, solid, top) => {
      const mesh = buildSolid(solid)
      const column = columnOf(fillCurve(mesh, [0, 0, 1]), 0, top)
      const room = 296.15
      for (const resin of [sheets.fast, sheets.deep]) {
        const calibration = calibrate(resin)
        const grid = heatGrid({ mesh, up: [0, 0, 1], tops: [top], walls: usualWalls, cells: 5000 })
        const start = { alpha: 0, temperature: room }
        const layers = [{ law: calibration.law, pourAt: 0, start }]
        const until = 3 * resin.demould
        const [field] = heatField({ grid, layers, room, until }, { frames: 1 }).layers
        // Where demoulds were seen the model says when, no longer the sheet.
        const seen = { ...resin, observations: [seenDemould] }
        const times = modelCure(calibration, { resin: seen, room, mass: 0.1, inCup: 1, ...column })
        const peak = (times.peak!.temperature - room) / (field.hot.temperature - room)
        expect(peak).toBeGreaterThan(0.75)
        expect(peak).toBeLessThan(1.35)
        expect(Math.abs(Math.log(times.gel / field.gelAt!))).toBeLessThan(0.35)
        expect(Math.abs(Math.log(times.demould / field.demouldAt!))).toBeLessThan(0.8)
      }
    },
    60_000,
  )
})
