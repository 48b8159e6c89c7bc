import { beforeAll, describe, expect, it } from 'vitest'
import { cavityOf, type Vec3 } from '../../form/mesh/index.ts'
import { referenceKernel, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import { areaOfLoop } from '../../form/shape/index.ts'
import { boxOf } from '../box/boxOf.ts'
import { buildBox } from '../box/box.ts'
import { footprint } from '../box/footprint.ts'
import { sampleMould } from '../samples.ts'
import { cutSheet } from './cutSheet.ts'
import { flaggedMaster } from './guide.ts'
import { sideSheets, type BlockSide } from './sides.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const mm = 1e-3

/** An L of 60 x 40 x 20 mm: its upright 20 mm wide at the left, its foot 8 mm tall. */
const angle = () => {
  const { box, meshOf } = reference
  return meshOf(box([0, 0, 0], [60, 40, 8]).add(box([0, 0, 8], [20, 40, 20])))
}
/** Down the middle of its back from the top, over the upright alone: 10 mm to the right of its edge. */
const line = [
  [10, 20, 20],
  [10, 30, 20],
  [10, 40, 20],
  [10, 40, 12],
  [10, 40, 4],
].flatMap((place) => place.map((x) => x * mm))

function sheetsOf() {
  const mesh = angle()
  const up: Vec3 = [0, 0, 1]
  const foot = footprint(mesh, up)
  const sized = sampleMould().box
  const box = buildBox(
    boxOf(sampleMould({ box: { ...sized, side: 0.01, over: 0.012, under: 0.008 } })),
    foot,
  )
  const sheets = sideSheets(reference.kernel, mesh, up, { box, foot, line, out: [0, 1, 0] })
  return (side: BlockSide) => sheets.find((sheet) => sheet.side === side)!
}
const area = (loops: number[][]) => loops.reduce((sum, loop) => sum + areaOfLoop(loop), 0)

describe('sheets for the sides of a block', () => {
  // 10 mm beside, 8 under and 12 over: 80 x 60 x 40 mm. Areas of an L by hand.
  it('are as large as the block, with the piece as it lies behind each', () => {
    const of = sheetsOf()
    const ell = (60 * 8 + 20 * 12) * mm * mm
    for (const [side, width, height, shadow] of [
      ['front', 80, 40, ell],
      ['back', 80, 40, ell],
      ['right', 60, 40, 40 * 20 * mm * mm],
      ['left', 60, 40, 40 * 20 * mm * mm],
      ['top', 80, 60, 60 * 40 * mm * mm],
      ['foot', 80, 60, 60 * 40 * mm * mm],
    ] as const) {
      const sheet = of(side)
      expect(sheet.width / mm).toBeCloseTo(width, 9)
      expect(sheet.height / mm).toBeCloseTo(height, 9)
      expect(area(sheet.silhouette) / shadow).toBeCloseTo(1, 5)
    }
    // Seen from the front the upright stands at the left, from the back at the right.
    const reach = (side: BlockSide) => {
      const tall = of(side).silhouette[0].filter((_, i, all) => i % 2 === 0 && all[i + 1] > 20 * mm)
      return [Math.min(...tall) / mm, Math.max(...tall) / mm]
    }
    expect(reach('front')[0]).toBeCloseTo(10, 4)
    expect(reach('front')[1]).toBeCloseTo(30, 4)
    expect(reach('back')[0]).toBeCloseTo(50, 4)
    expect(reach('back')[1]).toBeCloseTo(70, 4)
  })

  it('carry the line where it lies, and are cut from the side that is nearest', () => {
    const of = sheetsOf()
    // From the back: 10 mm + 60 mm − 10 mm from its left edge; from 28 down to 12 mm above the foot.
    const cutOf = (side: BlockSide) => {
      const { line, cut } = of(side)
      return line.slice(cut!.from, cut!.to + 1)
    }
    const back = cutOf('back')
    for (const [x] of back) expect(x / mm).toBeCloseTo(60, 6)
    expect(back.at(-1)![1] / mm).toBeCloseTo(12, 6)
    const depths = of('back').depths.map(({ depth }) => depth / mm)
    // 16 mm tall: its ends and one or two between.
    expect(depths.length).toBeGreaterThanOrEqual(2)
    expect(depths.at(-1)).toBeCloseTo(10, 6)
    // Over the top it lies 12 mm deep; from 48 mm on the back is as near as the top.
    for (const { depth } of of('top').depths) expect(depth / mm).toBeCloseTo(12, 6)
    const over = cutOf('top')
    expect(over[0][1] / mm).toBeCloseTo(30, 6)
    expect(over.at(-1)![1] / mm).toBeCloseTo(46, 6)
    // From one side to the next there is no gap.
    expect(of('top').cut!.to + 1).toBe(of('back').cut!.from)
    for (const side of ['front', 'left', 'right', 'foot'] as const) {
      expect(of(side).cut).toBeUndefined()
      expect(of(side).depths).toEqual([])
    }
  })

  it('are drawn in true millimetres, the wave 3 mm to both sides of the line', () => {
    const svg = cutSheet(sheetsOf()('back'), {
      title: 'Back',
      note: 'wave outside',
      check: 'check',
      depth: (x) => `${(x * 1000).toFixed(1)} mm`,
    })
    expect(svg).toContain('M0 0H80.00V40.00H0Z')
    const [, wave] = /d="(M[^"]*)"[^>]*data-cut="wave"/.exec(svg)!
    const points = wave
      .split(/[ML]/)
      .slice(1)
      .map((at) => at.split(' ').map(Number))
    // From the top of the skin, 12 mm under the block's, or a little before it.
    expect(points[0]).toEqual([60, 12])
    expect(points.at(-1)).toEqual([60, 28])
    const aside = points.slice(1, -1).map(([x]) => Math.round(Math.abs(x - 60) * 100) / 100)
    expect(new Set(aside)).toEqual(new Set([3]))
    expect(svg.match(/data-cut="end"/g)).toHaveLength(2)
    expect(svg).toContain('>10.0 mm</text>')
    expect(svg).toContain('h50')
    const plain = cutSheet(sheetsOf()('front'), { title: '', note: '', check: '', depth: String })
    expect(plain).not.toContain('data-cut')
  })

  // A fin of 0.6 mm that stands off 3 mm along 20 + 16 mm, its ends rounded: about 0.6 x 3 x 36 mm³ and more at the bend.
  it('go with a master that carries a flag along the line, closed', () => {
    const mesh = angle()
    const normals = [
      [0, 0, 1],
      [0, 0, 1],
      [0, Math.SQRT1_2, Math.SQRT1_2],
      [0, 1, 0],
      [0, 1, 0],
    ].flat()
    const made = cavityOf(flaggedMaster(reference.kernel, mesh, line, normals))
    expect(made.closure.openEdges).toBe(0)
    const flag = (made.measures.volume - cavityOf(mesh).measures.volume) / mm ** 3
    expect(flag).toBeGreaterThan(0.6 * 3 * 36)
    expect(flag).toBeLessThan(0.6 * 3 * 36 * 1.4)
  })
})
