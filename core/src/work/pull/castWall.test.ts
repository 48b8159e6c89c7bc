import { describe, expect, it } from 'vitest'
import { fillCurve } from '../../form/filling/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { wallDepths } from '../../form/wall/index.ts'
import { readDocument } from '../../base/document/index.ts'
import { whiteUrethane } from '../../matter/material/samples.ts'
import { compile, newPlan, usualShell, type Layer, type Plan } from '../plan/index.ts'
import { castWall } from './castWall.ts'
import { newPull, pullSchema, type Pull } from './pull.ts'

const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
const depths = wallDepths(box, [0, 0, 1])
const layer = (id: string, fill: Layer['fill']): Layer => ({
  ...{ id, name: id, fill, resin: 'u', tints: [], inclusions: [], join: 'crisp' },
})
const planOf = (...fills: Layer['fill'][]): Plan => ({
  ...newPlan('hollow'),
  mould: 'closed',
  layers: fills.map((fill, i) => layer(`l${i}`, fill)),
})
const compiledOf = (plan: Plan) =>
  compile(plan, fillCurve(box, [0, 0, 1]), new Map([['u', whiteUrethane]]), { depths })
const pullOf = (plan: Plan, more: Partial<Pull>): Pull => {
  const from = { plan: 'p', planRevision: 1, pouredAt: '2026-03-01T10:00:00Z' }
  return readDocument(pullSchema, { ...newPull(plan, compiledOf(plan), from), ...more })
}
/** Of the box, what a wall of t mm takes, mm³. */
const wallOfBox = (t: number) => 48_000 - (60 - 2 * t) * (40 - 2 * t) * (20 - 2 * t)

describe('a hollow cast that was weighed', () => {
  const plan = planOf(usualShell)
  const compiled = compiledOf(plan)
  const wished = compiled.layers[0].each!.mass
  const found = (more: Partial<Pull>, of = plan) =>
    castWall({ id: 'p', plan: of }, compiledOf(of), depths, [pullOf(of, more)])

  it('tells its wall: as light as a wall of 2.5 mm it is one', () => {
    const mass = (wished * wallOfBox(2.5)) / wallOfBox(3)
    expect(found({ castMass: mass })!.wall / 0.0025).toBeCloseTo(1, 2)
    expect(found({ castMass: wished })).toMatchObject({ wished: 0.003 })
    expect(found({ castMass: wished })!.wall).toBeCloseTo(0.003, 6)
  })

  it('one that was cut open settles it, weighed or not', () => {
    const cut = found({ cutWall: 0.0025 })!
    expect(cut).toMatchObject({ by: 'cut', wall: 0.0025 })
    expect(cut.mass / ((wished * wallOfBox(2.5)) / wallOfBox(3))).toBeCloseTo(1, 2)
    // What the wall lacks was left in the cup.
    expect(cut.reserve).toBeGreaterThan(0.2)
    expect(found({ cutWall: 0.0025, castMass: wished })).toMatchObject({
      wall: 0.0025,
      mass: wished,
    })
  })

  it('and what stayed in the cup is mixed on top the next time', () => {
    // A tenth was mixed on top, and the cast lacks a twentieth: so much more has to be.
    const { reserve } = found({ castMass: 0.95 * wished })!
    expect(reserve).toBeCloseTo(0.15, 2)
    // By what was weighed out, where that was written down.
    const poured = pullOf(plan, {}).layers.map((one) => ({
      ...one,
      amounts: one.amounts.map((amount) => ({ ...amount, weighed: 1.2 * amount.planned })),
    }))
    expect(found({ castMass: wished, layers: poured })!.reserve).toBeCloseTo(0.32, 2)
    // More than was mixed it can't weigh: nothing is learned of the cup then.
    expect(found({ castMass: 2 * wished })!.reserve).toBeUndefined()
    expect(found({ castMass: wished })!.reserve).toBeUndefined()
  })

  it('without what is solid, by the newest that was weighed, of this plan alone', () => {
    const footed = planOf({ by: 'height', top: 0.006 }, usualShell)
    const all = compiledOf(footed).layers.reduce((sum, { each }) => sum + each!.mass, 0)
    expect(found({ castMass: all }, footed)!.wall).toBeCloseTo(0.003, 5)
    const older = pullOf(plan, { castMass: 2 * wished, pouredAt: '2026-02-01T10:00:00Z' })
    const newer = pullOf(plan, { castMass: wished })
    const of = { id: 'p', plan }
    expect(castWall(of, compiled, depths, [older, newer])!.mass).toBe(wished)
    expect(castWall({ ...of, id: 'other' }, compiled, depths, [newer])).toBeUndefined()
    expect(castWall(of, compiled, depths, [pullOf(plan, {})])).toBeUndefined()
    // Of two walls nobody knows which is thin.
    const two = planOf(usualShell, usualShell)
    expect(castWall({ id: 'p', plan: two }, compiledOf(two), depths, [newer])).toBeUndefined()
  })
})
