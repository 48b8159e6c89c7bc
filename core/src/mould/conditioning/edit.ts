import type { Mould } from '../mould.ts'
import {
  conditioningOf,
  isDue,
  usualCondition,
  type Condition,
  type ConditionName,
} from './conditioning.ts'

type Setup = Pick<Mould, 'before' | 'liking'>

/** What a setup asks for when one of its lines is added. Warm: as a warm cupboard is, K. */
const asked: Partial<Record<ConditionName, Partial<Mould['liking']>>> = {
  release: { release: 'spray' },
  warm: { warmth: 313.15 },
  powder: { dust: 'starch' },
}
/** And when it is taken out. */
const dropped: Partial<Record<ConditionName, Partial<Mould['liking']>>> = {
  release: { release: 'none' },
  warm: { warmth: undefined },
  powder: { dust: 'none' },
}

/**
 * A setup with one more line in its place of the order. Powder comes before the first pull alone,
 * until said otherwise.
 *
 * @example withCondition({ liking: { dust: 'none', release: 'none' } }, 'powder').liking.dust // 'starch'
 */
export function withCondition({ before, liking }: Setup, what: ConditionName): Setup {
  const list = conditioningOf({ before, liking })
  const line = { ...usualCondition(what), ...(what === 'powder' ? { every: 0 } : {}) }
  const now = { ...liking, ...asked[what] }
  return { liking: now, before: conditioningOf({ before: [...list, line], liking: now }) }
}

/** A setup without its line of that index. */
export function withoutCondition({ before, liking }: Setup, index: number): Setup {
  const list = conditioningOf({ before, liking })
  const now = { ...liking, ...dropped[list[index].what] }
  return { liking: now, before: list.toSpliced(index, 1) }
}

/**
 * What a list takes of hands for one mould before its pull of that number, s.
 *
 * @example conditioningTakes([usualCondition('wipe')], 1) // 15
 */
export const conditioningTakes = (list: readonly Condition[], pull: number): number =>
  list.reduce((sum, line) => sum + (isDue(line, pull) ? line.hands : 0), 0)
