import { describe, expect, it } from 'vitest'
import { resinFieldWords, siliconeFieldWords } from '@mivro/words/material'
import { sayProblem } from '@mivro/words/problem'
import { readDocument } from '../../base/document/index.ts'
import {
  arrivals,
  columns,
  fromJson,
  fromRow,
  toJson,
  toRow,
  twinOf,
  type Row,
} from './exchange.ts'
import { materialSchema, type Material } from './material.ts'
import { partsOnShelf } from './recipe.ts'
import { firmPlatinum, slowEpoxy, softTin, violet, whiteUrethane } from './samples.ts'

const star: Material = { kind: 'inclusion', name: 'Star', density: 8500, mass: 0.0004, note: '' }
const all: Material[] = [slowEpoxy, whiteUrethane, firmPlatinum, softTin, violet, star]
const clean = (material: Material) => JSON.parse(JSON.stringify(material)) as Material
const read = (entry: unknown) => readDocument(materialSchema, entry)

describe('materials as a table', () => {
  it.each(all.map((material) => [material.name, material] as const))(
    '%s goes out and comes back the same',
    (_, material) => {
      const back = fromRow(toRow(material)) as unknown as Record<string, unknown>
      for (const [key, value] of Object.entries(clean(material))) {
        if (typeof value === 'number') expect(back[key] as number).toBeCloseTo(value, 9)
        else expect(back[key]).toEqual(value)
      }
    },
  )

  it('speaks units that a person can check against the sheet', () => {
    const row = toRow(slowEpoxy)
    expect(row).toMatchObject({
      pot_life_min: '45',
      density_a_g_per_ml: '1.14',
      ratio: '2:1',
      ratio_by: 'volume',
      sheet_c: '23',
      max_depth_mm: '20',
      hardness_shore_a: '',
    })
  })

  it('takes for granted what a short table leaves out', () => {
    const row: Row = {
      kind: 'resin',
      name: 'Short',
      class: 'coating epoxy',
      ratio: '2:1',
      density_a_g_per_ml: '1.1',
      density_b_g_per_ml: '1,0',
      pot_life_min: '40',
      demould_min: '1440',
    }
    expect(fromRow(row)).toMatchObject({ sheetTemperature: 296.15, ratio: { by: 'weight' } })
  })

  it('what cannot be read is said at its column', () => {
    const row = toRow(slowEpoxy)
    const problem = (change: Row) => {
      try {
        fromRow({ ...row, ...change })
      } catch (error) {
        return error as { path?: string; code?: string; list?: { path: string; code: string }[] }
      }
      return undefined
    }
    expect(problem({ kind: 'glue' })).toMatchObject({ code: 'unknown-kind', path: 'kind' })
    expect(problem({ ratio: '2 zu viel' })).toMatchObject({ code: 'not-a-ratio', path: 'ratio' })
    expect(problem({ pot_life_min: 'soon' })).toMatchObject({ path: 'pot_life_min' })
    expect(
      problem({ density_a_g_per_ml: '1140' })!.list ?? [problem({ density_a_g_per_ml: '1140' })],
    ).toMatchObject([{ code: 'out-of-range' }])
  })

  it('a name that a table program would run as a formula goes out as text, and comes back', () => {
    const sly = { ...violet, name: '=HYPERLINK("x")' }
    expect(toRow(sly).name.startsWith("'")).toBe(true)
    expect(fromRow(toRow(sly)).name).toBe(sly.name)
  })

  it('every number of a sheet has its column', () => {
    const known = new Set(columns.map(({ field }) => field))
    for (const material of all) {
      for (const [key, value] of Object.entries(clean(material))) {
        if (typeof value === 'number') expect(known).toContain(key)
      }
    }
  })
})

describe('materials as JSON', () => {
  it('go out and come back whole, with what was seen of them', () => {
    const seen: Material = {
      ...slowEpoxy,
      observations: [
        { id: 'a', what: 'pot life', value: 2400, room: 296.15, mass: 0.1, on: '2026-05-04' },
      ],
    }
    expect(fromJson(toJson([seen, violet])).map(read)).toEqual([seen, violet].map(clean))
  })

  it.each([
    ['{', 'it is not JSON'],
    ['{"materials": 4}', 'no list'],
    ['{"materials": [], "version": 9}', 'newer version'],
    ['null', 'no list'],
  ])('%s is refused', (text, words) => {
    try {
      fromJson(text)
      expect.unreachable()
    } catch (error) {
      expect(sayProblem(error as never)).toContain(words)
    }
  })
})

