import { describe, expect, it } from 'vitest'
import type { Material, Shelf } from '../../matter/material/index.ts'
import { slowEpoxy, whiteUrethane, violet } from '../../matter/material/samples.ts'
import { sampleMould } from '../../mould/samples.ts'
import { newPlan, type Plan } from '../../work/plan/index.ts'
import type { Pull } from '../../work/pull/index.ts'
import { diagnose } from './diagnose.ts'
import { factsOf } from './facts.ts'
import { pinPlace, type FaultSurroundings } from './place.ts'

const pin = { fault: 'void at a tip', at: [0, 0, 0.038], size: 0.002 } as const
const around: FaultSurroundings = {
  up: [0, 0, 1],
  lowest: 0,
  height: 0.04,
  size: 0.08,
  pockets: [{ top: [0, 0, 0.04], volume: 1e-8, flat: 1 }],
  openings: [{ what: 'gate', at: [0.03, 0, 0.02] }],
  prefills: [],
}
const at = (values: [number, number, number]) => ({ ...pin, at: values })

describe('where a fault is', () => {
  it('a tip where air is shut in, without a vent', () => {
    expect(pinPlace(pin, [pin], around)).toMatchObject({
      tip: true,
      trapped: true,
      vent: false,
      port: false,
      upper: true,
      ceiling: false,
      spread: false,
    })
  })

  it('a flat pocket lies under a ceiling; far from it nothing is shut in', () => {
    const flat = { ...around, pockets: [{ ...around.pockets![0], flat: 9 }] }
    expect(pinPlace(pin, [pin], flat)).toMatchObject({ ceiling: true, tip: false })
    expect(pinPlace(at([0, 0, 0.01]), [pin], around)).toMatchObject({
      trapped: false,
      upper: false,
    })
  })

  it('near the gate, a vent, a dab, a thing; where nothing of it is known it is left out', () => {
    expect(pinPlace(at([0.025, 0, 0.02]), [pin], around).port).toBe(true)
    const more = {
      ...around,
      openings: [...around.openings, { what: 'vent' as const, at: [0, 0, 0.04] }],
      prefills: [{ at: [0, 0.001, 0.038] }],
      things: [{ at: [0, 0, 0.016], reach: 0.015 }],
      under: 0.0005,
    }
    expect(pinPlace(pin, [pin], more)).toMatchObject({
      vent: true,
      prefill: true,
      thing: true,
      skin: true,
    })
    const bare = pinPlace(pin, [pin], { ...around, pockets: undefined, openings: [] })
    expect(bare.trapped).toBeUndefined()
    expect(bare.port).toBeUndefined()
    expect(bare.skin).toBeUndefined()
  })

  it('pinned three times through its height and across it is all over; on one face, or in a ring, it is not', () => {
    const fine = (...at: [number, number, number]) =>
      ({ ...pin, fault: 'fine bubbles', at }) as const
    const spread = (all: ReturnType<typeof fine>[]) => pinPlace(all[0], all, around).spread
    const low = fine(-0.02, 0.01, 0.004)
    const middle = fine(0.02, -0.01, 0.02)
    const high = fine(0.01, 0, 0.036)
    expect(spread([low, high])).toBe(false)
    expect(spread([low, middle, high])).toBe(true)
    // All on the upper face: they rose.
    expect(spread([fine(-0.03, 0, 0.039), fine(0.03, 0, 0.039), fine(0, 0.02, 0.04)])).toBe(false)
    // One above the other at one place.
    expect(spread([fine(0, 0, 0.004), fine(0, 0, 0.02), fine(0, 0, 0.038)])).toBe(false)
    // Around a slice of wood.
    const ring = [0, 1, 2, 3].map((k) =>
      fine(0.03 * Math.cos((k * Math.PI) / 2), 0.03 * Math.sin((k * Math.PI) / 2), 0.02),
    )
    expect(spread(ring)).toBe(false)
    const around_ = { ...around, things: [{ at: [0, 0, 0.02], reach: 0.03 }] }
    expect(ring.map((one) => pinPlace(one, ring, around_).thing)).toEqual([true, true, true, true])
  })

  it('turned over, what was up is down', () => {
    const over = { ...around, up: [0, 0, -2], lowest: -0.04 }
    expect(pinPlace(pin, [pin], over).upper).toBe(false)
  })
})

