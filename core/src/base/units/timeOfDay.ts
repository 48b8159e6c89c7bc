import { Problem } from '../problem/index.ts'

/** `22:00`, `22.00`, `22h30`, `9`, `9:30 pm`, `0930`. */
const written = /^(\d{1,2})(?:\s*[:.h]\s*(\d{2})|(?<=\d{2})(\d{2}))?\s*(am|pm|a|p|h)?$/i

/**
 * A time of day as typed, s after midnight. Throws `Problem`: nothing-typed, not-a-time.
 *
 * @example parseTimeOfDay('9:30 pm') // 77400
 */
export function parseTimeOfDay(text: string): number {
  const trimmed = text
    .trim()
    .replace(/\./g, (dot, at: number, all: string) =>
      /[ap]$/i.test(all.slice(0, at)) || /m$/i.test(all.slice(0, at)) ? '' : dot,
    )
  if (trimmed === '') throw new Problem('nothing-typed', { kind: 'time of day' })
  const found = written.exec(trimmed)
  if (!found) throw new Problem('not-a-time', { text })
  const [, hours, after, joined, half] = found
  const minute = Number(after ?? joined ?? 0)
  const twelve = /^[ap]/i.test(half ?? '')
  const hour = Number(hours)
  if (minute > 59 || hour > (twelve ? 12 : 24) || (twelve && hour === 0)) {
    throw new Problem('not-a-time', { text })
  }
  const whole = twelve ? (hour % 12) + (/^p/i.test(half!) ? 12 : 0) : hour
  if (whole === 24 && minute > 0) throw new Problem('not-a-time', { text })
  return whole * 3600 + minute * 60
}
