import { describe, expect, it } from 'vitest'
import { sayCaution } from '@mivro/words/caution'
import { firmPlatinum, softTin } from '../../matter/material/samples.ts'
import { mixDensity } from '../../matter/mix/index.ts'
import { buildBox } from '../box/box.ts'
import { compileMould } from '../compile.ts'
import { block60, geometryOfSolid, sampleMould } from '../samples.ts'
import { shrinkageOf } from '../shrink.ts'
import { batches } from './batches.ts'
import { rankSilicones } from './choose.ts'
import { cover } from './cover.ts'
import { siliconeNeed } from './need.ts'
import { siliconeRoom } from './room.ts'

const geometry = geometryOfSolid(block60)
const silicone = { ...firmPlatinum, densityA: 1100, densityB: 1100 }
const box = { ...sampleMould().box, side: 0.01, over: 0.012, under: 0.008 }

describe('how much silicone', () => {
  it('is box minus master: 80 x 60 x 40 mm around 60 x 40 x 20 mm', () => {
    const mould = sampleMould({ kind: 'cut block', box })
    const built = buildBox(box, geometry.foot)
    expect([built.width, built.depth, built.height]).toEqual([
      expect.closeTo(0.08, 12),
      expect.closeTo(0.06, 12),
      expect.closeTo(0.04, 12),
    ])
    expect(siliconeRoom(mould, built, geometry).net * 1e6).toBeCloseTo(8 * 6 * 4 - 6 * 4 * 2, 6)
  })

  it('a two-part mould splits at its parting, and clay fills the first half meanwhile', () => {
    const mould = sampleMould({ kind: 'two-part', box, parting: 0.01 })
    const room = siliconeRoom(mould, buildBox(box, geometry.foot), geometry)
    expect(room.clay * 1e6).toBeCloseTo(8 * 6 * 1.8 - 6 * 4 * 1, 6)
    expect(room.first + room.second).toBeCloseTo(room.net, 15)
    expect(room.second).toBeCloseTo(room.clay, 15)
  })

  // Random loose packing of rough chunks is about 0.6 (from memory).
  it('a cup of old chunks takes the place of six tenths of it', () => {
    const mould = sampleMould({ box, filler: 50e-6 })
    expect(siliconeRoom(mould, buildBox(box, geometry.foot), geometry).net * 1e6).toBeCloseTo(
      144 - 30,
      6,
    )
  })

  it('a tenth stays on tools, and a fifth of what is opened in its tub', () => {
    const need = siliconeNeed(0.001, silicone, { loss: 0.1, tub: 0.2 }, 0.0001)
    expect(need.inMould).toBeCloseTo(1.1, 9)
    expect(need.mass).toBeCloseTo(1.21, 9)
    expect(need.opened).toBeCloseTo(1.21 / 0.8, 9)
    expect(need.kits).toBe(2)
    expect(need.weighing.steps.map(({ mass }) => mass)).toEqual([
      expect.closeTo(0.605, 9),
      expect.closeTo(0.605, 9),
    ])
    expect(need.byVolume.a * 1e6).toBeCloseTo(550, 6)
  })

  it('a brushed coat is area times thickness, a printed shell follows Steiner', () => {
    const sock = sampleMould({ kind: 'brushed sock', coats: 3 })
    expect(siliconeRoom(sock, undefined, geometry).net).toBeCloseTo(geometry.area * 0.0036, 12)
    // Three plies of bandage, a third more for what overlaps.
    const { bandage } = compileMould(sock, geometry, silicone, 1e-4)
    expect(bandage / geometry.area).toBeCloseTo(3.9, 9)
    // A box moved outward by t: V + A t + π (a + b + c) t² + 4/3 π t³.
    const t = 0.006
    const exact = 0.0088 * t + Math.PI * 0.12 * t * t + (4 / 3) * Math.PI * t ** 3
    const shell = sampleMould({ kind: 'printed shell', layer: t })
    expect(siliconeRoom(shell, undefined, geometry).net / exact).toBeCloseTo(1, 6)
  })
})

