import type { PostCured } from '@mivro/core/matter/cure'
import type { Rung } from '@mivro/core/work/plan'
import { metric, show, type UnitChoice } from '@mivro/core/base/units'

/** What may be done from there on, and what to mind. */
export const rungWords: Record<Rung['rung'], { label: string; hint: string }> = {
  rubbery: { label: 'Out, rubbery', hint: 'Gates by a blade, then flat until it is hard' },
  hard: { label: 'Hard', hint: 'It has lain flat until then' },
  out: { label: 'Out of the mould', hint: 'Thin parts are the last to harden' },
  'post-cure': { label: 'Post-cure', hint: 'A warm cupboard, never an oven for food' },
  sand: { label: 'Sand', hint: 'Dust is not sticky any more' },
  paint: { label: 'Paint', hint: 'Washed first, where release was used' },
  send: { label: 'Pack and send', hint: 'Takes no marks from its wrapping' },
  full: { label: 'Full strength', hint: 'As hard as it gets' },
  heatproof: { label: 'Heatproof', hint: 'Bears what its sheet allows' },
}

/** Where a rung comes from. */
export const rungBasis: Record<Rung['basis'], string> = {
  sheet: 'by its sheet',
  model: 'by the cure model',
  rule: 'by rule',
  usual: 'as is usual',
}

/**
 * What warmth gains.
 *
 * @example sayGain({ before: { alpha: 0.87, glass: 300 }, after: { alpha: 0.97, glass: 321 } }) // 'Cured to 97 % instead of 87 %: it softens at about 48 °C instead of 27 °C.'
 */
export const sayGain = ({ before, after }: PostCured, units: UnitChoice = metric): string => {
  const degrees = (kelvin: number) => show(Math.round(kelvin), 'temperature', units)
  const percent = (alpha: number) => `${Math.round(100 * alpha)} %`
  return `Cured to ${percent(after.alpha)} instead of ${percent(before.alpha)}: it softens at about ${degrees(after.glass)} instead of ${degrees(before.glass)}.`
}