describe('what is known of a pull', () => {
  const shelf: Shelf = new Map<string, Material>([
    ['u', whiteUrethane],
    ['e', slowEpoxy],
    ['v', violet],
  ])
  const plan: Plan = {
    ...newPlan('x'),
    layers: [
      {
        id: 'a',
        name: 'Body',
        fill: { by: 'height', top: 0.02 },
        resin: 'u',
        tints: [{ material: 'v', fraction: 0.001 }],
        inclusions: [],
        join: 'crisp',
      },
    ],
  }
  const pull = (more: Partial<Pull> = {}): Pull =>
    ({
      layers: [
        {
          name: 'Body',
          amounts: [
            { what: 'A', name: 'A', planned: 0.01, weighed: 0.0109 },
            { what: 'tint', name: 'V', planned: 1e-5, weighed: 4 * violet.limit * 0.0209 },
            { what: 'B', name: 'B', planned: 0.01, weighed: 0.01 },
          ],
        },
      ],
      room: 294,
      faults: [],
      ...more,
    }) as Pull

  it('is read from its record, its plan and the sheets', () => {
    const facts = factsOf(
      pull({
        method: {
          way: 'pressure',
          pressure: 2.8e5,
          prefilled: 1,
          prefills: 4,
          bands: 1,
          dust: 'none',
        },
        times: {
          stirred: 9,
          full: 160,
          pours: 150,
          atPressure: 300,
          gels: 250,
          letGo: 400,
          hard: 1000,
          out: 500,
        },
        lots: [{ material: 'u', opened: 5e7 }],
      }),
      { plan, shelf, worn: 0.9 },
    )
    expect(facts.resin).toBe('urethane')
    expect(facts.ratioError).toBeCloseTo(0.09, 9)
    expect(facts.tintOfLimit).toBeCloseTo(4, 9)
    expect(facts.pouredAt).toBeCloseTo(160 / 150, 9)
    expect(facts.pressureAt).toBeCloseTo(1.2, 9)
    expect(facts.heldUntil).toBeCloseTo(0.4, 9)
    expect(facts.demouldedAt).toBeCloseTo(0.5, 9)
    expect(facts.prefilled).toBeCloseTo(0.25, 9)
    expect(facts).toMatchObject({ bands: 1, dusted: false, opened: 5e7, worn: 0.9 })
  })

  it('what went wrong at the bench is known of it: a leak, a pot that lost its pressure', () => {
    const told = (what: string) =>
      factsOf(pull({ mishaps: [{ what, did: 'more bands' }] }), { plan, shelf })
    expect(told('seam leaks')).toMatchObject({ leaked: true, lostPressure: false })
    expect(told('pressure lost')).toMatchObject({ leaked: false, lostPressure: true })
    expect(factsOf(pull({}), { plan, shelf }).leaked).toBeUndefined()
    const suspects = (facts: object) => diagnose({ fault: 'pocket near the gate', facts }).suspects
    expect(suspects(told('seam leaks'))[0].cause).toBe('leaked at the seam')
    expect(suspects(told('pressure lost'))[0].cause).not.toBe('leaked at the seam')
  })

  it('a copy that was full in good time was not poured late, whenever the last of its pull was', () => {
    const late = pull({
      times: { full: 320, pours: 337 },
      results: [
        { copy: 1, result: 'good', full: 103 },
        { copy: 2, result: 'lost' },
      ],
    })
    const pouredAt = (copy?: number) => factsOf(late, { plan, shelf }, copy).pouredAt
    expect(pouredAt(1)).toBeCloseTo(103 / 337, 9)
    expect(pouredAt(2)).toBeCloseTo(320 / 337, 9)
    expect(pouredAt()).toBeCloseTo(320 / 337, 9)
  })

  it('what nobody wrote down is left out, and counts neither way', () => {
    const facts = factsOf(pull({ layers: [] }), { shelf: new Map() })
    expect(Object.values(facts).filter((one) => one !== undefined)).toEqual([294])
  })

  it('the mould says whether its silicone was cleared', () => {
    const mould = (more: object) =>
      factsOf(pull(), { shelf, mould: sampleMould(more) }).siliconeClear
    expect(mould({ vessel: 0.01 })).toBe(true)
    expect(mould({ vessel: undefined, pressure: undefined })).toBe(false)
  })

  it('an answer counts before what is reckoned', () => {
    const finding = { fault: 'foam', facts: { humidity: 0.8, opened: 0 } } as const
    expect(diagnose(finding).suspects[0].cause).toBe('damp')
    const told = { 'opened long ago': true, 'air humid': false }
    expect(diagnose({ ...finding, told }).suspects[0].cause).toBe('old bottle')
  })
})
