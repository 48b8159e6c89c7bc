import { outcomes, type Outcome, type Pull } from '@mivro/core/work/pull'

/** How a cast, or one copy of it, came out. */
export const outcomeWords: Record<Outcome, string> = {
  good: 'Good',
  fixable: 'Fixable',
  lost: 'Lost',
}

/**
 * How a pull came out: counted where its copies were looked at one by one.
 *
 * @example sayOutcome({ outcome: 'fixable', results: [{ result: 'good' }, { result: 'lost' }] }) // '1 good, 1 lost'
 */
export function sayOutcome({
  outcome,
  results = [],
}: Pick<Pull, 'outcome'> & { results?: readonly { result: Outcome }[] }): string {
  const counted = outcomes.flatMap((one) => {
    const count = results.filter(({ result }) => result === one).length
    return count > 0 ? [{ one, count }] : []
  })
  if (counted.length < 2) return outcomeWords[outcome]
  return counted.map(({ one, count }) => `${count} ${outcomeWords[one].toLowerCase()}`).join(', ')
}
