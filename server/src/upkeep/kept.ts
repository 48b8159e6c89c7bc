import { readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** A store that a restore replaced is kept for so long, ms, and the newest of them always. */
const keptFor = 30 * 24 * 3600_000
const always = 3

/** Removes stores that restores replaced long ago. */
export function removeOldCopies(folder: string, now: number): string[] {
  const files = readdirSync(folder)
  const age = (name: string) => now - statSync(join(folder, name)).mtimeMs
  const copies = files.filter((name) => /^before-restore-.*\.(sqlite|zip)$/.test(name)).sort()
  const older = copies.slice(0, Math.max(0, copies.length - always))
  const going = older.filter((name) => age(name) > keptFor)
  for (const name of going) rmSync(join(folder, name), { force: true })
  return going
}
