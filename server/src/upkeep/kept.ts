import { readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** A store that a restore replaced is kept for so long, ms, and the newest of them always. */
const keptFor = 30 * 24 * 3600_000
const always = 3

/** Removes stores that restores replaced long ago, and uploads that a kill left behind. */
export function removeOldCopies(folder: string, now: number): string[] {
  const files = readdirSync(folder)
  const age = (name: string) => now - statSync(join(folder, name)).mtimeMs
  const copies = files.filter((name) => /^before-restore-.*\.(sqlite|zip)$/.test(name)).sort()
  const going = [
    ...copies.slice(0, Math.max(0, copies.length - always)).filter((name) => age(name) > keptFor),
    ...files.filter(
      (name) => /\.zip\.part$|\.incoming(-wal|-shm|-journal)?$/.test(name) && age(name) > 3600_000,
    ),
  ]
  for (const name of going) rmSync(join(folder, name), { force: true })
  return going
}
