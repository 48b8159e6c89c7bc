import { z } from '../../base/schema/index.ts'
import { quantity, text, whole } from '../../base/document/index.ts'
import type { Hazard } from '../../base/caution/index.ts'
import { brokenIn, inOrder, moved, type Precedence } from '../../base/procedure/index.ts'

export const conditionNames = [
  'look over',
  'wipe',
  'release',
  'warm',
  'powder',
  'wet walls',
  'other',
] as const
export type ConditionName = (typeof conditionNames)[number]

/** One line of the list that a mould is conditioned by before it is poured. */
export const conditionSchema = z.object({
  what: z.enum(conditionNames),
  /** What something of one's own is called. */
  name: text('name', 60).optional(),
  /** Before each so many pulls of a mould; 0: before its first one alone. */
  every: whole(0, 1000),
  /** Of hands, for each mould, s. */
  hands: quantity('duration', 0, 3600),
})
export type Condition = z.infer<typeof conditionSchema>

interface ConditionFacts {
  hands: number
  /** Left alone afterwards, all moulds together, s. */
  waits: number
  hazards: readonly Hazard[]
}

/** What each takes, unless the mould's own list says so (common practice, no source). */
export const conditionFacts: Record<ConditionName, ConditionFacts> = {
  'look over': { hands: 15, waits: 0, hazards: [] },
  wipe: { hands: 15, waits: 120, hazards: [] },
  release: { hands: 30, waits: 300, hazards: ['aerosol'] },
  warm: { hands: 10, waits: 1800, hazards: ['oven'] },
  powder: { hands: 20, waits: 0, hazards: [] },
  'wet walls': { hands: 20, waits: 0, hazards: [] },
  other: { hands: 60, waits: 0, hazards: [] },
}

/**
 * Why one comes before another (common practice, no source): alcohol takes release off again, warmth
 * sets it off, powder lies on what is dry, and resin comes last.
 */
export const conditionRules: readonly Precedence<ConditionName>[] = [
  ['look over', 'wipe'],
  ['wipe', 'release'],
  ['wipe', 'powder'],
  ['release', 'warm'],
  ['release', 'powder'],
  ['warm', 'powder'],
  ...conditionNames
    .filter((one) => one !== 'wet walls')
    .map((one): Precedence<ConditionName> => [one, 'wet walls']),
]

/** What a mould's setup says of its conditioning. */
export interface Conditioned {
  before?: readonly Condition[]
  liking: { dust: string; release: string; warmth?: number }
}

/** A line as it usually is. @example usualCondition('look over').hands // 15 */
export const usualCondition = (what: ConditionName): Condition => ({
  what,
  every: 1,
  hands: conditionFacts[what].hands,
})

/** What is done before every pull where nothing else was said. */
const usually: readonly ConditionName[] = ['look over', 'wipe']

/**
 * The list of a mould before a pull, in its order: its own where it has one, and what its setup asks
 * for (release, powder, warmth) whether listed or not; what its setup does without is left out.
 *
 * @example conditioningOf({ liking: { dust: 'talc', release: 'none' } }).map(({ what }) => what) // ['look over', 'wipe', 'powder']
 */
export function conditioningOf({ before, liking }: Conditioned): Condition[] {
  const asked = new Map<ConditionName, boolean>([
    ['release', liking.release !== 'none'],
    ['warm', liking.warmth !== undefined],
    ['powder', liking.dust !== 'none'],
  ])
  const own = (before ?? usually.map(usualCondition)).filter(({ what }) => asked.get(what) ?? true)
  const missing = [...asked].flatMap(([what, wanted]) =>
    wanted && !own.some((one) => one.what === what) ? [usualCondition(what)] : [],
  )
  return ordered([...own, ...missing])
}

const ordered = (list: readonly Condition[]): Condition[] =>
  inOrder(
    list.map((condition) => ({ ...condition, does: condition.what })),
    conditionRules,
  ).map(({ does: _, ...condition }) => condition)

/**
 * The list with one of its lines moved, or the first rule of the trade that this would break.
 *
 * @example movedCondition([usualCondition('wipe'), usualCondition('release')], 1, 0) // { breaks: ['wipe', 'release'] }
 */
export function movedCondition(
  list: readonly Condition[],
  from: number,
  to: number,
): { list: Condition[] } | { breaks: Precedence<ConditionName> } {
  const after = moved(list, from, to)
  const [breaks] = brokenIn(
    after.map(({ what }) => ({ does: what })),
    conditionRules,
  )
  return breaks ? { breaks } : { list: after }
}

/**
 * Whether a line is due before a mould's pull of that number, counted from 1.
 *
 * @example isDue({ every: 3 }, 4) // true (the first, the fourth, the seventh ...)
 */
export const isDue = ({ every }: Pick<Condition, 'every'>, pull: number): boolean =>
  every === 0 ? pull === 1 : (pull - 1) % every === 0
