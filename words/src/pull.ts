import type { Outcome } from '@mivro/core/work/pull'

/** How a cast, or one copy of it, came out. */
export const outcomeWords: Record<Outcome, string> = {
  good: 'Good',
  fixable: 'Fixable',
  lost: 'Lost',
}
