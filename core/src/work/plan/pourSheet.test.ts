import { describe, expect, it } from 'vitest'
import { buildSolid } from '../../form/shape/index.ts'
import { fillCurve } from '../../form/filling/index.ts'
import { slowEpoxy } from '../../matter/material/samples.ts'
import { compile } from './compile/compile.ts'
import { newPlan, type Layer, type Plan } from './plan.ts'
import { pourSheet } from './pourSheet.ts'

const mm = 1e-3
const curve = fillCurve(
  buildSolid({ solid: 'block', width: 40 * mm, depth: 50 * mm, height: 30 * mm }),
  [0, 0, 1],
)
const layer = (id: string, top: number, resin: string | undefined = 'epoxy'): Layer => ({
  id,
  name: id.toUpperCase(),
  fill: { by: 'height', top: top * mm },
  ...(resin === '' ? {} : { resin }),
  tints: [],
  inclusions: [],
  join: 'crisp',
})
const answer = (layers: Layer[], more: Partial<Plan> = {}) =>
  compile(
    { ...newPlan('test'), room: 296.15, layers, ...more },
    curve,
    new Map([['epoxy', slowEpoxy]]),
  )

describe('the pour sheet', () => {
  it('goes layer by layer and ends with demoulding', () => {
    const sheet = pourSheet(answer([layer('a', 15), layer('b', 30)]))
    expect(sheet.map((s) => [s.step, s.layer?.name])).toEqual([
      ['weigh', 'A'],
      ['mix', 'A'],
      ['pour', 'A'],
      ['weigh', 'B'],
      ['mix', 'B'],
      ['pour', 'B'],
      ['demould', undefined],
    ])
  })

  it('gates are trimmed of the layer that fills them, and of none in an open mould', () => {
    const layers = [layer('a', 15), layer('b', 30)]
    const trims = (mould: 'open' | 'closed') => {
      const compiled = answer(layers, { mould })
      const clocks = compiled.layers.map(({ clock }) => clock!.trimAt)
      const [hard, rubbery] = (['hard', 'rubbery'] as const).map((out) =>
        pourSheet(compiled, { out }).at(-1)!,
      )
      return { clocks, hard, rubbery }
    }
    const open = trims('open')
    expect(open.clocks).toEqual([undefined, undefined])
    // Without gates there is nothing to cut: it comes out hard, whatever was chosen.
    expect(open.rubbery.at).toBe(open.hard.at)
    expect(open.rubbery.out).toMatchObject({ gated: false, rubbery: false })
    const { clocks, hard, rubbery } = trims('closed')
    expect(clocks[0]).toBeUndefined()
    expect(hard.out).toMatchObject({ gated: true, rubbery: false, hardAt: hard.at })
    expect(rubbery.at).toBe(clocks[1])
    expect(rubbery.out).toMatchObject({ rubbery: true, hardAt: hard.at })
    expect(rubbery.at).toBeLessThan(hard.at!)
  })

  it('leaves out what cannot be poured, and is empty without any', () => {
    expect(pourSheet(answer([layer('a', 15, '')]))).toEqual([])
  })
})
