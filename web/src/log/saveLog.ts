import type { LogRow } from '@mivro/core/work/pull'
import { findUnit, fromSI } from '@mivro/core/base/units'
import { download } from '../ui/download.ts'

/** The rows of a log as a file; temperatures in °C and times in minutes, as people write them. */
export async function saveLog(rows: readonly LogRow[], as: 'csv' | 'json'): Promise<void> {
  if (as === 'json') {
    const text = JSON.stringify({ mivro: 'log', version: 1, pulls: rows }, null, 1)
    download('log.json', text, 'application/json')
    return
  }
  const { default: papa } = await import('papaparse')
  const text = papa.unparse(rows.map(asLine), { escapeFormulae: true })
  download('log.csv', text, 'text/csv')
}

/** In a unit, to a tenth or a whole. */
const written = (value: number, unit: string, to: 1 | 10): number =>
  Math.round(fromSI(value, findUnit(unit)!) * to) / to

const asLine = (row: LogRow) => ({
  poured: row.pouredAt,
  piece: row.pieceName,
  mould: row.mouldName ?? '',
  resins: row.resins.join(', '),
  copies: row.copies,
  good: row.good,
  mended: row.mended,
  lost: row.lost,
  faults: row.faults.join(', '),
  'against bubbles': row.way ?? '',
  'room °C': written(row.room, '°C', 10),
  'humidity %': row.humidity === undefined ? '' : written(row.humidity, '%', 1),
  'mending min': written(row.mending, 'min', 10),
  notes: row.said,
})
