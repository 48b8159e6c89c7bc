import { readDocument } from '../../base/document/index.ts'
import { Problem, problemsOf, type Problem as AnyProblem } from '../../base/problem/index.ts'
import { parseNumber, parseRatio } from '../../base/units/index.ts'
import { materialSchema, type Material, type MaterialKind } from './material.ts'
import type { RecipePart } from './recipe.ts'

/** A column of the table: its name, which kinds have it, and how SI is written in it. */
interface Column {
  name: string
  field: string
  kinds: readonly MaterialKind[]
  /** Written × factor + offset = SI; without one it is text. */
  unit?: { factor: number; offset?: number }
  /** Several in one cell. */
  list?: { write: (value: never) => string; read: (text: string) => unknown }
}

/** Words with commas between. */
const words = {
  write: (all: readonly string[]) => all.join(', '),
  read: (text: string) => text.split(',').map((word) => word.trim().toLowerCase()),
}

/** Tints of a recipe, each with its share: "Violet dye 0.15 %; Moonlight mica 1 %". */
const parts = {
  write: (all: readonly RecipePart[]) =>
    all
      .map(({ name, fraction }) => `${name.replaceAll(';', ',')} ${written(fraction * 100)} %`)
      .join('; '),
  read: (text: string): RecipePart[] =>
    text.split(';').map((one) => {
      const [, name, share] = /^(.+?)\s+(\S+)\s*%$/.exec(one.trim()) ?? []
      if (!name) throw new Problem('not-a-recipe', { text: one.trim() })
      return { name, fraction: parseNumber(share) / 100 }
    }),
}

const minute = { factor: 60 }
const gram = { factor: 1e-3 }
const perMl = { factor: 1e3 }
const mm = { factor: 1e-3 }
const percent = { factor: 1e-2 }
const celsius = { factor: 1, offset: 273.15 }
const seconds = { factor: 1 }
const both = ['resin', 'silicone'] as const
const all = ['resin', 'silicone', 'tint', 'inclusion', 'recipe'] as const

/**
 * The table of materials: one row each, units in the column's name. An empty cell is a value that
 * the sheet does not give. What was seen at the bench, drops counted, chips and own forms of things
 * are in the JSON only.
 */
