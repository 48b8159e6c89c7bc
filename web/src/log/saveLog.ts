import type { LogRow } from '@mivro/core/pull'
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
  'room °C': Math.round((row.room - 273.15) * 10) / 10,
  'humidity %': row.humidity === undefined ? '' : Math.round(100 * row.humidity),
  'mending min': Math.round(row.mending / 6) / 10,
  notes: row.said,
})
