import { describe, expect, it } from 'vitest'
import { readDocument } from '@mivro/core/base/document'
import { effectOfChange, trialsOf } from '@mivro/core/learn/diagnosis'
import { materialSchema, slipsOf } from '@mivro/core/matter/material'
import { readForm, type Form } from '@mivro/core/form/piece'
import { compile, planSchema } from '@mivro/core/work/plan'
import { closureOf, isClosed, measure, readStl, weld, writeStl } from '@mivro/core/form/mesh'
import { fillCurve } from '@mivro/core/form/filling'
import { mouldSchema } from '@mivro/core/mould'
import { wearOf, type Pull } from '@mivro/core/work/pull'
import { astronomer } from './astronomer.ts'
import { solidKernel } from './solidKernel.ts'
import { materials } from './materials.ts'
import { meteorite } from './meteorite.ts'
import { moulds } from './moulds.ts'
import { pieces } from './pieces.ts'

const stl = writeStl(meteorite())
const figure = writeStl(await astronomer())

describe('the demo studio', () => {
  it.each(Object.entries(materials))('%s is a sheet without slips', (_, material) => {
    expect(readDocument(materialSchema, material)).toEqual(material)
    expect(slipsOf(material)).toEqual([])
  })

  it.each(pieces)('$piece.name has a plan that can be poured', async ({ piece, plan }) => {
    expect(readDocument(planSchema, plan)).toEqual(plan)
    const form: Form =
      piece.form === 'meteorite' || piece.form === 'astronomer'
        ? { from: 'file', mesh: '0'.repeat(64), fileName: 'm.stl', unit: 'mm' }
        : piece.form
    const curve = fillCurve(
      (await readForm(form, piece.form === 'astronomer' ? figure : stl, { kernel: solidKernel }))
        .mesh,
      plan.up,
    )
    const { cautions, layers } = compile(plan, curve, new Map(Object.entries(materials)))
    expect(cautions.filter((caution) => caution.severity === 'stop')).toEqual([])
    expect(layers.every((layer) => layer.weighing && layer.clock)).toBe(true)
  })

  it.each(Object.entries(moulds))(
    '%s is a mould of pieces and silicones that are there',
    (_, mould) => {
      expect(readDocument(mouldSchema, mould)).toEqual(mould)
      for (const id of mould.pieces) expect(pieces.map((piece) => piece.id)).toContain(id)
      if (mould.silicone) expect(materials[mould.silicone].kind).toBe('silicone')
    },
  )

  it('a hem stayed empty three times and since its vent no more; a trial tells pressure from none', () => {
    const pullsOf = (id: string) =>
      pieces.find((piece) => piece.id === id)!.pulls as unknown as Pull[]
    const season = pullsOf('demo-astronomer-solid').map((pull) => ({ ...pull, copies: 1 }))
    const [change] = season.flatMap(({ changes }) => changes ?? [])
    const { before, after, verdict } = effectOfChange(change, season)
    expect([before, after.seen, verdict]).toEqual([{ seen: 3, of: 3, worth: 3 }, 0, 'helped'])
    const [trial] = trialsOf(pullsOf('demo-crater-keycap'))
    expect([trial.without, trial.with]).toEqual([
      { seen: 5, of: 6 },
      { seen: 0, of: 6 },
    ])
    const id = 'demo-astronomer-solid-mould'
    expect(moulds[id].openings.map((one) => one.id)).toContain(change.id)
    expect(wearOf(moulds[id], id, season).state).toBe('near its end')
  })

  it('the orrery base holds 180 ml', async () => {
    const orrery = pieces.find(({ id }) => id === 'demo-orrery')!
    expect(
      measure((await readForm(orrery.piece.form as Form, undefined, { kernel: solidKernel })).mesh)
        .volume * 1e6,
    ).toBeCloseTo(180, 6)
  })

  it('the meteorite is one closed surface, always the same', () => {
    const mesh = weld(readStl(stl).mesh)
    expect(isClosed(closureOf(mesh))).toBe(true)
    // Euler: a ball has V − E + F = 2, and every edge two faces.
    expect(mesh.positions.length / 3 - mesh.triangles.length / 6).toBe(2)
    expect(writeStl(meteorite())).toEqual(stl)
  })
})
