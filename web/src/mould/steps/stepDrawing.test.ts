import { describe, expect, it } from 'vitest'
import { buildBox, footprint, newMould, type Mould } from '@mivro/core/mould'
import { buildSolid } from '@mivro/core/form/shape'
import { section } from '@mivro/core/form/filling'
import { stepDrawing } from './stepDrawing.ts'

const mesh = buildSolid({ solid: 'drop', width: 0.04, height: 0.05, facets: 8 })
const foot = footprint(mesh, [0, 0, 1])
const cut = section(mesh, [0, 0, 1])
const [width, height] = [460, 560]
const gate: Mould['openings'][number] = {
  ...{ id: 'g', what: 'gate', bore: 0.006, made: 'cast in' },
  at: [0, 0, 0.05],
}

const draw = (more: Partial<Mould> = {}, turned = false, boxed = true) => {
  const mould = {
    ...newMould('m', 'p', [0, 0, 1], 0.05),
    openings: [{ ...gate }],
    ...more,
  } as Mould
  const box = boxed ? buildBox(mould.box, foot) : undefined
  const of = { mould, foot, box, parting: 0.02, section: cut, turned }
  return { box, ...stepDrawing(of, width, height) }
}
const ys = (path: string) =>
  [...path.matchAll(/-?[\d.]+/g)].map(Number).filter((_, i) => i % 2 === 1)

describe('a mould as it stands at a step', () => {
  it('lies on the picture, its master between floor and fill line', () => {
    const { left, right, floor, fill, master, box, scale } = draw()
    expect(left).toBeGreaterThan(0)
    expect(right).toBeLessThan(width)
    expect(fill).toBeGreaterThan(0)
    expect(floor).toBeLessThan(height)
    expect(floor - Math.max(...ys(master))).toBeCloseTo(box!.under * scale, 0)
    expect(Math.min(...ys(master)) - fill).toBeCloseTo(box!.over * scale, 0)
  })

  it('two halves part so high above the floor as the mould has it; a block does not part', () => {
    const { parting, floor, box, scale } = draw({ kind: 'two-part' })
    expect(floor - parting!).toBeCloseTo((box!.under + 0.02) * scale, 6)
    expect(draw({ kind: 'cut block' }).parting).toBeUndefined()
  })

  it('a rod stands on its gate: at the tip, and at the floor where it is turned over', () => {
    const upright = draw()
    expect(upright.rods).toHaveLength(1)
    expect(upright.rods[0].y).toBeCloseTo(Math.min(...ys(upright.master)), 0)
    const turned = draw({}, true)
    expect(turned.rods[0].y).toBeCloseTo(Math.max(...ys(turned.master)), 0)
    expect(draw({ openings: [{ ...gate, made: 'cut later' }] }).rods).toEqual([])
  })

  it('a printed shell stands around its master by layer and wall, and parts where the mould does', () => {
    const layer = 0.008
    const shellWall = 0.003
    const found = draw({ kind: 'printed shell', layer, shellWall })
    const { jacket, parting, floor, left, right, scale, master, rods } = found
    expect(jacket!.inside / scale).toBeCloseTo(2 * layer, 9)
    expect(jacket!.outside / scale).toBeCloseTo(2 * (layer + shellWall), 9)
    expect(floor - Math.max(...ys(master))).toBeCloseTo((layer + shellWall) * scale, 0)
    expect(floor - parting!).toBeCloseTo((layer + shellWall + 0.02) * scale, 6)
    expect((right - left) / scale).toBeCloseTo(0.04 + 2 * (layer + shellWall), 2)
    expect(rods).toHaveLength(1)
    expect(draw({ kind: 'two-part' }).jacket).toBeUndefined()
  })

  it('a sock has neither box nor rods, and still all of it is seen', () => {
    const { left, right, fill, rods, coat } = draw({ kind: 'brushed sock' }, false, false)
    expect(left).toBeGreaterThan(0)
    expect(right).toBeLessThan(width)
    expect(fill).toBeGreaterThan(0)
    expect(rods).toEqual([])
    expect(coat).toBeGreaterThanOrEqual(2)
  })
})
