import { describe, expect, it } from 'vitest'
import { buildSolid } from '../../../form/shape/index.ts'
import { calibrate } from '../calibrate/calibrate.ts'
import { usualWalls } from '../cureTimes.ts'
import { sheets } from '../samples.ts'
import { eventful, followPlaces } from './follow.ts'
import { heatField } from './heatField.ts'
import { heatGrid } from './heatGrid.ts'
import { heatScale } from './scale.ts'

const mesh = buildSolid({ solid: 'block', width: 0.04, depth: 0.04, height: 0.02 })
const room = 296.15
const hour = 3600
const pours = [0, 0.5 * hour]
const fieldOf = (name: keyof typeof sheets) => {
  const { law } = calibrate(sheets[name])
  const grid = heatGrid({ mesh, up: [0, 0, 1], tops: [0.01, 0.02], walls: usualWalls, cells: 4000 })
  const layers = pours.map((pourAt) => ({ law, pourAt, start: { alpha: 0, temperature: room } }))
  return heatField({ grid, layers, room, until: 24 * hour }, { frames: 40 })
}
const hot = fieldOf('fast')
const cool = fieldOf('deep')

describe('places over time', () => {
  it('begin when their layer is poured; the mould does not cure', () => {
    const found = followPlaces(
      hot,
      [
        [0, 0, 0.005],
        [0, 0, 0.015],
        [0, 0, -0.005],
        [1, 1, 1],
      ],
      pours,
    )
    expect(found.map(({ of }) => of)).toEqual([0, 1, 'mould'])
    expect(found[0].at[0]).toBe(0)
    expect(found[1].at[0]).toBeGreaterThanOrEqual(pours[1])
    expect(found[1].alpha!.at(-1)).toBeGreaterThan(0.8)
    expect(found[2].alpha).toBeUndefined()
    expect(Math.max(...found[0].temperature)).toBeGreaterThan(room + 40)
  })

  it('charts end a little after the last warmth, or show all where hardly anything warms', () => {
    expect(eventful(hot, room)).toBeGreaterThan(pours[1])
    expect(eventful(hot, room)).toBeLessThan(6 * hour)
    expect(eventful(cool, room)).toBeGreaterThan(eventful(hot, room))
  })
})

describe('the scale of a drawing', () => {
  it('spans what happens, with lines on round degrees, and not too many', () => {
    const { low, high, lines } = heatScale(hot)
    expect(low).toBeLessThanOrEqual(room + 0.1)
    expect(high).toBeCloseTo(Math.max(...hot.layers.map((layer) => layer.hot.temperature)), 6)
    expect(lines.length).toBeGreaterThan(2)
    expect(lines.length).toBeLessThan(9)
    for (const line of lines) {
      expect((line - 273.15) % 5).toBeCloseTo(0, 6)
      expect(line).toBeGreaterThan(low)
      expect(line).toBeLessThan(high)
    }
  })

  it('does not make a pour glow that hardly warms', () => {
    const { low, high } = heatScale(cool)
    expect(high - low).toBeGreaterThanOrEqual(12)
  })
})
