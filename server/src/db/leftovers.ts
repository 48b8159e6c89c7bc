import { readdirSync, rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'

/** A backup that is packed, one that comes in, and the store that is made of it. */
type Passing = 'packed' | 'upload' | 'incoming'

/** Where a job puts what it works on: beside the store, on the same disk. */
export const besideStore = (file: string, job: string, what: Passing): string =>
  `${file}.${job}.${what}`

/** The endings of what lies beside a store only while something is done with it. */
const passing = /\.(packed|upload|incoming(-wal|-shm|-journal)?)$|^\.making(-wal|-shm|\.copy)?$/

/** Removes what a kill left beside a store, which has to be held; says what. */
export function sweep(file: string): string[] {
  const folder = dirname(file)
  const own = basename(file)
  const left = readdirSync(folder).filter(
    (name) => name.startsWith(own) && passing.test(name.slice(own.length)),
  )
  for (const name of left) rmSync(join(folder, name), { force: true })
  return left
}
