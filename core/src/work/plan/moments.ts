import { meetingAt, momentFor } from './compile/schedule.ts'
import type { CompiledPlan, LayerClock, Meeting } from './compile/compiled.ts'
import { withLayer } from './edit.ts'
import { joins, type Join, type Plan } from './plan.ts'

/** Where a pour moment may be put, and what it gets there. */
export interface PourMoment {
  /** s after the first mixing. */
  at: number
  meets: Meeting
  /** It is the very moment that this join wants. */
  snapped?: Join
}

/**
 * The moment nearest to `at` that a layer's pour can be put to: on one that a join wants when
 * within `snap` seconds of it, and not before the hands are free.
 *
 * @example pourMoment(compiled.layers[0].clock!, 240, momentFor(compiled.layers[0].clock!, 'crisp') + 5, 600).snapped // 'crisp'
 */
export function pourMoment(below: LayerClock, inCup: number, at: number, snap: number): PourMoment {
  const earliest = below.pourAt + inCup
  const held = Math.max(at, earliest)
  const wanted = joins
    .map((join) => ({ join, at: Math.max(momentFor(below, join), earliest) }))
    .sort((a, b) => Math.abs(a.at - held) - Math.abs(b.at - held))[0]
  if (Math.abs(wanted.at - held) <= snap) {
    return { at: wanted.at, meets: meetingAt(below, wanted.at), snapped: wanted.join }
  }
  return { at: held, meets: meetingAt(below, held) }
}

/** The plan with a layer poured at that moment: as its join wants, or with a wait of its own. */
export function movePour(
  plan: Plan,
  compiled: CompiledPlan,
  index: number,
  moment: PourMoment,
): Plan {
  if (moment.snapped) return withLayer(plan, index, { join: moment.snapped, wait: undefined })
  const poured = compiled.layers.slice(0, index).findLast(({ clock }) => clock)
  const wait = moment.at - (poured?.clock?.pourAt ?? 0)
  const join = moment.meets === 'late' ? 'crisp' : moment.meets
  return withLayer(plan, index, { join, wait })
}