export const columns: readonly Column[] = [
  { name: 'kind', field: 'kind', kinds: all },
  { name: 'name', field: 'name', kinds: all },
  { name: 'class', field: 'class', kinds: ['resin'] },
  { name: 'chemistry', field: 'chemistry', kinds: ['silicone'] },
  { name: 'form', field: 'form', kinds: ['tint'] },
  { name: 'ratio', field: 'ratio', kinds: both },
  { name: 'ratio_by', field: 'ratioBy', kinds: both },
  { name: 'density_a_g_per_ml', field: 'densityA', kinds: both, unit: perMl },
  { name: 'density_b_g_per_ml', field: 'densityB', kinds: both, unit: perMl },
  { name: 'density_g_per_ml', field: 'density', kinds: ['tint', 'inclusion'], unit: perMl },
  { name: 'pot_life_min', field: 'potLife', kinds: both, unit: minute },
  { name: 'pot_mass_g', field: 'potMass', kinds: ['resin'], unit: gram },
  { name: 'pot_life_means', field: 'potLifeMeans', kinds: ['resin'] },
  { name: 'peak_c', field: 'peak', kinds: ['resin'], unit: celsius },
  { name: 'gel_min', field: 'gelTime', kinds: ['resin'], unit: minute },
  { name: 'recoat_until_min', field: 'recoatUntil', kinds: ['resin'], unit: minute },
  { name: 'demould_min', field: 'demould', kinds: both, unit: minute },
  { name: 'mix_s', field: 'mixTime', kinds: both, unit: seconds },
  { name: 'sheet_c', field: 'sheetTemperature', kinds: both, unit: celsius },
  { name: 'viscosity_pa_s', field: 'viscosity', kinds: both, unit: { factor: 1 } },
  { name: 'max_depth_mm', field: 'maxDepth', kinds: ['resin'], unit: mm },
  { name: 'shrinkage_percent', field: 'shrinkage', kinds: both, unit: percent },
  { name: 'hardness_shore_a', field: 'hardness', kinds: ['silicone'], unit: { factor: 1 } },
  { name: 'clarity', field: 'clarity', kinds: ['silicone'] },
  { name: 'kit_g', field: 'kitMass', kinds: ['silicone'], unit: gram },
  { name: 'kit_price', field: 'kitPrice', kinds: ['silicone'], unit: { factor: 1 } },
  { name: 'limit_percent', field: 'limit', kinds: ['tint'], unit: percent },
  { name: 'mass_g', field: 'mass', kinds: ['inclusion'], unit: gram },
  { name: 'thickness_mm', field: 'thickness', kinds: ['inclusion'], unit: mm },
  { name: 'shape', field: 'shape', kinds: ['inclusion'] },
  { name: 'refractive_index', field: 'index', kinds: ['inclusion'], unit: { factor: 1 } },
  { name: 'traits', field: 'traits', kinds: ['inclusion'], list: words },
  { name: 'drinks_percent', field: 'drinks', kinds: ['inclusion'], unit: percent },
  { name: 'heat_limit_c', field: 'heatLimit', kinds: ['resin', 'inclusion'], unit: celsius },
  { name: 'body', field: 'body', kinds: ['resin'] },
  { name: 'thinned_with', field: 'carrier', kinds: ['tint'] },
  { name: 'covers_from_mm', field: 'hides', kinds: ['tint'], unit: mm },
  { name: 'flake_mm', field: 'flake', kinds: ['tint'], unit: mm },
  { name: 'toothpick_tip_g', field: 'tip', kinds: ['tint'], unit: gram },
  { name: 'tints', field: 'parts', kinds: ['recipe'], list: parts },
  { name: 'seen_at_mm', field: 'depth', kinds: ['recipe'], unit: mm },
  { name: 'tint_into', field: 'tintInto', kinds: ['resin'] },
  { name: 'name_a', field: 'nameA', kinds: both },
  { name: 'name_b', field: 'nameB', kinds: both },
  { name: 'colour', field: 'colour', kinds: all },
  { name: 'note', field: 'note', kinds: all },
]

export type Row = Record<string, string>

/** What a table program would take for a formula is written as text. */
const formula = /^[=+\-@\t\r]/
const guarded = (text: string) => (formula.test(text) ? `'${text}` : text)
const unguarded = (text: string) =>
  formula.test(text.slice(1)) && text[0] === "'" ? text.slice(1) : text

/** Digits that come back as the very same number of SI. */
const written = (value: number) => String(Number(value.toPrecision(12)))

/** A material as a row of the table. @example toRow(slowEpoxy).pot_life_min // '45' */
export function toRow(material: Material): Row {
  const flat = material as unknown as Record<string, unknown>
  return Object.fromEntries(
    columns.map(({ name, field, kinds, unit, list }) => {
      if (!kinds.includes(material.kind)) return [name, '']
      if (field === 'ratio' || field === 'ratioBy') {
        const { a, b, by } = flat.ratio as { a: number; b: number; by: string }
        return [name, field === 'ratio' ? `${a}:${b}` : by]
      }
      const value = flat[field]
      if (value === undefined) return [name, '']
      if (list) return [name, guarded(list.write(value as never))]
      if (!unit) return [name, guarded(String(value))]
      return [name, written(((value as number) - (unit.offset ?? 0)) / unit.factor)]
    }),
  )
}

/** What the table takes for granted where a cell is empty. */
const usual: Partial<Record<MaterialKind, Record<string, unknown>>> = {
  resin: {
    mixTime: 240,
    sheetTemperature: 296.15,
    tintInto: 'A',
    nameA: 'Part A',
    nameB: 'Part B',
    colour: '#f1e2b8',
  },
  silicone: {
    mixTime: 240,
    sheetTemperature: 296.15,
    nameA: 'Part A',
    nameB: 'Part B',
    colour: '#cfe0df',
    clarity: 'translucent',
  },
  tint: { colour: '#3f7fa0', density: 1100 },
  recipe: { colour: '#3f7fa0', depth: 0.01 },
}

