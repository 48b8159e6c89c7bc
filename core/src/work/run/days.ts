import type { Load } from './load.ts'
import { lengthOf, type BenchWindow, type Run } from './run.ts'

const day = 24 * 3600

/** When a load begins. */
export interface LoadTime {
  /** s after midnight of the first day. */
  at: number
  day: number
  /** No hour keeps all that hands do inside the bench's windows. */
  outside: boolean
}

/** How finely hours are tried, s, and for how long. */
const step = 300
const searched = 3 * day

/**
 * When each load of a run begins: as early as the one before is out and its moulds are conditioned,
 * closed and banded again, all that hands do inside a window, no more of them in a day than was wished.
 *
 * @example loadTimes([], newRun(''), []) // []
 */
export function loadTimes(
  loads: readonly Load[],
  {
    begin,
    windows,
    layOut,
    loadsPerDay = Infinity,
  }: Pick<Run, 'begin' | 'windows' | 'layOut' | 'loadsPerDay'>,
  turnovers: readonly number[],
): LoadTime[] {
  const found: LoadTime[] = []
  const perDay = new Map<number, number>()
  let earliest = begin
  for (const [i, load] of loads.entries()) {
    const spans = handsOf(load)
    const full = (at: number) => (perDay.get(Math.floor(at / day)) ?? 0) >= loadsPerDay
    const fits = (at: number) =>
      !full(at) &&
      spans.every(({ from, until }) =>
        inside(at + from - (from === 0 ? layOut + load.preparing : 0), at + until, windows),
      )
    let at = i === 0 ? begin : Math.max(earliest, begin)
    const last = at + searched
    // What is begun at an odd minute is begun at a round one.
    while (!fits(at) && at < last) at = step * (Math.floor(at / step) + 1)
    const outside = !fits(at)
    if (outside) {
      at = i === 0 ? begin : Math.max(earliest, begin)
      while (full(at)) {
        at = day * (Math.floor(at / day) + 1) + windows[0].from + layOut + load.preparing
      }
    }
    const on = Math.floor(at / day)
    perDay.set(on, (perDay.get(on) ?? 0) + 1)
    found.push({ at, day: on, outside })
    earliest = at + load.out + turnovers[i] + layOut + (loads[i + 1]?.preparing ?? 0)
  }
  return found
}

/** When hands are needed in a load, s after its first mix: each round of mixes by itself. */
function handsOf(load: Load): { from: number; until: number }[] {
  const spans: { from: number; until: number }[] = []
  for (const { begins, done } of load.mixes) {
    const last = spans.at(-1)
    // What follows within a quarter of an hour is one stay at the bench.
    if (last && begins - last.until < 900) last.until = Math.max(last.until, begins + done)
    else spans.push({ from: begins, until: begins + done })
  }
  const last = spans.at(-1)
  if (last) last.until = Math.max(last.until, load.handsOn)
  return spans
}

/** Whether a stay at the bench lies in one of its windows, whichever day. */
export function inside(from: number, until: number, windows: readonly BenchWindow[]): boolean {
  return windows.some((window) => {
    const long = lengthOf(window)
    const opened = from - window.from
    const since = opened - day * Math.floor(opened / day)
    return since + (until - from) <= long + 1e-6
  })
}
