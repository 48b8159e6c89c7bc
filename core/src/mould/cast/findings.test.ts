import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, stool, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import { airPockets, voxelise } from '../../form/cells/index.ts'
import { type Vec3 } from '../../form/mesh/index.ts'
import type { MouldOpening } from '../mould.ts'
import { block60, geometryOf, geometryOfSolid, sampleMould } from '../samples.ts'
import { aboutCeilings, findings } from './findings.ts'
import { boreFor, openingFacts } from './openings.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const opening = (
  what: 'gate' | 'vent',
  at: [number, number, number],
  bore = 0.006,
): MouldOpening => ({
  id: `${what}${at.join('')}`.replace(/[^a-z0-9]/g, '_'),
  what,
  at,
  bore,
  made: 'cast in',
})
const codes = (found: ReturnType<typeof findings>) => found.map(({ caution }) => caution.code)

describe('gates and vents', () => {
  const { curve } = geometryOfSolid(block60)
  const facts = (openings: MouldOpening[]) =>
    openingFacts(openings, { up: [0, 0, 1], lowest: 0, height: curve.height }, 0.012)

  it('hold a rod of resin up to the top of the block, and leave its section as a scar', () => {
    const [gate] = facts([opening('gate', [0, 0, 0.015])])
    expect(gate.length).toBeCloseTo(0.005 + 0.012, 12)
    expect(gate.volume).toBeCloseTo((Math.PI / 4) * 0.006 ** 2 * 0.017, 15)
    expect(gate.scar).toBeCloseTo((Math.PI / 4) * 0.006 ** 2, 15)
    expect(gate.comesOff).toBe('saw')
    expect(facts([opening('gate', [0, 0, 0.02], 0.03)])[0].comesOff).toBe('sanding')
  })

  it('a vent below the gate, a narrow gate and a wide inclusion are said', () => {
    const geometry = geometryOfSolid(block60)
    const openings = [opening('gate', [0, 0, 0.02], 0.002), opening('vent', [0.03, 0, 0.005])]
    const mould = sampleMould({ openings })
    const star = { name: 'Star', mass: 0.0004, density: 8500, thickness: 0.0005 }
    const found = findings(mould, geometry, [], facts(openings), [star])
    expect(codes(found)).toEqual(['vent-below-gate', 'gate-narrow', 'inclusion-over-gate'])
    expect(codes(findings(sampleMould(), geometry, [], [], []))).toEqual(['no-gate'])
  })

  // A disc: V = m/ρ, d = √(4V / πt); its diagonal has to pass.
  it('a brass star of 0.4 g and 0.5 mm asks for 10.9 mm', () => {
    const d = Math.sqrt((4 * 0.0004) / 8500 / (Math.PI * 0.0005))
    expect(boreFor({ name: 's', mass: 0.0004, density: 8500, thickness: 0.0005 })).toBeCloseTo(
      Math.hypot(d, 0.0005),
      12,
    )
    // A ball of 1 cm³.
    expect(boreFor({ name: 'b', mass: 0.001, density: 1000 })).toBeCloseTo(
      Math.cbrt(6e-6 / Math.PI),
      12,
    )
  })
})

describe('castability', () => {
  it('a stool legs up keeps air in three legs, locks a cut across, has a level ceiling', () => {
    const mesh = stool(reference)
    const up: Vec3 = [0, 0, -1]
    const gate = opening('gate', [0.004, 0.004, 0])
    const pockets = airPockets(mesh, voxelise(mesh, up), [gate])
    const mould = sampleMould({ kind: 'two-part', openings: [gate] })
    const found = findings(mould, geometryOf(mesh), pockets, [], [])
    expect(codes(found).filter((code) => code === 'air-stays')).toHaveLength(3)
    expect(found[0].ways).toEqual(['tilt', 'vent', 'prefill', 'fill'])
    expect(found[0].at).toHaveLength(3)
    expect(aboutCeilings(0.001024)[0].caution.code).toBe('ceiling-level')
    expect(aboutCeilings(1e-5)).toEqual([])
  })

  it('two legs side by side lock a mould pulled across them; a parting at the seat frees it', () => {
    const mesh = stool(reference)
    const upright = geometryOf(mesh)
    expect(upright.parting.blocked).toBe(0)
    const mould = (parting?: number) =>
      sampleMould({ kind: 'two-part', parting, openings: [opening('gate', [0.016, 0.016, 0.024])] })
    const facts = openingFacts(
      mould().openings,
      { up: [0, 0, 1], lowest: 0, height: upright.curve.height },
      0.01,
    )
    expect(codes(findings(mould(), upright, [], facts, []))).toEqual([])
    expect(codes(findings(mould(0.002), upright, [], facts, []))).toEqual(['undercut'])
  })
})
