import { castsWorth, type Change, type Fault, type Pin, type Pull } from '../../work/pull/index.ts'
import { effectOf, type Count, type Effect } from './effect.ts'

/** Two pins of one fault within this of each other are at the same place, m. */
const sameWithin = 0.006

const near = (a: readonly number[], b: readonly number[], size: number): boolean =>
  Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) <= Math.max(sameWithin, size)

/** Casts of a pull that show a fault, at a place where one is given. */
function castsWith(
  { pins, faults, copies }: Pull,
  { fault, at, size }: Pick<Pin, 'fault'> & { at?: readonly number[]; size: number },
): number {
  const there = (pins ?? []).filter((pin) => pin.fault === fault && (!at || near(pin.at, at, size)))
  const named = new Set(there.flatMap(({ copy }) => (copy === undefined ? [] : [copy])))
  if (named.size > 0) return Math.min(copies, named.size)
  if (there.length > 0) return 1
  // A fault that was only ticked is somewhere; it counts where no place is asked for.
  return !at && faults.includes(fault) ? 1 : 0
}

/** Casts of pulls that show a fault, of all. */
export function countOf(
  pulls: readonly Pull[],
  about: { fault: Fault; at?: readonly number[]; size?: number },
): Count {
  const { size = 0 } = about
  return {
    seen: pulls.reduce((sum, pull) => sum + castsWith(pull, { ...about, size }), 0),
    ...castsOf(pulls),
  }
}

const time = (at: string) => Date.parse(at)

/** In how many pulls before one the same was seen at the same place. */
export function repeatedOf(
  pin: Pick<Pin, 'fault' | 'at' | 'size'>,
  pull: Pull,
  pulls: readonly Pull[],
): Count {
  const before = pulls.filter(({ pouredAt }) => time(pouredAt) < time(pull.pouredAt))
  const seen = before.filter((one) => castsWith(one, pin) > 0).length
  return { seen, of: before.length }
}

/** What a change did: the same fault at its place before it was taken and since. */
export function effectOfChange(change: Change, pulls: readonly Pull[]): Effect {
  const taken = time(change.takenAt)
  const before = pulls.filter(({ pouredAt }) => time(pouredAt) <= taken)
  const after = pulls.filter(({ pouredAt }) => time(pouredAt) > taken)
  return effectOf(countOf(before, change), countOf(after, change))
}

/** A paired trial: casts with its one difference and without. */
export interface TrialResult {
  id: string
  difference: string
  without: Count
  with: Count
  effect: Effect
}

/** All paired trials: casts that did not come out good, without the difference and with it. */
export function trialsOf(pulls: readonly Pull[]): TrialResult[] {
  const ids = [...new Set(pulls.flatMap(({ trial }) => (trial ? [trial.id] : [])))]
  return ids.map((id) => {
    const own = pulls.filter(({ trial }) => trial?.id === id)
    // Both arms come from the same cups: their luck is common to both, and each cast counts.
    const arm = (which: 'yes' | 'no'): Count => {
      const { seen, of } = spoilt(own.filter(({ trial }) => trial!.with === which))
      return { seen, of }
    }
    const [without, with_] = [arm('no'), arm('yes')]
    return {
      id,
      difference: own[0].trial!.difference,
      without,
      with: with_,
      effect: effectOf(without, with_),
    }
  })
}

/** Casts that did not come out good. */
export function spoilt(pulls: readonly Pull[]): Count {
  const seen = pulls.reduce((sum, { results, outcome, copies }) => {
    if (results?.length) return sum + results.filter(({ result }) => result !== 'good').length
    return sum + (outcome === 'good' ? 0 : copies)
  }, 0)
  return { seen, ...castsOf(pulls) }
}

const castsOf = (pulls: readonly Pull[]) => ({
  of: pulls.reduce((sum, { copies }) => sum + copies, 0),
  worth: pulls.reduce((sum, pull) => sum + castsWorth(pull), 0),
})

/** Openings and prefills that a mould got after a pull, by the changes that put them there. */
export function addedSince(pulls: readonly Pull[], pull: Pick<Pull, 'pouredAt'>): Change[] {
  return pulls
    .flatMap(({ changes }) => changes ?? [])
    .filter(({ takenAt }) => time(takenAt) > time(pull.pouredAt))
}
