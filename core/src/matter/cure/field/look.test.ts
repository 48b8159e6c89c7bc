import { describe, expect, it } from 'vitest'
import { buildSolid } from '../../../form/shape/index.ts'
import { fromAxes } from '../../../form/mesh/index.ts'
import { section } from '../../../form/filling/index.ts'
import { slowEpoxy } from '../../material/samples.ts'
import { calibrate } from '../calibrate/calibrate.ts'
import { heatField } from './heatField.ts'
import { heatGrid } from './heatGrid.ts'
import { fieldOnSection, kindAt, momentAt, pouredBy, probe } from './look.ts'

const mesh = buildSolid({ solid: 'block', width: 0.04, depth: 0.03, height: 0.02 })
const walls = { floor: 0.01, wall: 0.01 }
const up = [0, 0, 1] as const
const grid = heatGrid({ mesh, up: [...up], tops: [0.01, 0.02], walls, cells: 6000 })
const { law } = calibrate(slowEpoxy)
const room = 296.15
const start = { alpha: 0, temperature: 310 }
const hour = 3600
const layers = [
  { law, pourAt: 0, start },
  { law, pourAt: 2 * hour, start },
]
const field = heatField({ grid, layers, room, until: 6 * hour }, { frames: 24 })
const pours = [0, 2 * hour]
const look = (at: number, turn = 0, what: 'temperature' | 'alpha' = 'temperature') =>
  fieldOnSection(grid, momentAt(field, at), section(mesh, [...up], turn), pouredBy(pours, at), what)

describe('a field on the cut', () => {
  it('shows mould and the poured layer, and air where the next is not yet poured', () => {
    const { columns, rows, left, right, bottom, top, values, mould } = look(hour)
    const at = (x: number, h: number) => {
      const column = Math.floor(((x - left) / (right - left)) * columns)
      const row = Math.floor(((h - bottom) / (top - bottom)) * rows)
      return { value: values[row * columns + column], mould: mould[row * columns + column] }
    }
    expect(at(0, 0.005).value).toBeGreaterThan(room)
    expect(at(0, 0.005).mould).toBe(0)
    expect(at(0, 0.015).value).toBeNaN()
    expect(at(0, -0.005).mould).toBe(1)
    expect(at(-0.025, 0.005).mould).toBe(1)
    expect(at(-0.034, 0.005).value).toBeNaN()
  })

  it('the second layer is there once it is poured', () => {
    const { columns, rows, values } = look(3 * hour)
    const middle = Math.floor(columns / 2)
    const filled = Array.from({ length: rows }, (_, row) => values[row * columns + middle]).filter(
      (value) => !Number.isNaN(value),
    )
    expect(filled.length).toBeGreaterThan(rows * 0.9)
  })

  it('turned a quarter, it shows the other side', () => {
    const wide = (turn: number) => {
      const { columns, rows, mould, values } = look(hour, turn)
      const row = Math.floor(rows * 0.45)
      return Array.from({ length: columns }, (_, c) => row * columns + c).filter(
        (i) => !Number.isNaN(values[i]) && mould[i] === 0,
      ).length
    }
    expect(wide(0) / wide(Math.PI / 2)).toBeCloseTo(4 / 3, 1)
  })

  it('the degree of cure is the resin’s alone', () => {
    const { values, mould } = look(hour, 0, 'alpha')
    expect(mould.some((m) => m === 1)).toBe(false)
    expect(Math.max(...values.filter((v) => !Number.isNaN(v)))).toBeLessThan(1)
  })
})

describe('one place over time', () => {
  it('follows the field, and knows what it belongs to', () => {
    const place = fromAxes(grid.axes, [0, 0, 0.005])
    expect(kindAt(field, place)).toBe(0)
    expect(kindAt(field, [0, 0, 0.015])).toBe(1)
    expect(kindAt(field, [0, 0, -0.005])).toBe('mould')
    expect(kindAt(field, [1, 0, 0])).toBe('air')
    const cured = probe(field, place, 'alpha')
    expect(cured).toHaveLength(field.frames.length)
    expect(cured.at(-1)!.value).toBeGreaterThan(0.3)
    cured.slice(1).forEach(({ value }, i) => expect(value).toBeGreaterThanOrEqual(cured[i].value))
    expect(probe(field, [1, 0, 0], 'alpha')).toEqual([])
  })

  it('between two pictures lies a share of each', () => {
    const [first, second] = field.frames
    const { before, after, share } = momentAt(field, (first.at + second.at) / 2)
    expect([before, after, share]).toEqual([first, second, 0.5])
    expect(momentAt(field, 1e9).after).toBe(field.frames.at(-1))
    expect(momentAt(field, -5).before).toBe(first)
  })
})
