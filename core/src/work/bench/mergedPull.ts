import type { Pull } from '../pull/index.ts'

const linesOf = (note: string): string[] => note.split('\n').filter((line) => line !== '')

/** What is kept, with what came since, and without what was taken back. */
function merged<T>(
  kept: readonly T[],
  now: readonly T[],
  before: readonly T[],
  key: (one: T) => string,
): T[] {
  const gone = new Set(before.map(key))
  for (const one of now) gone.delete(key(one))
  const there = new Set(kept.map(key))
  return [
    ...kept.filter((one) => !gone.has(key(one))),
    ...now.filter((one) => !there.has(key(one))),
  ]
}

/**
 * A pull of the log as its bench tells it now: amounts, times and the way are the bench's; results,
 * pins, changes and what was typed stay. `before` is what the bench told last, so that what was taken
 * back since goes out of the log too.
 *
 * @example mergedPull({ ...pullOf12Copies, note: 'typed' }, { ...pullOf12Copies, note: 'It froths' }).note // 'typed\nIt froths'
 */
export function mergedPull(kept: Pull, now: Pull, before: Pull = kept): Pull {
  const { layers, room, humidity, lots, method, times, copies, mishaps } = now
  const earlier = before === kept ? [] : linesOf(before.note)
  const pictures = before === kept ? [] : (before.pictures ?? [])
  return {
    ...kept,
    ...{ layers, room, humidity, lots, method, times, copies, mishaps },
    note: merged(linesOf(kept.note), linesOf(now.note), earlier, (line) => line).join('\n'),
    pictures: merged(kept.pictures ?? [], now.pictures ?? [], pictures, ({ id }) => id),
  }
}
