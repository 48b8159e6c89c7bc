import { describe, expect, it } from 'vitest'
import type { Mould } from '../mould.ts'
import { sampleMould } from '../samples.ts'
import { castResinOf, contactOf, contactsOf } from './check.ts'
import { sayContact } from '@mivro/words/contact'
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
    expect(sayContact(found).why).not.toBe('')
    if (verdict !== 'cures') expect(sayContact(found).wayOut).not.toBe('')
  })

  it('baking a print alone is not enough for platinum, and the way out names what is', () => {
    const found = contactOf(surface('resin print', { cured: 'baked' }), 'platinum silicone')
    expect(found.verdict).toBe('inhibited')
    expect(sayContact(found).wayOut).toMatch(/four weeks.*bake.*tin silicone/)
  })

  it('every rule has an id of its own', () => {
    expect(new Set(contactRules.map(({ id }) => id)).size).toBe(contactRules.length)
  })
})

describe('all that a mould touches', () => {
  const made = (values: Partial<Contact> = {}, more: Partial<Mould> = {}) => {
    const mould = sampleMould({ kind: 'two-part', ...more })
    return { ...mould, contact: { ...mould.contact, ...values } }
  }
  const platinum = { chemistry: 'platinum' } as const
  const summary = (found: ReturnType<typeof contactsOf>) =>
    found.map(({ as, verdict }) => `${as} ${verdict}`)

  it('is derived from the mould, the worst first', () => {
    const acrylic = { ...sampleMould().box, wall: 'acrylic' as const }
    const found = contactsOf(made({}, { box: acrylic, filler: 1e-5 }), platinum, ['urethane'])
    expect(summary(found)).toEqual([
      'master inhibited',
      'half sticks',
      'glue unknown',
      'walls cures',
      'clay cures',
      'fillers cures',
      'mould cures',
    ])
    const rod = { id: 'g', what: 'gate', at: [0, 0, 0], bore: 0.006, made: 'cast in' } as const
    const single = made({}, { kind: 'cut block', openings: [{ ...rod, at: [0, 0, 0] }] })
    expect(summary(contactsOf(single, platinum, []))).toContain('rods cures')
    expect(summary(contactsOf(single, platinum, []))).not.toContain('clay cures')
    expect(contactsOf(made({}, { kind: 'bought' }), platinum, [])).toHaveLength(1)
  })

  it('walls of card drink, and waxed card does not; sulphur clay in the bed is said', () => {
    const card = { ...sampleMould().box, wall: 'card' as const }
    expect(summary(contactsOf(made({}, { box: card }), platinum, []))).toContain('walls soaks in')
    const roles = { walls: surface('waxed card'), clay: surface('sulphur clay') }
    const found = summary(contactsOf(made({ roles }, { box: card }), platinum, []))
    expect(found).toContain('walls cures')
    expect(found).toContain('clay inhibited')
  })

  it('two halves need release between them, and an aged, released print leaves nothing to fear', () => {
    const master = surface('resin print', { age: 40 * day, release: 'spray' })
    const roles = { glue: surface('wax') }
    const found = contactsOf(made({ master, roles }), platinum, [])
    expect(found[0].verdict).toBe('cures')
  })

  it('what the pours cast decides, and only without one what the mould names', () => {
    const damp = {
      master: surface('glass', { damp: 'damp', release: 'spray' }),
      resin: 'polyester',
    } as const
    const cast = (resins: ('epoxy' | 'urethane')[]) =>
      contactsOf(made(damp), platinum, resins).filter(({ as }) => as === 'mould')
    expect(cast(['urethane', 'epoxy', 'urethane']).map(({ poured }) => poured)).toEqual([
      'urethane',
      'epoxy',
    ])
    expect(cast([]).map(({ poured }) => poured)).toEqual(['polyester'])
    expect(castResinOf('clear urethane')).toBe('urethane')
    expect(castResinOf('deep epoxy')).toBe('epoxy')
  })

  it.each<[Surface, Poured, string]>([
    [surface('polymer clay'), 'platinum silicone', 'inhibited'],
    [surface('polymer clay', { cured: 'baked' }), 'platinum silicone', 'cures'],
    [surface('epoxy putty', { age: day }), 'platinum silicone', 'inhibited'],
    [surface('foam board'), 'platinum silicone', 'soaks in'],
    [surface('fruit'), 'platinum silicone', 'unknown'],
    [surface('water clay'), 'urethane', 'spoils'],
    [surface('water clay'), 'tin silicone', 'cures'],
  ])('%o under %s: %s (common practice, no source)', (on, poured, verdict) => {
    expect(contactOf(on, poured).verdict).toBe(verdict)
  })

  it('a patch test beats the rule, the newest one', () => {
    const test = {
      substance: 'resin print',
      poured: 'platinum silicone',
      day: '2026-11-02',
      note: '',
    } as const
    const tested = (...results: ('cured clean' | 'tacky')[]) =>
      made({ tests: results.map((result, i) => ({ ...test, id: `t${i}`, result })) })
    const first = (mould: Mould) =>
      contactsOf(mould, platinum, []).find(({ as }) => as === 'master')!
    expect(first(tested('cured clean'))).toMatchObject({ verdict: 'cures', sure: 'test' })
    expect(first(tested('cured clean', 'tacky')).verdict).toBe('inhibited')
    expect(sayContact(first(tested('cured clean'))).why).toMatch(/patch test of 2026-11-02/)
  })
})
