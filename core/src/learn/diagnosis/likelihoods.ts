import type { Fault } from '../../work/pull/index.ts'
import type { CauseName } from './causes.ts'
import type { SignName } from './signs.ts'

/**
 * Of each cause: which faults it makes, as how often it is the one behind them, and how often each
 * sign is seen when it is. Signs that are left out are seen as often as they are anyway.
 *
 * All of it: common practice, no source.
 */
export interface Likelihood {
  makes: Partial<Record<Fault, number>>
  signs: Partial<Record<SignName, number>>
}

export const likelihoods: Record<CauseName, Likelihood> = {
  'no way out for air': {
    makes: { 'void at a tip': 0.4, 'row of voids': 0.2, 'pocket near the gate': 0.1 },
    signs: {
      'at a tip': 0.7,
      'air is shut in there': 0.9,
      'a vent is there': 0.05,
      'same place again': 0.85,
      'ragged beside': 0.05,
      'poured late': 0.1,
      'prefill left out': 0.08,
      'under a ceiling': 0.12,
    },
  },
  'level ceiling': {
    makes: { 'row of voids': 0.6, 'void at a tip': 0.15 },
    signs: {
      'under a ceiling': 0.95,
      'air is shut in there': 0.8,
      'same place again': 0.8,
      level: 0.95,
      'at a tip': 0.05,
    },
  },
  'prefill missed': {
    makes: { 'void at a tip': 0.2, 'deformed corner': 0.5, 'ragged edge': 0.05 },
    signs: { 'prefill left out': 0.9, 'same place again': 0.2, 'mould worn': 0.12 },
  },
  'poured too late': {
    makes: {
      'ragged edge': 0.85,
      'void at a tip': 0.15,
      'fine bubbles': 0.1,
      'row of voids': 0.05,
      'deformed corner': 0.15,
      'uneven wall': 0.15,
      'pinholes in details': 0.15,
    },
    signs: {
      'poured late': 0.9,
      'ragged beside': 0.75,
      'same place again': 0.1,
      'fast resin': 0.8,
      'air is shut in there': 0.2,
    },
  },
  'no pressure': {
    makes: { 'fine bubbles': 0.3 },
    signs: {
      'under pressure': 0.03,
      'fast resin': 0.9,
      urethane: 0.8,
      'all over': 0.7,
      'around a thing': 0.05,
      'on the upper side': 0.12,
      'thick resin': 0.15,
      whipped: 0.08,
      'ragged beside': 0.06,
    },
  },
  'pressure too late': {
    makes: { 'fine bubbles': 0.12 },
    signs: {
      'under pressure': 0.98,
      'pressure late': 0.95,
      'fast resin': 0.85,
      'all over': 0.75,
      'around a thing': 0.05,
    },
  },
  'let go too early': {
    makes: { 'fine bubbles': 0.08 },
    signs: {
      'under pressure': 0.98,
      'let go early': 0.95,
      'all over': 0.75,
      'around a thing': 0.05,
    },
  },
  'air stirred in': {
    makes: { 'fine bubbles': 0.15 },
    signs: {
      whipped: 0.8,
      'all over': 0.75,
      'under pressure': 0.15,
      'under vacuum': 0.1,
      'fast resin': 0.3,
      'around a thing': 0.05,
    },
  },
  'not freed of air': {
    makes: { 'fine bubbles': 0.15 },
    signs: {
      'thick resin': 0.85,
      'under vacuum': 0.05,
      'under pressure': 0.05,
      'fast resin': 0.15,
      'all over': 0.75,
      'around a thing': 0.05,
      whipped: 0.12,
    },
  },
  'bubbles that rose': {
    makes: { 'fine bubbles': 0.12, 'row of voids': 0.08 },
    signs: {
      'on the upper side': 0.95,
      'all over': 0.05,
      'fast resin': 0.2,
      'thick resin': 0.1,
      'under pressure': 0.1,
    },
  },
  'air in the syringe': {
    makes: { 'pocket near the gate': 0.55, 'fine bubbles': 0.03 },
    signs: { 'by syringe': 0.97, 'at the gate': 0.85, 'stood in the vents': 0.75 },
  },
  'filled too little': {
    makes: { 'pocket near the gate': 0.4, 'void at a tip': 0.1, 'row of voids': 0.05 },
    signs: {
      'stood in the vents': 0.08,
      'at the gate': 0.6,
      'on the upper side': 0.7,
      'same place again': 0.2,
      'by syringe': 0.4,
    },
  },
  'bubbles in the silicone': {
    makes: { pimples: 0.95 },
    signs: {
      'silicone was cleared': 0.1,
      'under pressure': 0.85,
      'on the skin only': 0.9,
      'same place again': 0.9,
    },
  },
  'wrong ratio': {
    makes: { 'soft or tacky': 0.35, 'soft streaks': 0.05, bent: 0.05 },
    signs: { 'ratio off': 0.9, 'all over': 0.85, 'on the skin only': 0.05 },
  },
  'under-mixed': {
    makes: { 'soft or tacky': 0.25, 'soft streaks': 0.5 },
    signs: {
      'stirred short': 0.8,
      'all over': 0.3,
      'ratio off': 0.06,
      'on the skin only': 0.1,
      'second cup': 0.3,
    },
  },
  'scrapings poured': {
    makes: { 'soft streaks': 0.5, 'soft or tacky': 0.06 },
    signs: { 'second cup': 0.1, 'stirred short': 0.08, 'all over': 0.1, 'ratio off': 0.05 },
  },
  'too much tint': {
    makes: { 'soft or tacky': 0.12, 'off colour': 0.05 },
    signs: { 'tint over its limit': 0.95, 'ratio off': 0.05, 'all over': 0.85 },
  },
  'too cold': {
    makes: { 'soft or tacky': 0.15, bent: 0.08 },
    signs: { 'room cold': 0.95, 'ratio off': 0.05, 'all over': 0.9, 'on the skin only': 0.05 },
  },
  damp: {
    makes: { foam: 0.7, 'cloud between layers': 0.5, 'soft or tacky': 0.05, 'fine bubbles': 0.04 },
    signs: {
      'air humid': 0.85,
      'join late': 0.08,
      'opened long ago': 0.15,
    },
  },
  'old bottle': {
    makes: { foam: 0.25, 'soft or tacky': 0.1, 'off colour': 0.1, 'cracks or yellowing': 0.1 },
    signs: { 'opened long ago': 0.95, 'ratio off': 0.05, 'air humid': 0.2, 'all over': 0.9 },
  },
  'demoulded early': {
    makes: { bent: 0.85, 'soft or tacky': 0.1, 'does not fit': 0.3, 'broken at demoulding': 0.2 },
    signs: { 'out early': 0.9, 'bent beside': 0.6, 'shrinkage left in': 0.2 },
  },
  'too deep': {
    makes: { 'cracks or yellowing': 0.85, 'fine bubbles': 0.02 },
    signs: { 'deeper than its sheet': 0.8, 'ran hot': 0.85 },
  },
  'join window missed': {
    makes: { 'line between layers': 0.95, 'cloud between layers': 0.08 },
    signs: { 'join late': 0.9 },
  },
  'blush not wiped': {
    makes: { 'cloud between layers': 0.4, 'line between layers': 0.05 },
    signs: { 'join late': 0.85, 'air humid': 0.4, urethane: 0.05 },
  },
  'placed too early': {
    makes: { 'inclusion sank': 0.95 },
    signs: { 'set too early': 0.92, 'around a thing': 0.9 },
  },
  'unsealed inclusion': {
    makes: { 'halo around an inclusion': 0.9, 'fine bubbles': 0.08, 'cloud between layers': 0.02 },
    signs: {
      'around a thing': 0.97,
      porous: 0.9,
      sealed: 0.1,
      'all over': 0.08,
    },
  },
  'uneven bands': {
    makes: { 'seam step or flash': 0.5 },
    signs: { 'few bands': 0.6, keyed: 0.85, 'mould worn': 0.12, 'same place again': 0.2 },
  },
  'no keys': {
    makes: { 'seam step or flash': 0.2 },
    signs: { keyed: 0.05, 'same place again': 0.85, 'few bands': 0.2 },
  },
  'worn mould': {
    makes: {
      'seam step or flash': 0.2,
      'deformed corner': 0.3,
      pimples: 0.03,
      'torn mould': 0.3,
      'dull skin': 0.25,
      'detail lost': 0.1,
    },
    signs: { 'mould worn': 0.95, keyed: 0.85, 'few bands': 0.15, 'prefill left out': 0.08 },
  },
  'inhibited skin': {
    makes: { 'soft or tacky': 0.1, 'dull skin': 0.1 },
    signs: {
      'on the skin only': 0.95,
      'all over': 0.15,
      'something inhibits': 0.8,
      'ratio off': 0.06,
    },
  },
  'no ground under mica': {
    makes: { 'off colour': 0.35 },
    signs: { unbacked: 0.95, 'dose short': 0.12 },
  },
  'dosed too little': {
    makes: { 'off colour': 0.5 },
    signs: { 'dose short': 0.9, unbacked: 0.12 },
  },
  'forced out': {
    makes: { 'broken at demoulding': 0.45, 'torn mould': 0.35 },
    signs: {
      'at a tip': 0.7,
      'something holds it': 0.3,
      'out early': 0.08,
      'same place again': 0.25,
    },
  },
  'opening too short': {
    makes: { 'torn mould': 0.35, 'broken at demoulding': 0.3 },
    signs: { 'something holds it': 0.9, 'same place again': 0.85, 'mould worn': 0.15 },
  },
  'too much release': {
    makes: { 'detail lost': 0.35, 'dull skin': 0.25, stain: 0.05 },
    signs: { released: 0.97, 'on the skin only': 0.9, 'all over': 0.4 },
  },
  'dusted too thickly': {
    makes: { 'dull skin': 0.25, 'detail lost': 0.15 },
    signs: { powdered: 0.97, 'on the skin only': 0.95, 'all over': 0.7 },
  },
  'mould not wiped': {
    makes: { stain: 0.35, 'dull skin': 0.1, 'detail lost': 0.05 },
    signs: { 'wiped before': 0.1, 'on the skin only': 0.9, 'same place again': 0.2 },
  },
  'dye in the mould': {
    makes: { stain: 0.55 },
    signs: { 'dyed casts before': 0.95, 'on the skin only': 0.8, 'same place again': 0.6 },
  },
  'seen in the master': {
    makes: { 'detail lost': 0.35, 'dull skin': 0.15, 'seam step or flash': 0.02 },
    signs: { 'in the master too': 0.95, 'same place again': 0.97 },
  },
  'leaked at the seam': {
    makes: {
      'pocket near the gate': 0.15,
      'void at a tip': 0.05,
      'seam step or flash': 0.15,
      'uneven wall': 0.1,
    },
    signs: { leaked: 0.95, 'on the upper side': 0.5, 'few bands': 0.5, 'stood in the vents': 0.5 },
  },
  'pressure was lost': {
    makes: { 'fine bubbles': 0.08 },
    signs: { 'pressure fell': 0.95, 'under pressure': 0.95, 'all over': 0.75 },
  },
  'turned unevenly': {
    makes: { 'uneven wall': 0.5 },
    signs: { turned: 0.95, 'poured late': 0.15, 'stopped while it ran': 0.1 },
  },
  'stopped turning early': {
    makes: { 'uneven wall': 0.5, 'filled solid': 0.05 },
    signs: { turned: 0.97, 'stopped while it ran': 0.95, 'poured late': 0.1 },
  },
  'details not brushed': {
    makes: { 'pinholes in details': 0.75, 'void at a tip': 0.05 },
    signs: {
      turned: 0.9,
      'at a tip': 0.8,
      'prefill left out': 0.85,
      'same place again': 0.6,
      'poured late': 0.15,
    },
  },
  'too much for the wall': {
    makes: { 'filled solid': 0.85 },
    signs: { turned: 0.9, 'more than its wall': 0.9, 'stopped while it ran': 0.1 },
  },
  'next shot too early': {
    makes: { 'gap between shots': 0.85, 'uneven wall': 0.1 },
    signs: { turned: 0.95, 'shot on a soft one': 0.9 },
  },
  'shrinkage not allowed for': {
    makes: { 'does not fit': 0.65 },
    signs: { 'shrinkage left in': 0.9, 'out early': 0.08, 'bent beside': 0.04 },
  },
}
