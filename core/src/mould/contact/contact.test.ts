import { describe, expect, it } from 'vitest'
import { contactOf, contactsOf } from './check.ts'
import { contactRules } from './rules.ts'
import type { Contact, Poured, Substance, Surface } from './substances.ts'

const day = 86400
const surface = (substance: Substance, values: Partial<Surface> = {}): Surface => ({
  substance,
  finish: 'none',
  release: 'none',
  damp: 'dry',
  ...values,
})

/** Facts of the trade; common practice, no source, unless the rule names one. */
describe('what happens where they touch', () => {
  it.each<[string, Surface, Poured, string]>([
    ['platinum on a fresh print', surface('resin print'), 'platinum silicone', 'inhibited'],
    ['platinum on sulphur clay', surface('sulphur clay'), 'platinum silicone', 'inhibited'],
    [
      'platinum on sulphur clay under lacquer',
      surface('sulphur clay', { finish: 'lacquer' }),
      'platinum silicone',
      'inhibited',
    ],
    [
      'platinum on fresh epoxy',
      surface('epoxy cast', { age: day }),
      'platinum silicone',
      'inhibited',
    ],
    [
      'platinum on tin silicone',
      surface('tin silicone', { release: 'spray' }),
      'platinum silicone',
      'inhibited',
    ],
    ['silicone on glass', surface('glass'), 'platinum silicone', 'sticks'],
    ['tin silicone on glass', surface('glass'), 'tin silicone', 'sticks'],
    ['silicone on silicone', surface('platinum silicone'), 'platinum silicone', 'sticks'],
    ['silicone on card', surface('card'), 'tin silicone', 'soaks in'],
    ['silicone on plaster', surface('plaster'), 'platinum silicone', 'soaks in'],
    [
      'urethane on a damp master',
      surface('plaster', { damp: 'damp', finish: 'lacquer' }),
      'urethane',
      'spoils',
    ],
    [
      'urethane in a damp mould',
      surface('platinum silicone', { damp: 'damp' }),
      'urethane',
      'spoils',
    ],
    ['hot glue under platinum', surface('hot glue'), 'platinum silicone', 'unknown'],
    ['tin over a fresh print', surface('resin print'), 'tin silicone', 'cures'],
    ['tin over sulphur clay', surface('sulphur clay'), 'tin silicone', 'cures'],
    [
      'platinum on a print of five weeks',
      surface('resin print', { age: 35 * day }),
      'platinum silicone',
      'cures',
    ],
    [
      'platinum on a print baked and coated',
      surface('resin print', { cured: 'baked', finish: 'acrylic coat' }),
      'platinum silicone',
      'cures',
    ],
    [
      'platinum on released glass',
      surface('glass', { release: 'spray' }),
      'platinum silicone',
      'cures',
    ],
    [
      'platinum on sealed plaster',
      surface('plaster', { finish: 'lacquer' }),
      'platinum silicone',
      'cures',
    ],
    [
      'silicone on released silicone',
      surface('platinum silicone', { release: 'spray' }),
      'platinum silicone',
      'cures',
    ],
    ['epoxy in silicone', surface('platinum silicone'), 'epoxy', 'cures'],
    ['platinum on wax', surface('wax'), 'platinum silicone', 'cures'],
  ])('%s', (_, on, poured, verdict) => {
    const found = contactOf(on, poured)
    expect(found.verdict).toBe(verdict)
    expect(found.why).not.toBe('')
    if (verdict !== 'cures') expect(found.wayOut).not.toBe('')
  })

  it('baking a print alone is not enough for platinum, and the way out names what is', () => {
    const found = contactOf(surface('resin print', { cured: 'baked' }), 'platinum silicone')
    expect(found.verdict).toBe('inhibited')
    expect(found.wayOut).toMatch(/four weeks.*bake.*tin silicone/)
  })

  it('every rule has an id of its own, a reason and a way out', () => {
    expect(new Set(contactRules.map(({ id }) => id)).size).toBe(contactRules.length)
    for (const { why, wayOut } of contactRules) {
      expect(why.endsWith('.')).toBe(true)
      expect(wayOut.endsWith('.')).toBe(true)
    }
  })
})

describe('all that a mould touches', () => {
  const contact: Contact = {
    master: surface('resin print'),
    others: [surface('sulphur-free clay')],
    resin: 'urethane',
    tests: [],
  }
  const platinum = { chemistry: 'platinum' } as const

  it('the worst comes first; two halves of silicone need release between them', () => {
    const found = contactsOf(contact, platinum, 'two parts')
    expect(found.map(({ verdict }) => verdict)).toEqual(['inhibited', 'sticks', 'cures', 'cures'])
    const aged = { ...contact, master: surface('resin print', { age: 40 * day, release: 'spray' }) }
    expect(contactsOf(aged, platinum, 'two parts')[0].verdict).toBe('cures')
  })

  it('a patch test beats the rule, the newest one', () => {
    const test = {
      substance: 'resin print',
      poured: 'platinum silicone',
      day: '2026-11-02',
      note: '',
    } as const
    const tested = (...results: ('cured clean' | 'tacky')[]): Contact => ({
      ...contact,
      tests: results.map((result, i) => ({ ...test, id: `t${i}`, result })),
    })
    const first = (with_: Contact) =>
      contactsOf(with_, platinum, 'one part').find(
        ({ surface: s }) => s.substance === 'resin print',
      )!
    expect(first(tested('cured clean'))).toMatchObject({ verdict: 'cures', sure: 'test' })
    expect(first(tested('cured clean', 'tacky')).verdict).toBe('inhibited')
    expect(first(tested('cured clean')).why).toMatch(/patch test of 2026-11-02/)
  })
})
