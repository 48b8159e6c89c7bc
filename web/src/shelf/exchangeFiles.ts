import { readDocument } from '@mivro/core/base/document'
import {
  arrivals,
  columns,
  few,
  mostArrivals,
  fromJson,
  fromRow,
  materialSchema,
  toJson,
  toRow,
  type Arrival,
  type Material,
  type Row,
} from '@mivro/core/matter/material'
import { Problem } from '@mivro/core/base/problem'

export const fileKinds = '.csv,.json,text/csv,application/json'

/** No shelf is larger than this, bytes. */
const largest = 5e6

/** What a CSV or JSON file holds, against the shelf. Throws `Problem` where nothing can be read. */
export async function readArrivals(file: File, shelf: readonly Material[]): Promise<Arrival[]> {
  if (file.size > largest) {
    throw new Problem('file-too-large', { bytes: file.size, limit: largest })
  }
  const text = await file.text()
  if (text.trim() === '') throw new Problem('file-empty', {})
  if (/^\s*[{[]/.test(text)) {
    return arrivals(fromJson(text), (entry) => readDocument(materialSchema, entry), shelf)
  }
  const { default: papa } = await import('papaparse')
  const { data, meta } = papa.parse<Row>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    // One row more than is taken tells that there are too many.
    preview: mostArrivals + 1,
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  if (!meta.fields?.includes('kind') || !meta.fields.includes('name')) {
    throw new Problem('file-broken', { format: 'CSV', fault: 'no-columns' })
  }
  return arrivals(few(data), (row) => fromRow(row as Row), shelf)
}

/** The shelf as a table. */
export async function toCsv(materials: readonly Material[]): Promise<string> {
  const { default: papa } = await import('papaparse')
  const fields = columns.map(({ name }) => name)
  return papa.unparse({ fields, data: materials.map(toRow) as unknown as string[][] })
}

export { toJson }
