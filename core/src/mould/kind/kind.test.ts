import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import { firmPlatinum, softTin } from '../../matter/material/samples.ts'
import { allSums, compileMould } from '../compile.ts'
import type { MouldGeometry } from '../geometry.ts'
import type { Solid } from '../../form/shape/index.ts'
import { newMould, withKind, type Mould } from '../mould.ts'
import { block60, geometryOf, geometryOfSolid, sampleMould } from '../samples.ts'
import { adviseKinds } from './advise.ts'
import { cheapestFrom, costOf, costPerCopy, type KindSums, type TurnedCast } from './cost.ts'
import { pullsOfCoats } from './kinds.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})

const figures = new Map<number, MouldGeometry>()
function organic(scale: number): MouldGeometry {
  const found = figures.get(scale) ?? figureOf(scale)
  figures.set(scale, found)
  return found
}

/** A figure with an arm and a head: nothing that a flat back could lie on. */
function figureOf(scale: number): MouldGeometry {
  const { kernel, meshOf } = reference
  const ball = (r: number, at: [number, number, number]) =>
    kernel.Manifold.sphere(r * scale, 40).translate(
      at.map((x) => x * scale) as [number, number, number],
    )
  return geometryOf(
    meshOf(
      kernel.Manifold.union([
        ball(14, [0, 0, 14]),
        ball(9, [0, 0, 33]),
        ball(5, [16, 0, 20]),
        ball(4, [12, 0, 17]),
      ]),
    ),
  )
}

const advised = (
  geometry: MouldGeometry,
  wish: Partial<Mould['wish']>,
  silicone = firmPlatinum,
  turned?: TurnedCast,
) => {
  const { width, depth, height } = geometry.foot
  const base = newMould('m', 'p', [0, 0, 1], Math.max(width, depth, height))
  const mould = { ...base, wish: { ...base.wish, ...wish } }
  return adviseKinds(allSums(mould, geometry, silicone, undefined, turned), geometry, mould, turned)
}

const best = (advice: ReturnType<typeof advised>) => advice.find((one) => one.advised)!

