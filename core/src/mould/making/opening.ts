import { mouldKinds } from '../kind/kinds.ts'
import { isClosed, type Mould } from '../mould.ts'
import { phrase } from './phrases.ts'
import type { Draft } from './step.ts'

/** A new mould rests overnight for its full life, s (common practice, no source). */
const restOfMould = 12 * 3600

/** How a kind lets its master go, and how it rests until its first pull. */
export function opening(mould: Mould): Draft[] {
  const { parts, poured } = mouldKinds[mould.kind]
  const cut = mould.openings.filter(({ made }) => made === 'cut later')
  const vents =
    cut.length > 0 && poured !== 'coats' && isClosed(mould) !== false
      ? [phrase('cut-openings', { count: cut.length })]
      : []
  const way = (() => {
    if (poured === 'coats') return { takes: 'roll-off', rests: 'nested' } as const
    if (mould.kind === 'hinged') return { takes: 'open-hinge', rests: 'together-again' } as const
    if (mould.kind === 'cut block') return { takes: 'cut-open', rests: 'together-again' } as const
    if (parts === 2) return { takes: 'part-halves', rests: 'together-again' } as const
    return { takes: 'take-out', rests: 'lay-flat' } as const
  })()
  return [
    {
      does: 'open',
      step: 'open',
      title: phrase(way.takes, {}),
      lines: [...vents, phrase(way.rests, {})],
      wait: 0,
      hazards: ['blade'],
    },
    {
      does: 'rest',
      step: 'wait',
      title: phrase('rest', {}),
      lines: [phrase('first-pull', {})],
      wait: restOfMould,
      hazards: [],
    },
  ]
}