/**
 * A row of the table as a material. Throws `Problem` or `Problems`: what cannot be read, at its
 * column.
 */
export function fromRow(row: Row): Material {
  const kind = (row.kind ?? '').trim().toLowerCase() as MaterialKind
  if (!all.includes(kind)) throw new Problem('unknown-kind', { text: row.kind ?? '' }, 'kind')
  const draft: Record<string, unknown> = { ...usual[kind], kind, note: '' }
  for (const { name, field, kinds, unit, list } of columns) {
    const text = unguarded((row[name] ?? '').trim())
    if (!kinds.includes(kind) || text === '' || field === 'kind') continue
    try {
      if (field === 'ratio') draft.ratio = { by: ratioBy(row), ...parseRatio(text) }
      else if (field === 'ratioBy') continue
      else if (list) draft[field] = list.read(text)
      else if (!unit) draft[field] = text
      else draft[field] = parseNumber(text) * unit.factor + (unit.offset ?? 0)
    } catch (error) {
      throw (problemsOf(error)[0] as AnyProblem).at(name)
    }
  }
  return readDocument(materialSchema, draft)
}

const ratioBy = (row: Row): string => (row.ratio_by ?? '').trim().toLowerCase() || 'weight'

/** The materials of a JSON file of ours. Throws `Problem` or `Problems`. */
export function fromJson(text: string): unknown[] {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    throw new Problem('file-broken', { format: 'JSON', fault: 'not-json' })
  }
  const list = (read as { format?: unknown; materials?: unknown } | null)?.materials
  if (!Array.isArray(list)) {
    throw new Problem('file-broken', { format: 'JSON', fault: 'no-materials' })
  }
  const { version = 1 } = read as { version?: number }
  if (version > exchangeVersion) {
    throw new Problem('file-broken', { format: 'JSON', fault: 'newer-version' })
  }
  return few(list)
}

export const exchangeVersion = 1

/** More materials than this stand on no shelf. */
export const mostArrivals = 500

/** Throws `Problem('table-too-long')`. */
export function few<T>(entries: T[]): T[] {
  if (entries.length <= mostArrivals) return entries
  throw new Problem('table-too-long', { rows: entries.length, limit: mostArrivals })
}

/** All materials as one JSON file, in SI units, with what was seen of them. */
export const toJson = (materials: readonly Material[]): string =>
  JSON.stringify({ format: 'mivro-materials', version: exchangeVersion, materials }, null, 2)

/** A material as one that is read stands to the shelf. */
export type Arrival =
  | { state: 'new' | 'same' | 'differs'; material: Material }
  | { state: 'broken'; at: number; name: string; problems: readonly AnyProblem[] }

/**
 * What a file holds against what is on the shelf: new, the very same, or another under the same
 * name; and what cannot be read, with its place.
 */
export function arrivals(
  entries: readonly unknown[],
  read: (entry: unknown) => Material,
  shelf: readonly Material[],
): Arrival[] {
  const known = new Map(shelf.map((material) => [twinKey(material), material]))
  return entries.map((entry, at): Arrival => {
    let material: Material
    try {
      material = read(entry)
    } catch (error) {
      const { name: given } = (entry ?? {}) as { name?: unknown }
      const name = typeof given === 'string' ? given : ''
      return { state: 'broken', at, name, problems: problemsOf(error) }
    }
    const twin = known.get(twinKey(material))
    known.set(twinKey(material), material)
    if (!twin) return { state: 'new', material }
    return { state: toComparable(twin) === toComparable(material) ? 'same' : 'differs', material }
  })
}

/** One of the same kind and name, however it is written. */
export function twinOf(material: Material, others: readonly Material[]): Material | undefined {
  const key = twinKey(material)
  return others.find((other) => other !== material && twinKey(other) === key)
}

const twinKey = ({ kind, name }: Material): string =>
  `${kind} ${name.toLowerCase().replace(/\s+/g, ' ').trim()}`

const toComparable = (material: Material): string => JSON.stringify(toRow(material))
