import { describe, expect, it } from 'vitest'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { readDocument } from '../../base/document/index.ts'
import { Problems } from '../../base/problem/index.ts'
import { resinClasses } from './classes.ts'
import { materialSchema, type Material } from './material.ts'
import { slowEpoxy, violet, whiteUrethane } from './samples.ts'
import { slipsOf } from './slips.ts'

const refusals = (material: unknown) => {
  try {
    readDocument(materialSchema, material)
  } catch (error) {
    if (error instanceof Problems) return error.list.map((p) => `${p.path}: ${sayProblem(p)}`)
  }
  return []
}
const slips = (material: Material) => slipsOf(material).map((c) => sayCaution(c))

describe('a sheet', () => {
  it.each([slowEpoxy, whiteUrethane, violet])('$name is read and has no slips', (material) => {
    expect(readDocument(materialSchema, material)).toEqual(material)
    expect(slipsOf(material)).toEqual([])
  })

  it('a density of 1100 g/ml is refused at its field', () => {
    expect(refusals({ ...slowEpoxy, densityA: 1100 * 1000 })).toEqual([
      'densityA: 1100 g/ml is outside what makes sense here: 0.7 g/ml to 3 g/ml. Check the number and its unit.',
    ])
  })

  it('a ratio of 0 is refused at its field', () => {
    expect(refusals({ ...slowEpoxy, ratio: { by: 'weight', a: 2, b: 0 } })[0]).toMatch(
      /^ratio: A ratio of "2:0" leaves one part out, and nothing would cure/,
    )
  })

  it('a negative limit of a tint is refused', () => {
    expect(refusals({ ...violet, limit: -0.01 })[0]).toMatch(
      /^limit: −1 % is outside what makes sense here/,
    )
  })

  it('an empty name, and several slips at once, each at its place', () => {
    const found = refusals({ ...slowEpoxy, name: ' ', potLife: 1, demould: -5 })
    expect(found.map((line) => line.split(':')[0])).toEqual(['name', 'potLife', 'demould'])
  })

  it('what is not a sheet at all is refused with the place', () => {
    expect(refusals({ kind: 'resin' }).length).toBeGreaterThan(5)
    expect(refusals(null)).toHaveLength(1)
  })
})

describe('slips that are asked about, not refused', () => {
  it('a pot life of 40 s for a deep epoxy', () => {
    expect(slips({ ...slowEpoxy, class: 'deep epoxy', potLife: 40, demould: 60 * 3600 })[0]).toBe(
      'A pot life of 40 s is unusual for a deep-pour epoxy: 1 h 30 min to 24 h is common. Check the number and its unit against the sheet.',
    )
  })

  it('times that contradict each other', () => {
    expect(slips({ ...slowEpoxy, gelTime: 20 * 60 })[0]).toMatch(
      /gel time \(20 min\) is shorter than the pot life \(45 min\)/,
    )
    expect(slips({ ...slowEpoxy, demould: 3600 }).join()).toMatch(
      /demould time \(1 h\) is shorter than the gel time \(2 h\)/,
    )
  })

  it('a dye with the limit of a paste', () => {
    expect(slips({ ...violet, limit: 0.05 })[0]).toMatch(
      /A limit of 5 % is unusual for a dye: 0.05 % to 1 %/,
    )
  })

  it('every class has ranges that contain a usual sheet', () => {
    for (const facts of Object.values(resinClasses)) {
      expect(facts.potLife[0]).toBeLessThan(facts.potLife[1])
      expect(facts.demould[0]).toBeLessThan(facts.demould[1])
      expect(facts.potLife[1]).toBeLessThan(facts.demould[1])
    }
  })
})
