import { describe, expect, it } from 'vitest'
import { filmAround, shotsFor, thickestFilm, turnedShot, viscosityToHold } from './index.ts'

const minute = 60
const turning = (turns: number, radius = 0.04) => ({ rate: turns / minute, radius })

describe('a film in a mould that turns', () => {
  // The table of the law (Moffatt 1977, worked out by hand from its cubic).
  it.each([
    [1, 0.843, 1.414],
    [0.57, 0.95, 1.06],
    [0.28, 0.987, 1.014],
  ])(
    'at %d of the thickest has its thinnest place at %d, its thickest at %d',
    (share, low, high) => {
      const { thinnest, thickest } = filmAround(share)
      expect(Math.abs(thinnest - low)).toBeLessThan(0.002)
      expect(Math.abs(thickest - high)).toBeLessThan(0.004)
    },
  )

  it.each([
    [1.5, 10, 1.16],
    [3, 10, 4.64],
    [3, 4, 11.6],
  ])('%d mm at %d turns a minute in 40 mm ask for %d Pa·s', (mm, turns, wanted) => {
    const needed = viscosityToHold(mm / 1000, 1100, turning(turns))
    expect(needed / wanted).toBeCloseTo(1, 2)
    expect(thickestFilm(needed, 1100, turning(turns))).toBeCloseTo(mm / 1000, 9)
  })

  it('turned faster, or wider, carries more; twice the film asks for four times as thick a resin', () => {
    expect(thickestFilm(1, 1100, turning(40)) / thickestFilm(1, 1100, turning(10))).toBeCloseTo(
      2,
      9,
    )
    expect(
      viscosityToHold(0.002, 1100, turning(6)) / viscosityToHold(0.001, 1100, turning(6)),
    ).toBeCloseTo(4, 9)
  })
})

describe('a shot that is turned', () => {
  /** Doubles each minute from 0.5 Pa·s, and gels after ten. */
  const steps = 600
  const time = Float64Array.from({ length: steps + 1 }, (_, i) => i)
  const viscosity = Float64Array.from({ length: steps }, (_, i) => 0.5 * 2 ** ((i + 0.5) / minute))
  const shot = (thickness: number, turns = 10, poured = 60) =>
    turnedShot({ time, viscosity }, { thickness, density: 1100, poured, ...turning(turns) })

  it('counts from when its film stays up, by the doubling of its resin', () => {
    // 4.64 Pa·s is 0.5 doubled 3.214 times.
    expect(shot(0.003).countsFrom / minute).toBeCloseTo(Math.log2(4.64 / 0.5), 1)
    // A thin one stays up as it is poured.
    expect(shot(0.0005).countsFrom).toBe(60)
    expect(shot(0.003).turns).toBeCloseTo((600 - shot(0.003).countsFrom) / 6, 6)
  })

  it('may stop when what would still run is less than the film, by the integral of its speed', () => {
    const thickness = 0.003
    const { stopsAt } = shot(thickness)
    // ∫ρgh²/(3η)dt of an η that doubles each minute: its rate over ln 2 / 60, at both ends.
    const runs = (t: number) =>
      ((1100 * 9.80665 * thickness ** 2) / (3 * 0.5)) * 2 ** (-t / minute) * (minute / Math.LN2)
    expect((runs(stopsAt) - runs(600)) / thickness).toBeCloseTo(1, 1)
    expect(stopsAt).toBeGreaterThan(shot(0.001).stopsAt)
    expect(stopsAt).toBeLessThanOrEqual(600)
  })

  it('is split in so many that each is turned often enough', () => {
    const few = (thickness: number) => shot(thickness, 0.6)
    expect(shotsFor(0.003, (thickness) => shot(thickness))).toBe(1)
    const shots = shotsFor(0.004, few)!
    expect(few(0.004 / shots).turns).toBeGreaterThanOrEqual(3)
    expect(few(0.004 / (shots - 1)).turns).toBeLessThan(3)
    expect(shotsFor(0.05, few)).toBeUndefined()
  })
})