describe('will it cover', () => {
  // 200 x 150 mm of floor, a block of 120 x 90 x 60 mm on 15 mm feet, filled to 90 mm.
  const large = geometryOfSolid({ solid: 'block', width: 0.12, depth: 0.09, height: 0.06 })
  const built = buildBox({ ...box, side: 0.01, over: 0.012, under: 0.01 }, large.foot)
  const density = mixDensity(silicone.ratio, silicone)

  it('all of it covers to the fill line, half stands where the sum says', () => {
    const whole = built.volumeTo(built.height) - large.volume
    expect(cover(built, large.curve, whole, 0).sticksOut).toBe(0)
    expect(cover(built, large.curve, whole, 0).short).toBeCloseTo(0, 12)
    // Floor 140 x 110 mm: 10 mm under the master take 154 ml; 108 cm² less 154 cm² leaves 46 cm² beside it.
    const found = cover(built, large.curve, 154e-6 + 46e-6 * 3, 0)
    expect(found.level).toBeCloseTo(0.01 + 0.03, 6)
    expect(found.sticksOut).toBeCloseTo(0.03, 6)
  })

  it('940 g mixed for a box that needs 1.62 kg is called short, with the level', () => {
    // A box that takes exactly 1.62 kg, a tenth of it on tools.
    const inMould = 1.62 / 1.1 / density
    const under = 0.01
    const area = built.areaAt(0)
    const over = (inMould + large.volume) / area - under - 0.06
    const mould = sampleMould({ kind: 'cut block', box: { ...box, under, over }, onHand: 0.94 })
    const compiled = compileMould(mould, large, silicone, 0.0001)
    expect(compiled.need!.mass).toBeCloseTo(1.62, 9)
    const short = compiled.cautions.find(({ code }) => code === 'silicone-short')!
    expect(short.severity).toBe('stop')
    expect((short.amounts as { missing: number }).missing).toBeCloseTo(0.68, 6)
    // 940 g, a tenth on tools, at 1.1 g/ml: 776.9 ml; 154 under, then 46 cm² beside the master,
    // 276 ml up to its top, the rest over 154 cm².
    const level = 0.07 + (0.94 / 1.1 / density - 154e-6 - 276e-6) / area
    expect(compiled.cover!.level).toBeCloseTo(level, 6)
    expect(sayCaution(short)).toMatch(/^680 g short: what there is would stand at \d+\.\d mm/)
    // What makes it do: chunks of old moulds, six tenths of a cup of which is solid.
    const { chunks } = short.amounts as { chunks: number }
    expect(chunks * 0.6).toBeCloseTo(0.68 / 1.1 / density, 6)
    const filled = compileMould({ ...mould, filler: chunks }, large, silicone, 0.0001)
    expect(filled.cautions.map(({ code }) => code)).not.toContain('silicone-short')
  })
})

describe('batches', () => {
  // Silicone swells three to four times under vacuum: a fifth of the vessel (common practice).
  it('a vessel is filled to a fifth', () => {
    const found = batches(0.0016, { cup: 0.004, vessel: 0.003 }, firmPlatinum)
    expect(found).toMatchObject({ count: 3, by: 'vessel' })
    expect(found.volume * 3).toBeCloseTo(0.0016, 12)
  })

  it('a pot life that is too short for one batch, or for the next to meet the last, is said', () => {
    const quick = { ...firmPlatinum, potLife: 8 * 60 }
    expect(batches(0.001, { cup: 0.003, vessel: 0.01 }, quick)).toMatchObject({
      count: 1,
      eachFits: false,
    })
    // Four of 0.75 l: 4 min of mixing and 3 of pouring. The next begins to flow 11 min after the one
    // before was begun, and has only to meet that one.
    const slow = { ...firmPlatinum, mixTime: 240 }
    const many = batches(0.003, { cup: 0.0012 }, { ...slow, potLife: 15 * 60 })
    expect(many).toMatchObject({ count: 4, eachFits: true, joinFits: true, gap: 660 })
    const parted = batches(0.003, { cup: 0.0012 }, { ...slow, potLife: 10 * 60 })
    expect(parted).toMatchObject({ joinFits: false })
    // Two thirds of 2.5 l take three litres in two.
    expect(parted.fewerBy! * 1e6).toBeCloseTo(2500, 6)
  })
})

describe('choosing a silicone', () => {
  const shelf = [
    { id: 'tin', silicone: softTin },
    { id: 'platinum', silicone: firmPlatinum },
  ]
  const master = (values: object) => ({
    ...sampleMould().contact,
    master: { ...sampleMould().contact.master, ...values },
  })

  it('over a fresh print tin comes first, over an aged one firm platinum', () => {
    const fresh = sampleMould({ contact: master({}), vessel: 0.005 })
    const aged = sampleMould({ contact: master({ age: 40 * 86400 }), vessel: 0.005 })
    expect(rankSilicones(shelf, fresh, geometry, 1e-4)[0].id).toBe('tin')
    expect(rankSilicones(shelf, fresh, geometry, 1e-4)[1].cons).toContainEqual({
      reason: 'inhibited',
      by: 'resin print',
    })
    expect(rankSilicones(shelf, aged, geometry, 1e-4)[0].id).toBe('platinum')
  })
})

it('shrinkages multiply through to the cast', () => {
  const { factor, scale } = shrinkageOf(softTin, { shrinkage: 0.01 })
  expect(factor).toBeCloseTo(0.996 * 0.99, 12)
  expect(factor * scale).toBeCloseTo(1, 12)
  expect(shrinkageOf(undefined, undefined).factor).toBe(1)
})
