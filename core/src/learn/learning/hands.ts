import { takenTasks, type Bench } from '../../work/bench/index.ts'
import { usualHands, type Hands } from '../../work/run/index.ts'
import { spreadOf, type Spread } from './spread.ts'

/** One of the times of hands as it was seen at the bench. */
export interface LearnedHand extends Spread {
  hand: keyof Hands
}

/** Fewer than this are no habit yet. */
export const fewestSeen = 3

/**
 * How long hands really took, from the moments between the keys of benches: prefills by the place,
 * fills by the cavity without the rocking after them, bands and pot by the mould. What was seen less
 * than three times is left out.
 *
 * @example learnedHands([]) // []
 */
export function learnedHands(
  benches: readonly Pick<Bench, 'tasks' | 'events'>[],
  now: Hands = usualHands,
): LearnedHand[] {
  const seen: Partial<Record<keyof Hands, number[]>> = {}
  const add = (hand: keyof Hands, value: number) => {
    if (value > 0) (seen[hand] ??= []).push(value)
  }
  for (const bench of benches) {
    for (const { task, taken } of takenTasks(bench)) {
      if (task.what === 'prefill') {
        const places = task.spots.filter(({ what }) => what === 'prefill').length
        if (places > 0) add('prefill', taken / places)
      }
      if (task.what === 'fill') add('fill', (taken - now.rock) / task.mould.casts)
      if (task.what === 'band' && task.moulds.length > 0) {
        // A bench that was set out before the pot had a task of its own went on into it.
        const asOne = !bench.tasks.some(({ what }) => what === 'into pot')
        add('band', taken / task.moulds.length - (asOne ? now.intoPot : 0))
      }
      if (task.what === 'into pot' && task.moulds.length > 0) {
        add('intoPot', taken / task.moulds.length)
      }
    }
  }
  return (Object.keys(seen) as (keyof Hands)[]).flatMap((hand) => {
    const spread = spreadOf(seen[hand]!)
    return spread && spread.count >= fewestSeen ? [{ hand, ...spread }] : []
  })
}
