import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fillCurve } from '../../form/filling/index.ts'
import { firmPlatinum, slowEpoxy, violet, whiteUrethane } from '../../matter/material/samples.ts'
import type { Material } from '../../matter/material/index.ts'
import { cavityOf } from '../../form/mesh/index.ts'
import { displayStep, wholeMass } from '../../matter/mix/index.ts'
import {
  compileMould,
  makingSteps,
  mouldGeometry,
  mouldKindNames,
  mouldSchema,
  newMould,
  overOf,
  withKind,
  type Mould,
} from '../../mould/index.ts'
import { readDocument } from '../../base/document/index.ts'
import { newPull } from '../pull/index.ts'
import { buildSolid, type Solid } from '../../form/shape/index.ts'
import { figure, imperial, metric, parseQuantity, scaleUnits } from '../../base/units/index.ts'
import { compile } from './compile/compile.ts'
import { pourHeatQuestion } from './heat/pourHeat.ts'
import { newPlan, planSchema, type Plan } from './plan.ts'
import { pouredInto } from './pouredInto.ts'
import { pourSheet } from './pourSheet.ts'

const shelf = new Map<string, Material>([
  ['epoxy', slowEpoxy],
  ['urethane', whiteUrethane],
  ['violet', violet],
])

const shapes = (
  [
    { solid: 'block', width: 0.06, depth: 0.04, height: 0.02 },
    { solid: 'cup', foot: 0.04, diameter: 0.05, height: 0.05, wall: 0.004 },
    { solid: 'drop', width: 0.038, height: 0.052, facets: 8 },
  ] satisfies Solid[]
).map((solid) => {
  const mesh = buildSolid(solid)
  const curve = fillCurve(mesh, [0, 0, 1])
  const over = mouldGeometry(cavityOf(mesh), [0, 0, -1])
  return { curve, upright: mouldGeometry(cavityOf(mesh), [0, 0, 1]), over }
})

const plans = fc.record({
  tops: fc.uniqueArray(fc.double({ min: 0.1, max: 1, noNaN: true }), {
    minLength: 1,
    maxLength: 4,
  }),
  resin: fc.constantFrom('epoxy', 'urethane'),
  cups: fc.integer({ min: 1, max: 5 }),
  copies: fc.integer({ min: 1, max: 40 }),
  reserve: fc.double({ min: 0, max: 1, noNaN: true }),
  gate: fc.double({ min: 0, max: 3e-6, noNaN: true }),
  dye: fc.double({ min: 0, max: 0.005, noNaN: true }),
  step: fc.constantFrom(1e-5, 1e-4, 1e-3, 0.005 * 0.028349523125),
  warm: fc.option(fc.double({ min: 293.15, max: 353.15, noNaN: true }), { nil: undefined }),
})
const moulds = fc.record({
  kind: fc.constantFrom(...mouldKindNames),
  cavities: fc.integer({ min: 1, max: 4 }),
  side: fc.double({ min: 0.003, max: 0.03, noNaN: true }),
  over: fc.double({ min: 0.003, max: 0.03, noNaN: true }),
  cup: fc.double({ min: 3e-5, max: 2e-3, noNaN: true }),
  loss: fc.double({ min: 0, max: 0.5, noNaN: true }),
  warmth: fc.option(fc.double({ min: 293.15, max: 353.15, noNaN: true }), { nil: undefined }),
  bores: fc.array(fc.double({ min: 0.001, max: 0.01, noNaN: true }), { maxLength: 3 }),
})

const planOf = (height: number, of: PlanOf): Plan => ({
  ...newPlan('any'),
  copies: of.copies,
  reserve: of.reserve,
  gate: of.gate,
  scaleStep: of.step,
  mouldTemperature: of.warm,
  layers: [...of.tops]
    .sort((a, b) => a - b)
    .map((share, i) => ({
      id: `l${i}`,
      name: `L${i}`,
      fill: { by: 'height', top: share * height },
      resin: of.resin,
      tints: of.dye > 0 ? [{ material: 'violet', fraction: Math.max(1e-5, of.dye) }] : [],
      inclusions: [],
      join: 'crisp',
      cups: of.cups > 1 ? of.cups : undefined,
    })),
})
interface PlanOf {
  tops: number[]
  resin: string
  cups: number
  copies: number
  reserve: number
  gate: number
  dye: number
  step: number
  warm: number | undefined
}
interface MouldOf {
  kind: (typeof mouldKindNames)[number]
  cavities: number
  side: number
  over: number
  cup: number
  loss: number
  warmth: number | undefined
  bores: number[]
}
const mouldOf = (height: number, of: MouldOf): Mould => {
  const made = withKind(newMould('any', 'p', [0, 0, 1], height), of.kind)
  return {
    ...made,
    cavities: of.cavities,
    cup: of.cup,
    loss: of.loss,
    box: { ...made.box, side: of.side, over: of.over, under: of.over },
    liking: { ...made.liking, warmth: of.warmth },
    openings: of.bores.map((bore, i) => ({
      id: `o${i}`,
      what: i === 0 ? 'gate' : 'vent',
      at: [0, 0, height],
      bore,
      made: 'cast in',
    })),
  }
}
const near = (a: number, b: number) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-9 * Math.max(Math.abs(a), Math.abs(b), 1e-9))

