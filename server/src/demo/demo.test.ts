import { describe, expect, it } from 'vitest'
import { readDocument } from '@mivro/core/document'
import { materialSchema, slipsOf } from '@mivro/core/material'
import { readForm, type Form } from '@mivro/core/piece'
import { compile, planSchema } from '@mivro/core/plan'
import { closureOf, fillCurve, isClosed, measure, readStl, weld, writeStl } from '@mivro/core/shape'
import { materials } from './materials.ts'
import { meteorite } from './meteorite.ts'
import { pieces } from './pieces.ts'

const stl = writeStl(meteorite())

describe('the demo studio', () => {
  it.each(Object.entries(materials))('%s is a sheet without slips', (_, material) => {
    expect(readDocument(materialSchema, material)).toEqual(material)
    expect(slipsOf(material)).toEqual([])
  })

  it.each(pieces)('$piece.name has a plan that can be poured', ({ piece, plan }) => {
    expect(readDocument(planSchema, plan)).toEqual(plan)
    const form: Form =
      piece.form === 'meteorite'
        ? { from: 'file', mesh: '0'.repeat(64), fileName: 'm.stl', unit: 'mm' }
        : piece.form
    const curve = fillCurve(readForm(form, stl).mesh, plan.up)
    const { cautions, layers } = compile(plan, curve, new Map(Object.entries(materials)))
    expect(cautions.filter((caution) => caution.severity === 'stop')).toEqual([])
    expect(layers.every((layer) => layer.weighing && layer.clock)).toBe(true)
  })

  it('the orrery base holds 180 ml', () => {
    const orrery = pieces.find(({ id }) => id === 'demo-orrery')!
    expect(measure(readForm(orrery.piece.form as Form).mesh).volume * 1e6).toBeCloseTo(180, 6)
  })

  it('the meteorite is one closed surface, always the same', () => {
    const mesh = weld(readStl(stl).mesh)
    expect(isClosed(closureOf(mesh))).toBe(true)
    // Euler: a ball has V − E + F = 2, and every edge two faces.
    expect(mesh.positions.length / 3 - mesh.triangles.length / 6).toBe(2)
    expect(writeStl(meteorite())).toEqual(stl)
  })
})
