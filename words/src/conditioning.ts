import type { Precedence } from '@mivro/core/base/procedure'
import type { Condition, ConditionName } from '@mivro/core/mould'
import type { Conditioning } from '@mivro/core/work/run'
import { showDuration, type UnitChoice } from '@mivro/core/base/units'
import { saySkinBefore } from './skin.ts'

/** What is done to a mould before a pull, and how. */
const conditionWords: Record<ConditionName, { label: string; how: string }> = {
  'look over': {
    label: 'Look it over',
    how: 'Tears, crumbs, cured drops: pick them out with wooden tools, never metal ones.',
  },
  wipe: {
    label: 'Wipe it',
    how: 'With alcohol on a cloth that gives no lint, gate and vents too.',
  },
  release: {
    label: 'Release',
    how: 'A thin even coat, its excess brushed out of the corners. A released cast is washed before paint.',
  },
  warm: {
    label: 'Warm it',
    how: 'In the warm cupboard, never in an oven for food: it sets release off and helps thin walls.',
  },
  powder: {
    label: 'Powder it',
    how: 'A light dusting, most of it blown out again. None where the piece is to be glossy or clear.',
  },
  'wet walls': {
    label: 'Wet all walls first',
    how: 'A third of the resin in, turned until all of the wall is wet, then filled up.',
  },
  other: { label: 'Something of one’s own', how: 'As your own list has it.' },
}

/** @example conditionLabel({ what: 'other', name: 'Insert in' }) // 'Insert in' */
export const conditionLabel = ({ what, name }: Pick<Condition, 'what' | 'name'>): string =>
  (what === 'other' ? name : what === 'powder' && name ? `Dust with ${name}` : undefined) ||
  conditionWords[what].label

/** @example conditionHow('wipe') // 'With alcohol on a cloth that gives no lint, gate and vents too.' */
export const conditionHow = (what: ConditionName): string => conditionWords[what].how

/** The same with what is dusted on, of a metal powder. */
export const sayConditionHow = (
  {
    what,
    name,
    clings,
    moulds,
  }: Pick<Conditioning, 'what' | 'name' | 'clings'> & { moulds: readonly unknown[] },
  units: UnitChoice,
): string =>
  clings === undefined
    ? conditionHow(what)
    : saySkinBefore({ powder: name!, dust: clings / moulds.length }, units)

/** @example sayWaits(120) // ' Then leave them for 2 min.' */
export const sayWaits = (waits: number): string =>
  waits > 0 ? ` Then leave them for ${showDuration(waits)}.` : ''

/** One line of a sheet. */
export const sayCondition = (
  { what, name, moulds, hands, waits, clings }: Conditioning,
  units: UnitChoice,
): string => {
  const those = moulds.length === 1 ? 'the mould' : `${moulds.length} moulds`
  const takes = showDuration(hands, 'second')
  return `${conditionLabel({ what, name })}, ${those}, ${takes}. ${sayConditionHow({ what, name, clings, moulds }, units)}${sayWaits(waits)}`
}

/** When a line is due. @example sayEvery({ every: 3 }) // 'every 3rd pull' */
export function sayEvery({ every }: Pick<Condition, 'every'>): string {
  if (every === 0) return 'first pull'
  if (every === 1) return 'each pull'
  const ends: Record<number, string> = { 1: 'st', 2: 'nd', 3: 'rd' }
  const teens = every % 100 > 10 && every % 100 < 14
  return `every ${every}${(teens ? undefined : ends[every % 10]) ?? 'th'} pull`
}

const reasons: Partial<Record<ConditionName, string>> = {
  'look over': 'what is found is picked out first',
  wipe: 'alcohol takes off again what lies there',
  release: 'powder and warmth come on release that is there',
  warm: 'powder lies on what is dry',
}

/**
 * Why a line can't be moved there.
 *
 * @example sayBroken(['wipe', 'release']) // 'Wipe it comes before Release: alcohol takes off again what lies there.'
 */
export const sayBroken = ([first, then]: Precedence<ConditionName>): string => {
  const { label } = conditionWords[then]
  const why = then === 'wet walls' ? 'that is done with resin' : reasons[first]
  return `${conditionWords[first].label} comes before ${label}${why ? `: ${why}` : ''}.`
}
