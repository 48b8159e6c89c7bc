import type { LayerClock } from '@mivro/core/work/plan'

export interface TimeAxis {
  x: (seconds: number) => number
  /** The time at a place, s. */
  at: (x: number) => number
  ticks: { at: number; x: number }[]
  end: number
}

const minute = 60
const hour = 3600

/** Moments worth a tick, s. */
const ladder = [
  ...[1, 2, 3, 5, 10, 15, 20, 30, 45].map((m) => m * minute),
  ...[
    1, 1.5, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 24, 30, 36, 48, 60, 72, 96, 120, 144, 168, 240, 336,
  ].map((h) => h * hour),
]

/** Long waits are compressed: a stretch gets room by this power of its duration. */
const compression = 0.42

/** No stretch between two moments shrinks below this share of an even split. */
const leastShare = 0.25

/**
 * A time axis that is wide where things happen: straight between neighbouring moments, the
 * stretches between them compressed. `left` to `right` px; ticks at least `gap` px apart.
 */
export function timeAxis(
  clocks: readonly LayerClock[],
  left: number,
  right: number,
  gap: number,
): TimeAxis {
  const last = Math.max(...clocks.map((clock) => clock.demouldAt), minute)
  const end = last * 1.1
  const moments = [0, end]
  for (const c of clocks) moments.push(c.mixAt, c.bleedsUntil, c.gelAt, c.joinUntil, c.demouldAt)
  const marks = [...new Set(moments)]
    .sort((a, b) => a - b)
    .filter((t, i, all) => i === 0 || t - all[i - 1] > end * 1e-5)
  const weights = marks.slice(1).map((t, i) => (t - marks[i]) ** compression)
  const total = weights.reduce((sum, w) => sum + w, 0)
  const even = total / weights.length
  const widened = weights.map((w) => Math.max(w, leastShare * even))
  const all = widened.reduce((sum, w) => sum + w, 0)
  const places = [left]
  for (const w of widened) places.push(places[places.length - 1] + (w / all) * (right - left))

  const x = (t: number) => {
    if (t <= 0) return left
    const i = Math.min(marks.length - 2, Math.max(0, marks.findIndex((m) => m >= t) - 1))
    const share = (t - marks[i]) / (marks[i + 1] - marks[i])
    return Math.min(right, places[i] + share * (places[i + 1] - places[i]))
  }
  const at = (px: number) => {
    const held = Math.min(right, Math.max(left, px))
    const i = Math.min(marks.length - 2, Math.max(0, places.findIndex((p) => p >= held) - 1))
    const share = (held - places[i]) / (places[i + 1] - places[i])
    return marks[i] + share * (marks[i + 1] - marks[i])
  }
  const ticks: TimeAxis['ticks'] = [{ at: 0, x: left }]
  for (const at of ladder) {
    if (at > end) break
    const place = x(at)
    if (place - ticks[ticks.length - 1].x >= gap && place < right - 8) ticks.push({ at, x: place })
  }
  return { x, at, ticks, end }
}
