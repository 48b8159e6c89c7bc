import { describe, expect, it } from 'vitest'
import { sayCaution } from '@mivro/words/caution'
import type { Material } from '../../../matter/material/index.ts'
import { slowEpoxy, violet } from '../../../matter/material/samples.ts'
import { fillCurve } from '../../../form/filling/index.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { fixesOf } from '../fixes.ts'
import { newPlan, type Layer, type Plan } from '../plan.ts'
import { compile } from './compile.ts'

const curve = fillCurve(
  buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 }),
  [0, 0, 1],
)
const said = (more: Partial<Layer>, tint = violet) => {
  const fill = { by: 'height', top: 0.03 } as const
  const layer: Layer = {
    id: 'a',
    name: 'A',
    fill,
    resin: 'epoxy',
    tints: [],
    inclusions: [],
    join: 'crisp',
    ...more,
  }
  const shelf = new Map<string, Material>([
    ['epoxy', slowEpoxy],
    ['violet', tint],
  ])
  return compile({ ...newPlan('x'), layers: [layer] }, curve, shelf).cautions.map((c) =>
    sayCaution(c),
  )
}

describe('what is said of what goes into a layer', () => {
  it('mica over its limit thickens and settles, a dye leaves the cast soft', () => {
    const over = { tints: [{ material: 'violet', fraction: 0.2 }] }
    const about = (form: 'dye' | 'mica') =>
      said(over, { ...violet, form }).find((words) => words.includes('over its sheet'))
    expect(about('mica')).toMatch(
      /the mix thickens, keeps its bubbles, and what is too much settles/,
    )
    expect(about('dye')).toMatch(/the cast may stay soft/)
  })

  it('what is thinned with water is refused, with solvent kept from flame and vacuum', () => {
    const little = { tints: [{ material: 'violet', fraction: 0.002 }] }
    const about = (carrier: 'water' | 'solvent') => said(little, { ...violet, carrier }).join(' ')
    expect(about('water')).toMatch(/thinned with water, and water spoils/)
    expect(about('solvent')).toMatch(/no flame or heat gun near it, and no vacuum/)
  })

  // By hand: 60 ml of 1.09 g/ml and a tenth are 72 g; 0.003 % of them 2.2 mg, on a scale of 0.1 g.
  it('a dose far below the scale is thinned until a scale can weigh it, never "0.0 g of that"', () => {
    const tiny = { tints: [{ material: 'violet', fraction: 0.00003 }] }
    const words = said(tiny).find((one) => one.includes('thinned'))!
    expect(words).toMatch(
      /is 0\.002\d g and the scale reads to 0\.1 g: take 2\.\d g of it thinned 1 to 10, 3 times/,
    )
  })

  it('mica in a clear resin wants something opaque behind it, unless it covers by itself', () => {
    const mica = { ...violet, form: 'mica' as const, name: 'Gold mica', limit: 0.05, hides: 0.003 }
    const about = (fraction: number) =>
      said({ tints: [{ material: 'violet', fraction }] }, mica).some((one) =>
        one.includes('comes out as amber'),
      )
    expect(about(0.002)).toBe(true)
    expect(about(0.05)).toBe(false)
  })

  it('leaf is carried, whatever its metal weighs; petals are dried, sealed and kept cool', () => {
    const leaf = {
      id: 'l',
      name: 'Gold leaf',
      count: 10,
      mass: 4e-4,
      density: 19_300,
      thickness: 0.2e-6,
    }
    const petal = { id: 'p', name: 'Petal', count: 10, mass: 1e-5, density: 400 }
    const words = said({ inclusions: [leaf, petal] })
    expect(words.some((one) => /^Gold leaf.* sinks/.test(one))).toBe(false)
    expect(words).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^Gold leaf/),
        expect.stringMatching(/^Petal.*dry.*seal.*60 °C/i),
      ]),
    )
  })
})

describe('an open mould is filled where the piece is wide', () => {
  const drop = buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 8 })
  const about = (plan: Plan) => {
    const compiled = compile(plan, fillCurve(drop, plan.up), new Map())
    const found = compiled.cautions.find(({ code }) => code === 'mouth-narrow')
    return { found, fixes: found ? fixesOf(found, plan, compiled) : [] }
  }
  const upward = newPlan('drop')

  it('a drop whose point is the open side is told to be turned, or poured closed', () => {
    const turned = { ...upward, up: [0, 0, -1] as Plan['up'] }
    const [point, wide] = about(upward).found ? [upward, turned] : [turned, upward]
    expect(about(wide).found).toBeUndefined()
    const { found, fixes } = about(point)
    expect(found!.amounts).toMatchObject({ turned: true })
    expect(fixes.map(({ fix }) => fix)).toEqual(['turn-over', 'close-mould'])
    for (const { plan } of fixes) expect(about(plan).found).toBeUndefined()
  })
})
