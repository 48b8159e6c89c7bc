import { describe, expect, it } from 'vitest'
import { filledDensity, mostPowder, settlingSpeed, timesThicker, powderShare } from './metalSkin.ts'

// Worked by hand from the formulas of their sources.
describe('a metal skin', () => {
  it('by weight and by volume: bronze of 8800 in resin of 1100', () => {
    expect(powderShare(1, 8800, 1100)).toBeCloseTo(0.111, 3)
    expect(powderShare(3, 8800, 1100)).toBeCloseTo(0.273, 3)
  })

  it('thickens as Krieger and Dougherty say, and pours as long as it may', () => {
    expect(timesThicker(0.3)).toBeCloseTo(2.83, 2)
    expect(timesThicker(0.45)).toBeCloseTo(8, 1)
    expect(timesThicker(0.6)).toBe(Infinity)
    const most = mostPowder(0.8, 8800, 1100)
    expect(0.8 * timesThicker(powderShare(most, 8800, 1100))).toBeCloseTo(8, 6)
    expect(mostPowder(9, 8800, 1100)).toBe(0)
  })

  it('weighs what its parts weigh, and settles slower the fuller it is', () => {
    const share = powderShare(1, 8800, 1100)
    // 1 kg of each in 1/8800 + 1/1100 m³.
    expect(filledDensity(share, 8800, 1100)).toBeCloseTo(2 / (1 / 8800 + 1 / 1100), 6)
    const alone = settlingSpeed(4e-5, 0, 1, 8800, 1100)
    expect(alone).toBeCloseTo((7700 * 9.80665 * 1.6e-9) / 18, 12)
    expect(settlingSpeed(4e-5, 0.3, 1, 8800, 1100) / alone).toBeCloseTo(0.7 ** 4.65, 9)
  })
})
