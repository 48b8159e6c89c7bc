import { describe, expect, it } from 'vitest'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { type CautionCode } from '../base/caution/index.ts'
import { readDocument } from '../base/document/index.ts'
import { firmPlatinum } from '../matter/material/samples.ts'
import type { Problems } from '../base/problem/index.ts'
import { compileMould } from './compile.ts'
import { mouldSchema, newMould, usualClearance, withKind, type Mould } from './mould.ts'
import { block60, geometryOfSolid, sampleMould } from './samples.ts'

const geometry = geometryOfSolid(block60)
const codes = (values: Partial<Mould>, silicone: typeof firmPlatinum | undefined = firmPlatinum) =>
  compileMould(sampleMould(values), geometry, silicone, 1e-4).cautions
const has = (values: Partial<Mould>, code: CautionCode, silicone?: typeof firmPlatinum) =>
  codes(values, silicone).find((caution) => caution.code === code)

describe('the mould document', () => {
  it('a new one is taken by its schema as it is', () => {
    const mould = newMould('Mould of a bear', 'bear', [0, 0, -1], 0.09)
    expect(readDocument(mouldSchema, mould)).toEqual(mould)
  })

  // 8 to 12 mm for small pieces, about 25 mm for large; 3 to 6 mm over miniatures (common practice).
  it('clearances go by size', () => {
    expect(usualClearance(0.03)).toEqual({ side: 0.008, over: 0.005 })
    expect(usualClearance(0.08)).toEqual({ side: 0.01, over: 0.012 })
    expect(usualClearance(0.3)).toEqual({ side: 0.025, over: 0.02 })
  })

  const refused = (values: object) => {
    try {
      readDocument(mouldSchema, { ...sampleMould(), ...values })
    } catch (error) {
      return (error as Problems).list.map((problem) => [problem.path, sayProblem(problem)])
    }
    return []
  }
  it.each([
    [{ loss: 0.9 }, 'loss', /0 % to 60 %/],
    [{ coats: 0 }, 'coats', /whole number from 1 to 8/],
    [{ masterUp: [0, 0, 0] }, 'masterUp', /Which way is up/],
    [{ wish: { ...sampleMould().wish, copies: 1.5 } }, 'wish.copies', /whole number/],
    [{ box: { ...sampleMould().box, shape: 'cup' } }, 'box.own', /A cup needs its sizes/],
    [{ pressure: 5e6 }, 'pressure', /outside what makes sense/],
  ])('%o is refused at its place', (values, path, sentence) => {
    const [[at, says]] = refused(values)
    expect(at).toBe(path)
    expect(says).toMatch(sentence)
  })
})

describe('what a mould is cautioned about', () => {
  it('silicone: not chosen, or gone from the shelf', () => {
    const none = compileMould(sampleMould(), geometry, undefined, 1e-4).cautions
    expect(none.map(({ code }) => code)).toContain('silicone-not-chosen')
    const gone = compileMould(sampleMould({ silicone: 'x' }), geometry, undefined, 1e-4).cautions
    expect(gone.map(({ code }) => code)).toContain('silicone-gone')
  })

  it('walls that give: braced in so many places', () => {
    const soft = has(
      { box: { ...sampleMould().box, wall: 'foam board', wallThickness: 0.003, over: 0.15 } },
      'wall-bulges',
    )!
    expect(sayCaution(soft)).toMatch(
      /^The walls give \d+\.\d mm under 1\.\d\d kPa at the foot\. Brace each wall in \d+ places?/,
    )
    expect(
      has({ box: { ...sampleMould().box, wall: 'acrylic', wallThickness: 0.006 } }, 'wall-bulges'),
    ).toBeUndefined()
    expect(
      has(
        { box: { ...sampleMould().box, shape: 'round', wall: 'foam board', wallThickness: 0.003 } },
        'wall-bulges',
      ),
    ).toBeUndefined()
  })

  it('a box that is too thin, and one that wastes its corners', () => {
    expect(has({ box: { ...sampleMould().box, side: 0.004 } }, 'box-thin')!.amounts).toEqual({
      clearance: expect.closeTo(0.004, 9),
      wanted: 0.01,
    })
    const round = { ...sampleMould().box, shape: 'round' as const }
    expect(sayCaution(has({ box: round }, 'box-large')!)).toMatch(
      /follows the outline would save \d+\.\d ml/,
    )
    expect(has({ box: round, filler: 5e-5 }, 'box-large')).toBeUndefined()
  })

  it('a batch that outlives the pot life, and batches that part', () => {
    const quick = { ...firmPlatinum, potLife: 300 }
    expect(has({}, 'batch-outlives-pot', { ...firmPlatinum, potLife: 120 })).toBeDefined()
    expect(has({ cup: 5e-5 }, 'batches-part', quick)!.amounts).toMatchObject({ potLife: 300 })
    expect(codes({}).map(({ code }) => code)).not.toContain('batches-part')
  })

  it('too few coats for the pulls, and a shell too thin to print', () => {
    const wish = { ...sampleMould().wish, copies: 20 }
    expect(sayCaution(has({ kind: 'brushed sock', coats: 2, wish }, 'coats-few')!)).toBe(
      '2 coats last about 6 pulls, and 20 are wanted. One coat more gives about six pulls more.',
    )
    expect(has({ kind: 'brushed sock', coats: 5, wish }, 'coats-few')).toBeUndefined()
    expect(has({ kind: 'printed shell', shellWall: 0.0005 }, 'shell-thin')!.severity).toBe('stop')
  })

  it('bubbles that would dent, unless vacuum or pressure took them', () => {
    expect(has({}, 'dents-under-pressure')).toBeDefined()
    expect(has({ vessel: 0.003 }, 'dents-under-pressure')).toBeUndefined()
    expect(has({ pressure: 2.7e5 }, 'dents-under-pressure')).toBeUndefined()
  })

  it('a bought mould asks for nothing', () => {
    expect(codes({ kind: 'bought' })).toEqual([])
  })

  it('measured room beats all sums', () => {
    const { need } = compileMould(sampleMould({ measuredRoom: 2e-4 }), geometry, firmPlatinum, 1e-4)
    expect(need!.volume).toBeCloseTo(2e-4 * 1.1, 12)
  })
})

describe('another kind of mould', () => {
  it('is turned over on the way to an open block and back, wherever it is chosen', () => {
    const mould = {
      ...newMould('M', 'p', [0, 0, 1], 0.05),
      kind: 'two-part' as const,
      parting: 0.01,
    }
    const block = withKind(mould, 'open block')
    expect([block.masterUp.map((x) => x + 0), block.parting]).toEqual([[0, 0, -1], undefined])
    expect(withKind(block, 'open block').masterUp.map((x) => x + 0)).toEqual([0, 0, -1])
    expect(withKind(block, 'cut block').masterUp.map((x) => x + 0)).toEqual([0, 0, 1])
  })
})
