import type { Fault, Outcome } from '@mivro/core/pull'

/** What usually causes a fault (common practice, no source). */
export const faultCauses: Record<Fault, string> = {
  'fine bubbles': 'No or too little pressure, a fast resin, or a whipped mix.',
  'void at a tip': 'No vent, no prefill, or the wrong tilt.',
  'pocket near the gate': 'Air in the syringe, or withdrawn too fast.',
  'ragged edge': 'The resin was already gelling.',
  pimples: 'Bubbles in the silicone that dent under pressure.',
  'soft or tacky': 'Ratio, mixing, too much tint, cold or damp.',
  'soft streaks': 'Scrapings from the cup that were not mixed in.',
  bent: 'Demoulded early.',
  foam: 'Damp urethane.',
  'cracks or yellowing': 'Too deep a pour: it ran hot.',
  'line between layers': 'The join window was missed.',
  'cloud between layers': 'Damp, or blush that was not wiped off.',
  'inclusion sank': 'Placed before the gel could hold it.',
  'halo around an inclusion': 'Damp or unsealed.',
  'seam step or flash': 'Mould not keyed or not shut evenly.',
  'row of voids': 'A level ceiling: a film of air stayed under it.',
  'deformed corner': 'The prefill was skipped, or the mould is worn there.',
  'off colour': 'Too little tint, or mica over nothing opaque.',
  'does not fit': 'Shrinkage that was not allowed for, or taken out warm.',
}

export const outcomeWords: Record<Outcome, string> = {
  good: 'Good',
  fixable: 'Fixable',
  lost: 'Lost',
}