// The three judgements are common practice, no source.
describe('which kind of mould', () => {
  it('two copies of an organic shape may be a cut block', () => {
    const first = best(advised(organic(1), { copies: 2, seam: 'hidden' }))
    expect(first.kind).toBe('cut block')
    expect(first.pros).toContainEqual({ reason: 'one-mould', copies: 2 })
  })

  it('ten sets with fine grooves want a two-part', () => {
    const advice = advised(organic(1), { copies: 10, detail: 'fine grooves' })
    const place = (kind: string) => advice.findIndex((a) => a.kind === kind)
    expect(['two-part', 'hinged', 'printed shell']).toContain(best(advice).kind)
    expect(place('two-part')).toBeLessThan(place('cut block'))
    expect(advice[place('cut block')].cons).toContainEqual({ reason: 'grooves-fray' })
  })

  // Common practice, no source: hollow casts want a round mould or an even jacket, and light hands.
  it('hollow casts want what is light to turn, and each costs its turning', () => {
    const [solid, hollow] = [undefined, { minutes: 18 }].map((turned) =>
      advised(organic(3.2), { copies: 12 }, firmPlatinum, turned),
    )
    const of = (advice: typeof solid, kind: string) => advice.find((one) => one.kind === kind)!
    const reasons = (kind: string) => {
      const { pros, cons } = of(hollow, kind)
      return [...pros, ...cons].map(({ reason }) => reason)
    }
    expect(reasons('turning')).toContain('made-to-turn')
    expect(reasons('turning')).not.toContain('only-turned')
    expect(reasons('brushed sock')).toContain('light-to-turn')
    expect(reasons('open block')).toContain('slushed')
    expect(of(hollow, 'cut block').silicone).toBeGreaterThan(1.5)
    expect(reasons('cut block')).toContain('heavy-to-turn')
    const dearer = of(hollow, 'turning').perCopy - of(solid, 'turning').perCopy
    const { hourPrice } = newMould('m', 'p', [0, 0, 1], 0.1)
    expect(dearer).toBeCloseTo((18 / 60) * hourPrice, 9)
    expect(of(hollow, 'turning').minutes).toBe(of(solid, 'turning').minutes + 18)
  })

  it('six pulls of a head-sized piece, a sock of two coats', () => {
    const head = organic(5)
    expect(head.foot.height).toBeGreaterThan(0.2)
    const first = best(advised(head, { copies: 6, seam: 'hidden' }, softTin))
    expect(first.kind).toBe('brushed sock')
    expect(first.pulls).toBe(6)
    expect(pullsOfCoats(2)).toBe(6)
  })

  // With its mouth up the hollow of an open block fills with resin; with its mouth down a core of
  // silicone stands in it, and what narrows upward is locked. A straight one then comes out.
  it('a keycap and a tapered cup take a second half, a straight cup comes out mouth down', () => {
    const open = (solid: Solid) =>
      advised(geometryOfSolid(solid), { copies: 20 }).find(({ kind }) => kind === 'open block')!
    const keycap: Solid = { solid: 'keycap', units: 1, height: 0.0096, wall: 0.0016, taper: 0.0022 }
    const cup: Solid = { solid: 'cup', foot: 0.045, diameter: 0.06, height: 0.05, wall: 0.003 }
    expect(open(keycap).ruledOut).toBe(true)
    expect(open(cup).ruledOut).toBe(true)
    expect(open({ ...cup, foot: 0.06 }).ruledOut).toBe(false)
    // By its definition: nothing of a straight cup is blocked, its inside opens only upward.
    const { hollow } = geometryOfSolid({ ...cup, foot: 0.06 })
    expect(hollow.down).toBe(0)
    expect(hollow.up / (Math.PI * 0.027 ** 2 * 0.047)).toBeCloseTo(1, 1)
  })

  it('a flat-backed piece comes out of an open block, a ball locked in it does not', () => {
    expect(best(advised(geometryOfSolid(block60), { copies: 20 })).kind).toBe('open block')
    // A dome comes out of one with its flat side on the floor, whichever way it stood before.
    const dome = advised(geometryOfSolid({ solid: 'dome', diameter: 0.05, height: 0.02 }), {
      copies: 20,
    })
    expect(best(dome).kind).toBe('open block')
    const ball = advised(geometryOfSolid({ solid: 'ball', diameter: 0.04 }), { copies: 20 })
    expect(ball.find(({ kind }) => kind === 'open block')!.ruledOut).toBe(true)
  })

  it('stands in order of cost, what cannot work last', () => {
    const advice = advised(organic(1), { copies: 12, seam: 'hidden' })
    const able = advice.filter(({ ruledOut }) => !ruledOut).map(({ cost }) => cost)
    expect(able).toEqual([...able].sort((a, b) => a - b))
    expect(advice.slice(able.length).every(({ ruledOut }) => ruledOut)).toBe(true)
  })

  it('a bought mould is named for a plain shape; a shell asks for a printer', () => {
    const plain = { ...geometryOfSolid(block60), soldReady: true }
    const bought = (geometry: MouldGeometry) =>
      advised(geometry, {}).find(({ kind }) => kind === 'bought')!
    expect(bought(plain).ruledOut).toBe(false)
    expect(bought(organic(1)).cons).toEqual([{ reason: 'not-sold' }])
    const shell = advised(organic(1), { printer: 'no' }).find(
      ({ kind }) => kind === 'printed shell',
    )!
    expect(shell.ruledOut).toBe(true)
  })

  it('a kind costs what its silicone weighs on the stage of silicone, to the gram', () => {
    for (const kind of [
      'open block',
      'cut block',
      'two-part',
      'brushed sock',
      'printed shell',
    ] as const) {
      const mould = withKind(sampleMould(), kind)
      const geometry = geometryOfSolid(block60)
      const compiled = compileMould(mould, geometry, firmPlatinum, 0.0001)
      const shown = compiled.advice.find((one) => one.kind === kind)!
      expect(shown.silicone).toBeCloseTo(compiled.need!.mass, 12)
    }
  })

  it('says why, for every kind, and leaves every kind to choose', () => {
    const advice = advised(organic(1), { copies: 12, seam: 'hidden' })
    expect(advice).toHaveLength(8)
    for (const { pros, cons } of advice) expect(pros.length + cons.length).toBeGreaterThan(0)
    expect(advice.find(({ kind }) => kind === 'two-part')!.cons).toContainEqual({
      reason: 'seam-shows',
    })
  })
})

describe('what a copy costs', () => {
  const quick: KindSums = {
    kind: 'cut block',
    silicone: 0.2,
    siliconePrice: 6,
    hands: 1,
    days: 1,
    pulls: 5,
    cavities: 1,
    cleaning: 15,
    turning: 0,
  }
  const lasting: KindSums = {
    ...quick,
    kind: 'two-part',
    siliconePrice: 10,
    hands: 4,
    pulls: 100,
    cleaning: 3,
  }

  // 6 + 20 for a mould, 5 for each cleaning at 20 an hour.
  it('is moulds as often as they wear out, and cleaning each time', () => {
    expect(costOf(quick, 5, 20)).toBeCloseTo(26 + 25, 9)
    expect(costOf(quick, 6, 20)).toBeCloseTo(52 + 30, 9)
    expect(costPerCopy(lasting, 10, 20)).toBeCloseTo((90 + 10) / 10, 9)
    // 18 minutes more of hands for each, at 20 an hour.
    expect(costPerCopy({ ...lasting, turning: 18 }, 10, 20)).toBeCloseTo(10 + 6, 9)
  })

  it('the lasting mould pays from the copies on where it stays cheaper', () => {
    // 90 + n against 26 ⌈n/5⌉ + 5n: 11 copies cost 101 and 133, ten 100 and 102, nine 99 and 97.
    // The mark waits until a twentieth is saved: eleven copies, 101 against 133.
    expect(cheapestFrom([quick, lasting], 20)).toEqual([
      { copies: 1, kind: 'cut block' },
      { copies: 11, kind: 'two-part' },
    ])
  })
})
