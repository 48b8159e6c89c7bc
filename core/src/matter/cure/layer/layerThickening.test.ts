import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { settle } from '../../inclusion/index.ts'
import type { Resin } from '../../material/index.ts'
import { calibrate } from '../calibrate/calibrate.ts'
import type { Batch } from '../cureTimes.ts'
import { sheets } from '../samples.ts'
import { layerThickening } from './layerThickening.ts'
import { modelCure } from './modelCure.ts'

const room = 296.15
const quick = { fast: { ...sheets.fast, mixTime: 45 }, clear: { ...sheets.clear, mixTime: 90 } }
const known = new Map<Resin, ReturnType<typeof calibrate>>()
const lawOf = (resin: Resin) => known.get(resin) ?? known.set(resin, calibrate(resin)).get(resin)!
const layerOf = (resin: Resin, depth: number, more: Partial<Batch> = {}) => {
  const batch: Batch = { resin, room, mass: 0.1, depth, width: 0.06, ...more }
  const { gel } = modelCure(lawOf(resin), batch)
  return { gel, thickening: layerThickening(lawOf(resin), batch, gel) }
}
/** When the viscosity has doubled, s after mixing. */
const doubledIn = ({ thickening: { time, viscosity } }: ReturnType<typeof layerOf>) =>
  time[viscosity.findIndex((one) => one > 2 * viscosity[0])]

describe('a layer that thickens', () => {
  it('begins with the viscosity of its sheet', () => {
    for (const resin of Object.values(sheets)) {
      const { viscosity } = layerOf(resin, 0.01).thickening
      expect(viscosity[0] / resin.viscosity!).toBeCloseTo(1, 2)
    }
  })

  // The sheet's pot life is the doubling in its pot of 100 g: a layer, cooler than that, is no
  // sooner; the steady law squeezed into the gel said 141 s.
  it('of a clear urethane doubles no sooner than in the pot of its sheet, 480 s', () => {
    for (const depth of [0.003, 0.01, 0.025]) {
      const doubled = doubledIn(layerOf(quick.clear, depth))
      expect(doubled / sheets.clear.potLife).toBeGreaterThan(0.95)
      expect(doubled / sheets.clear.potLife).toBeLessThan(1.5)
    }
  })

  it('ends with the gel of its clock, whatever that is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Resin>(quick.fast, quick.clear, sheets.coating, sheets.deep),
        fc.double({ min: 283, max: 308, noNaN: true }),
        fc.double({ min: 0.002, max: 0.05, noNaN: true }),
        fc.double({ min: 0.6, max: 1.6, noNaN: true }),
        (resin, at, depth, factor) => {
          const batch: Batch = { resin, room: at, mass: 0.1, depth, width: 0.06 }
          const gel = modelCure(lawOf(resin), batch).gel * factor
          const { time, viscosity } = layerThickening(lawOf(resin), batch, gel)
          expect(time[time.length - 1]).toBe(gel)
          expect([...time].every((t, i) => i === 0 || t >= time[i - 1])).toBe(true)
          expect(viscosity.every((one) => one > 0)).toBe(true)
        },
      ),
      { numRuns: 25 },
    )
  })

  it('is sooner thick where it is deeper or its mould is warm', () => {
    const thin = layerOf(sheets.coating, 0.005)
    expect(doubledIn(layerOf(sheets.coating, 0.03))).toBeLessThan(doubledIn(thin))
    const warm = layerOf(sheets.coating, 0.005, { mouldTemperature: 323.15 })
    expect(doubledIn(warm)).toBeLessThan(doubledIn(thin))
  })

  // A thing that is set in after its layer's gel meets solid resin: the steady law of the room said
  // 12.9 min for a fast urethane that gels at 3, 38 min for a clear one at 8.8, 226 for a coating at 46.
  it('holds what is set in before its own gel, in every resin, depth and room', () => {
    const star = { mass: 2e-5, density: 8500, thickness: 0.001, shape: 'disc' as const }
    const petal = { mass: 1e-5, density: 300, thickness: 0.0005, shape: 'disc' as const }
    for (const resin of [quick.fast, quick.clear, sheets.coating, sheets.deep]) {
      for (const depth of [0.01, 0.025]) {
        for (const at of [285.15, room, 303.15]) {
          const { gel, thickening } = layerOf(resin, depth, { room: at })
          for (const found of settle(thickening, 1100, resin.mixTime, [star, petal])) {
            expect(found.gel).toBe(gel)
            expect(found.holdsFrom).toBeLessThan(gel)
            expect(found.path.at(-1)!.at).toBeLessThanOrEqual(gel)
          }
        }
      }
    }
  })
})
