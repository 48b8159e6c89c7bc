import type { Lie } from '../../matter/turning/index.ts'
import { amberFrom, clocksOf, type Clock } from './clocks.ts'
import type { Bench } from './bench.ts'
import { progressOf } from './progress.ts'
import { calledSides } from './turning.ts'

/** Something to be said aloud. */
export interface Cue {
  /** s since 1970. */
  at: number
  when: 'ahead' | 'amber' | 'over' | 'lie'
  clock: Clock
  /** Side that a turned mould is laid on. */
  lie?: Lie
}

/** Said so long before a clock ends, s. */
export const ahead = 30

/**
 * What is to be said while a bench runs, in its order: half a minute ahead of the end of every
 * clock (not of those that are shorter), deadlines at amber, and at their end.
 */
export function cuesOf(bench: Pick<Bench, 'tasks' | 'events'>): Cue[] {
  const progress = progressOf(bench)
  return clocksOf(bench, progress)
    .flatMap((clock): Cue[] => {
      const { from, until, kind } = clock
      const long = until - from
      const amber = from + amberFrom * long
      const said: Cue[] = [{ at: until, when: 'over', clock }]
      if (long > 2 * ahead) said.push({ at: until - ahead, when: 'ahead', clock })
      // Two warnings within seconds of each other are one.
      const apart = Math.abs(until - ahead - amber) > ahead / 2
      if (kind === 'deadline' && (apart || long <= 2 * ahead)) {
        said.push({ at: amber, when: 'amber', clock })
      }
      if (clock.what === 'turn') {
        const called = calledSides(bench, progress, clock.until)
        said.push(...called.map((side): Cue => ({ ...side, when: 'lie', clock })))
      }
      return said
    })
    .toSorted((a, b) => a.at - b.at)
}

/** Cues that fall between two looks at the clock. After a long sleep only those of the last minute are said. */
export function cuesDue(cues: readonly Cue[], from: number, until: number): Cue[] {
  const since = Math.max(from, until - 60)
  return cues.filter(({ at }) => at > since && at <= until)
}