describe('what arrives, against the shelf', () => {
  it('new, the same, another under the same name, and broken with its place', () => {
    const other = { ...slowEpoxy, name: 'CLEAR slow  epoxy 2:1', potLife: 3000 }
    const entries = [clean(violet), clean(slowEpoxy), clean(other), { kind: 'resin', name: 'Half' }]
    const found = arrivals(entries, read, [slowEpoxy])
    expect(found.map(({ state }) => state)).toEqual(['new', 'same', 'differs', 'broken'])
    expect(found[3]).toMatchObject({ at: 3, name: 'Half' })
  })

  it('a file that holds one twice brings it in once', () => {
    expect(arrivals([violet, violet], read, []).map(({ state }) => state)).toEqual(['new', 'same'])
  })

  it('a twin is of the same kind and name', () => {
    expect(twinOf(violet, [violet])).toBeUndefined()
    expect(twinOf({ ...violet, name: ' violet DYE ' }, [violet])).toBe(violet)
  })
})

describe('the sheet’s fields in the trade’s words', () => {
  it('every quantity that a person types has its words, in whole sentences', () => {
    const fields = [
      'potLife',
      'potMass',
      'gelTime',
      'recoatUntil',
      'demould',
      'mixTime',
      'maxDepth',
      'viscosity',
      'peak',
    ] as const
    for (const field of fields) expect(resinFieldWords[field]).toBeDefined()
    for (const words of [...Object.values(resinFieldWords), ...Object.values(siliconeFieldWords)]) {
      expect(words.says).toMatch(/^[A-Z].*\.$/)
      expect(words.decides).toMatch(/^[A-Z].*\.$/)
    }
  })
})

describe('what is no shelf', () => {
  const read = (entry: unknown) => readDocument(materialSchema, entry)

  it('an object where a name should be is said at its row, not shown as a name', () => {
    const [broken] = arrivals([{ kind: 'tint', name: { first: 'x' } }], read, [])
    expect(broken).toMatchObject({ state: 'broken', at: 0, name: '' })
  })

  it('more materials than stand on a shelf are refused with their number', () => {
    const many = JSON.stringify({ materials: Array.from({ length: 501 }, () => ({})) })
    expect(() => fromJson(many)).toThrow('table-too-long')
    expect(fromJson(many.replace(',{}', ''))).toHaveLength(500)
  })
})

describe('recipes and things with traits', () => {
  const recipe: Material = {
    kind: 'recipe',
    name: 'Dusk',
    parts: [
      { material: 'v', name: 'Violet dye', fraction: 0.0015 },
      { name: 'Moonlight mica', fraction: 0.01 },
    ],
    colour: '#8d55ba',
    depth: 0.02,
    note: '',
  }

  it('a recipe goes out as its tints with their shares, and comes back by their names', () => {
    expect(toRow(recipe).tints).toBe('Violet dye 0.15 %; Moonlight mica 1 %')
    const back = fromRow(toRow(recipe))
    expect(back).toMatchObject({ kind: 'recipe', depth: 0.02, colour: '#8d55ba' })
    expect('parts' in back && back.parts).toEqual(
      recipe.parts.map(({ name, fraction }) => ({ name, fraction })),
    )
  })

  it('what reads as no tint with its share is said at its column', () => {
    expect(() => fromRow({ ...toRow(recipe), tints: 'a little violet' })).toThrow('not-a-recipe')
  })

  it('its tints are found by their id, else by their name, and what is missing is named', () => {
    const shelf = [
      { id: 'v', document: { ...violet, name: 'Renamed violet' } },
      { id: 'm', document: { ...violet, name: 'moonlight  MICA' } },
    ]
    expect(partsOnShelf(recipe.parts, shelf).found).toEqual([
      { material: 'v', fraction: 0.0015 },
      { material: 'm', fraction: 0.01 },
    ])
    expect(partsOnShelf(recipe.parts, []).missing).toEqual(['Violet dye', 'Moonlight mica'])
  })

  it('traits and the index of a thing come back', () => {
    const bead = { ...star, traits: ['porous', 'has a face'], index: 1.46, drinks: 0.1 } as Material
    expect(toRow(bead).traits).toBe('porous, has a face')
    expect(fromRow(toRow(bead))).toMatchObject({ traits: ['porous', 'has a face'], index: 1.46 })
  })
})
