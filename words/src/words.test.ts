import { describe, expect, it } from 'vitest'
import { safetyTable } from '@mivro/core/base/caution'
import { contactRules, contactOf } from '@mivro/core/mould'
import { causeNames } from '@mivro/core/learn/diagnosis'
import { cautionCodes } from './caution.ts'
import { sayContact } from './contact.ts'
import { causeWords } from './diagnosis.ts'
import { mouldKindWords, sayKindReason } from './mouldKind.ts'
import { preparationWords } from './prepare.ts'
import { problemCodes, sayProblem } from './problem.ts'
import { imperial, metric } from '@mivro/core/base/units'
import { Problem } from '@mivro/core/base/problem'
import { sayOutcome } from './pull.ts'
import { deferring, saySafety } from './safety.ts'
import { saySiliconeAsks, saySiliconeReason } from './silicone.ts'

const sentence = /^[A-Z\d].*\.$/

describe('sentences', () => {
  it('codes are stable words, each used once', () => {
    const codes = [...cautionCodes, ...problemCodes]
    expect(new Set(codes).size).toBe(codes.length)
    for (const code of codes) expect(code).toMatch(/^[a-z]+(-[a-z]+)*$/)
  })

  it('examples come first in the units that are read', () => {
    const said = (kind: string, choice = metric) =>
      sayProblem(new Problem('nothing-typed', { kind }), choice)
    expect(said('mass')).toContain('such as 4 g')
    expect(said('mass', imperial)).toContain('such as 0.5 oz')
    expect(said('temperature', imperial)).toContain('such as 70 °F')
    expect(said('density', imperial)).toBe(said('density'))
  })

  it('a pull is counted where its copies differ, and named where they do not', () => {
    const all = (...counts: [number, number, number]) =>
      (['good', 'fixable', 'lost'] as const).flatMap((result, i) =>
        Array.from({ length: counts[i] }, () => ({ result })),
      )
    expect(sayOutcome({ outcome: 'fixable', results: all(19, 1, 1) })).toBe(
      '19 good, 1 fixable, 1 lost',
    )
    expect(sayOutcome({ outcome: 'good', results: all(6, 0, 0) })).toBe('Good')
    expect(sayOutcome({ outcome: 'lost' })).toBe('Lost')
  })

  it('of safety are whole, and defer to the sheet and to local rules', () => {
    for (const line of safetyTable) expect(saySafety(line)).toMatch(sentence)
    expect(deferring).toMatch(/safety data sheet and your local rules come first/)
  })

  it('of contact say why and the way out, and nothing of a way where it cures', () => {
    for (const { of: substances, poured, unless } of contactRules) {
      const surface = { substance: substances[0], finish: 'none', release: 'none' } as const
      const found = contactOf({ ...surface, damp: 'damp' }, poured[0])
      const { why, wayOut } = sayContact(found)
      expect(why).toMatch(sentence)
      if (!unless(found.surface)) expect(wayOut).toMatch(sentence)
    }
    const glass = { substance: 'glass', finish: 'none', release: 'spray', damp: 'dry' } as const
    expect(sayContact(contactOf(glass, 'tin silicone')).wayOut).toBe('')
  })

  it('name what causes each fault, and what is done to a master', () => {
    for (const cause of causeNames) expect(causeWords[cause]).toMatch(sentence)
    for (const { what, why } of Object.values(preparationWords)) {
      expect(what).toMatch(/^[A-Z]/)
      expect(why).toMatch(sentence)
    }
    for (const { what } of Object.values(mouldKindWords)) expect(what).toMatch(sentence)
  })

  it('of reasons carry their amounts', () => {
    const worn = { reason: 'wears-out', pulls: 15, moulds: 2, copies: 24 } as const
    expect(sayKindReason(worn)).toBe('wears out after about 15 pulls: 2 moulds for 24 copies')
    expect(saySiliconeReason({ reason: 'inhibited', by: 'resin print' })).toBe(
      'does not cure on resin print',
    )
    const asks = { hardness: 'soft', clear: true, thin: true } as const
    expect(saySiliconeAsks(asks)[0]).toContain('about 10 to 18A')
  })
})
