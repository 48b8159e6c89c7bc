import { describe, expect, it } from 'vitest'
import { calibrate, learn, thickeningOf } from '../cure/index.ts'
import { sheets } from '../cure/samples.ts'
import { flakeOf, floating } from './flake.ts'
import { unseen } from './settle.ts'

const mica = { form: 'mica', density: 2900 } as const
const steady = (name: 'deep' | 'coating' | 'fast') =>
  thickeningOf(learn(calibrate(sheets[name]), sheets[name]).law, 296.15)

describe('flakes of a tint', () => {
  it('are known of dry tints, and wider ones are thicker', () => {
    expect(flakeOf({ form: 'dye' })).toBeUndefined()
    expect(flakeOf({ ...mica, flake: 300e-6 })!.thickness).toBeCloseTo(5e-6, 12)
  })

  // Facts of the trade: mica settles most in thin slow resins; poured late enough it stays.
  it('of 300 µm sink visibly in a thin slow resin, and hardly in a fast one', () => {
    const drift = (name: 'deep' | 'coating' | 'fast') =>
      floating(steady(name), 1120, 300, [{ ...mica, flake: 300e-6 }])[0]!
    expect(drift('deep').drift).toBeLessThan(drift('coating').drift)
    expect(drift('coating').drift).toBeLessThan(-unseen)
    expect(drift('deep').holdsFrom).toBeGreaterThan(drift('coating').holdsFrom)
    expect(drift('coating').holdsFrom).toBeGreaterThan(drift('fast').holdsFrom)
  })

  // 16·η·a·v = Δρ·V·g: the same disc half as wide and half as thick sinks a quarter as fast.
  it('of half the size sink a quarter as far', () => {
    const thickening = steady('coating')
    const [wide, small] = floating(thickening, 1120, 0, [
      { ...mica, flake: 200e-6 },
      { ...mica, flake: 100e-6 },
    ])
    expect(small!.drift / wide!.drift).toBeCloseTo(0.25, 9)
  })

  it('poured when they hold, they move no more than nobody sees', () => {
    const thickening = steady('coating')
    const tint = { ...mica, flake: 300e-6 }
    const [{ holdsFrom } = { holdsFrom: 0 }] = floating(thickening, 1120, 0, [tint])
    const [later] = floating(thickening, 1120, holdsFrom, [tint])
    expect(Math.abs(later!.drift)).toBeCloseTo(unseen, 6)
  })
})
