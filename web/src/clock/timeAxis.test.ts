import { describe, expect, it } from 'vitest'
import type { LayerClock } from '@mivro/core/work/plan'
import { timeAxis } from './timeAxis.ts'

const hour = 3600
const clock = (mixAt: number, scale: number): LayerClock => ({
  mixAt,
  pourAt: mixAt + 0.05 * scale,
  lastPourAt: mixAt + 0.05 * scale,
  cupUntil: mixAt + scale,
  bleedsUntil: mixAt + scale,
  gelAt: mixAt + 2 * scale,
  joinUntil: mixAt + 3 * scale,
  trimAt: mixAt + 12 * scale,
  demouldAt: mixAt + 24 * scale,
  basis: { pourable: 'sheet', gel: 'sheet', join: 'sheet', demould: 'sheet' },
})

describe('the time axis', () => {
  const clocks = [clock(0, hour), clock(2.4 * hour, hour), clock(5 * hour, hour)]
  const axis = timeAxis(clocks, 100, 800, 60)

  it('runs forward, from the first mix to past the last demould', () => {
    const places = Array.from({ length: 200 }, (_, i) => axis.x((i / 199) * axis.end))
    for (let i = 1; i < places.length; i++) expect(places[i]).toBeGreaterThanOrEqual(places[i - 1])
    expect(places[0]).toBe(100)
    expect(places[199]).toBeCloseTo(800, 6)
  })

  it('a place on it is the time that lies there', () => {
    for (const t of [0, 0.3 * hour, 2 * hour, 7 * hour, 24 * hour]) {
      expect(axis.at(axis.x(t)) / hour).toBeCloseTo(t / hour, 6)
    }
    expect(axis.at(-50)).toBe(0)
  })

  it('is compressed where nothing happens: a waiting hour takes far less than a busy one', () => {
    const busy = axis.x(3 * hour) - axis.x(2 * hour)
    const waiting = axis.x(21 * hour) - axis.x(20 * hour)
    expect(waiting).toBeLessThan(busy / 4)
  })

  it('its ticks do not touch', () => {
    for (let i = 1; i < axis.ticks.length; i++) {
      expect(axis.ticks[i].x - axis.ticks[i - 1].x).toBeGreaterThanOrEqual(60)
    }
    expect(axis.ticks.length).toBeGreaterThan(4)
  })

  it('holds for a fast urethane as for a slow epoxy', () => {
    const fast = timeAxis([clock(0, 150)], 100, 800, 60)
    expect(fast.ticks[1].at).toBeLessThan(hour)
  })
})
