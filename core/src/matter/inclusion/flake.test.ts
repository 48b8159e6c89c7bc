import { describe, expect, it } from 'vitest'
import { axesFor, type Vec3 } from '../../form/mesh/index.ts'
import { calibrate, learn, thickeningOf } from '../cure/index.ts'
import { sheets } from '../cure/samples.ts'
import { flakeOf, floating } from './flake.ts'
import { thingsMesh } from './mesh.ts'
import { unseen } from './settle.ts'
import type { ThingSize } from './thing.ts'

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

it('leaf that floats tumbles, above its floor; what lies on the floor, and what is thick, lies flat', () => {
  const leaf = { shape: 'disc', across: 3e-3, thickness: 1e-6 } as const
  const up: Vec3 = [0, 0, 1]
  const tall = (size: ThingSize, heights: number[]) =>
    heights.map((up_) => {
      const places = Array.from({ length: 40 }, () => ({ x: 0, y: 0, turn: 0, up: up_ }))
      const { positions } = thingsMesh(size, places, axesFor(up), [0, 0, 0], 0)
      const z = [...positions].filter((_, i) => i % 3 === 2)
      return [z.reduce((a, b) => Math.min(a, b)), z.reduce((a, b) => Math.max(a, b))]
    })
  const [floor, low, high] = tall(leaf, [0, 0.5e-3, 5e-3])
  expect(floor[1] - floor[0]).toBeLessThan(0.05e-3)
  expect(low[0]).toBeGreaterThanOrEqual(-1e-9)
  // Up to 0.6 radians about its middle: 3 mm · sin 0.6.
  expect(high[1] - high[0]).toBeGreaterThan(1.5e-3)
  expect(high[1] - high[0]).toBeLessThan(3e-3 * Math.sin(0.6) + 0.05e-3)
  const [coin] = tall({ ...leaf, thickness: 5e-4 }, [5e-3])
  expect(coin[1] - coin[0]).toBeCloseTo(5e-4, 6)
})
