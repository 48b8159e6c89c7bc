import type { MakingStep } from './step.ts'

const day = 24 * 3600

/** A stay at the bench: steps that follow one another without a wait of more than half an hour. */
export interface MakingStay {
  /** s after midnight of the first day. */
  from: number
  until: number
  /** Of the list of steps. */
  first: number
  last: number
}

/** A wait that is longer than this sends hands away, s (common practice, no source). */
const shortWait = 1800

/**
 * When a mould is made: its stays at the bench one after the other, each as soon as what it waits for
 * is over, and within the hours that the bench is open; what takes longer than a day is open for goes
 * on over its end. Times in s after midnight.
 *
 * @example makingStays([{ hands: 3600, wait: 0 }], 9 * 3600, { from: 8 * 3600, until: 20 * 3600 })[0].until // 36000
 */
export function makingStays(
  steps: readonly Pick<MakingStep, 'hands' | 'wait'>[],
  begin: number,
  open: { from: number; until: number },
): MakingStay[] {
  const found: MakingStay[] = []
  let at = begin
  let last = 0
  for (let first = 0; first < steps.length; first = last + 1) {
    last = first
    let takes = steps[first].hands
    while (last + 1 < steps.length && steps[last].wait <= shortWait) {
      takes += steps[last].wait + steps[last + 1].hands
      last++
    }
    const from = takes > 0 ? opened(at, Math.min(takes, open.until - open.from), open) : at
    const until = from + takes
    if (takes > 0) found.push({ from, until, first, last })
    at = until + steps[last].wait
  }
  return found
}

/** The next moment from which so much still fits before the bench shuts. */
function opened(at: number, takes: number, { from, until }: { from: number; until: number }) {
  const today = day * Math.floor(at / day)
  const soonest = Math.max(at, today + from)
  return soonest + takes <= today + until + 1e-6 ? soonest : today + day + from
}