describe('for any plan, mould and units, what is shown twice agrees', () => {
  it('cups, layers, copies, the shelf, the pour sheet and the pull', () => {
    fc.assert(
      fc.property(fc.constantFrom(...shapes), plans, moulds, ({ curve }, of, m) => {
        const plan = readDocument(planSchema, planOf(curve.height, of))
        const mould = readDocument(mouldSchema, mouldOf(curve.height, m))
        const standing = { up: [0, 0, 1] as const, lowest: 0, height: curve.height }
        const into = pouredInto(plan, mould, standing)
        const compiled = compile(plan, curve, shelf, { into })
        const weighed = compiled.layers.filter((layer) => layer.weighing)
        const last = compiled.layers.at(-1)!
        let all = 0
        for (const layer of weighed) {
          const { weighing, each, batch, clock } = layer
          const { cups, steps, total, volume } = weighing!
          const gate = layer === last ? into.gate : 0
          near(volume * cups, (layer.resin + gate) * plan.copies * (1 + plan.reserve))
          near(
            steps.reduce((sum, { mass }) => sum + mass, 0),
            total,
          )
          // The reserve stays in the cup.
          near(each!.mass * plan.copies * (1 + plan.reserve), wholeMass(weighing!))
          expect(batch!.mass).toBe(total)
          expect(batch!.walls).toBe(into.walls)
          near(clock!.lastPourAt - clock!.pourAt, (cups - 1) * batch!.inCup!)
          if (plan.layers[layer.index].cups) {
            expect(cups).toBeGreaterThanOrEqual(plan.layers[layer.index].cups!)
          }
          all += wholeMass(weighing!)
        }
        near(
          compiled.needs.reduce((sum, { mass }) => sum + mass, 0),
          all,
        )
        const from = { plan: 'p', planRevision: 1, pouredAt: '2026-03-01T10:00:00Z' }
        const pulled = newPull(plan, compiled, from).layers.flatMap(({ amounts }) => amounts)
        near(
          pulled.reduce((sum, { planned }) => sum + planned, 0),
          all,
        )
        const sheet = pourSheet(compiled)
        for (const { layer, step, at } of sheet) {
          if (layer) expect(layer).toBe(compiled.layers[layer.index])
          if (step === 'mix') expect(at).toBe(layer!.clock!.mixAt)
          if (step === 'pour') expect(at).toBe(layer!.clock!.pourAt)
          if (step === 'demould') expect(at).toBe(compiled.demouldAt)
        }
        // Heat is asked of the same mould, at the same warmth and moments.
        const asked = pourHeatQuestion(plan, compiled)
        expect(asked.walls).toBe(compiled.into.walls)
        expect(asked.mouldTemperature).toBe(compiled.into.warmth)
        expect(compiled.into.warmth).toBe(plan.mouldTemperature ?? mould.liking.warmth)
        expect(asked.layers.map(({ pourAt }) => pourAt)).toEqual(
          compiled.layers.map(({ clock }) => clock?.pourAt),
        )
        const limits = compiled.layers.flatMap(({ heatLimit }) => heatLimit?.at ?? [])
        expect(compiled.heatLimit?.at).toBe(limits.length > 0 ? Math.min(...limits) : undefined)
        const covered = compiled.into.mould === 'closed'
        expect(compiled.into.walls.cover !== undefined).toBe(covered)
      }),
      { numRuns: 250 },
    )
  })

  it('halves, batches, kinds and the mould sheet', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shapes),
        moulds,
        fc.double({ min: 1e-5, max: 1e-3, noNaN: true }),
        ({ curve, upright, over }, m, step) => {
          const mould = readDocument(mouldSchema, mouldOf(curve.height, m))
          const geometry = mould.masterUp[2] > 0 ? upright : over
          const compiled = compileMould(mould, geometry, firmPlatinum, step)
          const { pours, need, advice, room, box, foot } = compiled
          expect(foot.places).toHaveLength(mould.cavities)
          if (mould.kind === 'bought') {
            expect(pours).toEqual([])
            expect(makingSteps(mould, compiled, firmPlatinum)).toEqual([])
            return
          }
          let mass = 0
          for (const one of pours) {
            expect(one.need.weighing.cups).toBe(one.batches.count)
            near(one.need.weighing.volume, one.batches.volume)
            near(wholeMass(one.need.weighing), one.need.mass)
            mass += one.need.mass
          }
          near(mass, need!.mass)
          near(room.first + room.second, room.net)
          near(need!.inMould * (1 + mould.loss), need!.mass)
          near(advice.find(({ kind }) => kind === mould.kind)!.silicone, need!.mass)
          if (box && !mould.box.own) near(box.over, overOf(mould.box, geometry.foot.height))
          const sheet = makingSteps(mould, compiled, firmPlatinum).flatMap(
            ({ need: shown }) => shown ?? [],
          )
          if (mould.kind !== 'brushed sock') expect(sheet).toEqual(pours.map((one) => one.need))
        },
      ),
      { numRuns: 120 },
    )
  })

  it('a reading as it is shown reads back to itself, in anybody’s units', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(metric, imperial),
        fc.constantFrom(1e-6, 1e-5, 1e-4, 1e-3, 0.005 * 0.028349523125, 0.01 * 0.028349523125),
        fc.double({ min: 1e-4, max: 2, noNaN: true }),
        (choice, step, mass) => {
          const units = scaleUnits(step, choice)
          const reading = Math.round(mass / step) * step
          const shown = figure(reading, 'mass', units, { step })
          expect(Math.abs(parseQuantity(shown, 'mass', units) - reading)).toBeLessThan(0.01 * step)
          const weight = figure(mass, 'mass', units, { step: displayStep(mass, step) })
          expect(Math.abs(parseQuantity(weight, 'mass', units) - mass)).toBeLessThanOrEqual(step)
        },
      ),
    )
  })
})
