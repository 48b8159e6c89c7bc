/** What the rule needs of a version. */
export interface KeptVersion {
  revision: number
  change: string
  /** ISO 8601. */
  at: string
  name?: string | null
}

const hour = 3600_000
const day = 24 * hour

/** Every gesture is kept for so long, then one an hour until the second, then one a day, ms. */
const everyGesture = 7 * day
const oneAnHour = 60 * day

/**
 * The versions that may go. Every gesture of the last seven days stays, of older ones the last of
 * each hour, of those older than sixty days the last of each day. The first and the newest stay,
 * a deletion and a restoring, and whatever was given a name. `versions` in order; `now` in ms.
 *
 * Source: common practice of backups, no source; the spans are ours.
 *
 * @example thinned([], 0) // []
 */
export function thinned(versions: readonly KeptVersion[], now: number): number[] {
  const going: number[] = []
  versions.forEach((version, i) => {
    const next = versions[i + 1]
    if (i === 0 || !next || version.name || lasting.has(version.change)) return
    const span = spanOf(Date.parse(version.at), now)
    if (span === undefined) return
    const slot = (at: string) => Math.floor(Date.parse(at) / span)
    if (slot(version.at) === slot(next.at)) going.push(version.revision)
  })
  return going
}

const lasting = new Set(['made', 'deleted', 'restored'])

function spanOf(at: number, now: number): number | undefined {
  if (now - at <= everyGesture) return undefined
  return now - at <= oneAnHour ? hour : day
}
