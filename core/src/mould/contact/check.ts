import type { Silicone } from '../../material/index.ts'
import { contactRules, type ContactRule, type Verdict } from './rules.ts'
import type { Contact, Poured, Surface } from './substances.ts'

export interface ContactResult {
  poured: Poured
  surface: Surface
  verdict: Verdict
  /** sure: chemistry says so; likely: usual; test: nobody knows, or the patch test that was made. */
  sure: 'sure' | 'likely' | 'test'
  why: string
  wayOut: string
  /** The rule that speaks. */
  rule: string
}

/** Nothing hinders these from curing (common practice, no source). */
const harmless = 'Nothing known about it hinders the cure.'

/** Surfaces that no rule knows with what is poured. */
const unheardOf: readonly string[] = ['hot glue']

/**
 * Whether what is poured cures on a surface and lets go of it again.
 *
 * @example contactOf(freshPrint, 'platinum silicone').verdict // 'inhibited'
 */
export function contactOf(surface: Surface, poured: Poured): ContactResult {
  const about = contactRules.filter(
    ({ of, poured: those }) => of.includes(surface.substance) && those.includes(poured),
  )
  const against = about.find(({ unless }) => !unless(surface))
  if (against) return speak(surface, poured, against)
  const met = about.find(({ then }) => then !== '')
  if (met) {
    const base = { poured, surface, verdict: 'cures' as const, sure: 'likely' as const }
    return { ...base, why: met.then, wayOut: '', rule: met.id }
  }
  if (unheardOf.includes(surface.substance) && poured === 'platinum silicone') {
    return {
      poured,
      surface,
      verdict: 'unknown',
      sure: 'test',
      why: 'Some hot glues carry resins that disturb platinum, others do not.',
      wayOut: 'Make a patch test: a spoonful on a hidden place, overnight.',
      rule: 'patch-test',
    }
  }
  return {
    poured,
    surface,
    verdict: 'cures',
    sure: 'likely',
    why: harmless,
    wayOut: '',
    rule: 'harmless',
  }
}

const speak = (surface: Surface, poured: Poured, rule: ContactRule): ContactResult => ({
  poured,
  surface,
  verdict: rule.verdict,
  sure: rule.verdict === 'inhibited' && surface.substance === 'PVC' ? 'likely' : 'sure',
  why: rule.why,
  wayOut: rule.wayOut,
  rule: rule.id,
})

/**
 * Everything the silicone and the casts of a mould meet, worst first; a patch test that was made
 * beats the rule.
 */
export function contactsOf(
  contact: Contact,
  silicone: Pick<Silicone, 'chemistry'> | undefined,
  twoParts: 'one part' | 'two parts',
): ContactResult[] {
  const found: ContactResult[] = []
  if (silicone) {
    const poured = `${silicone.chemistry} silicone` as const
    for (const surface of [contact.master, ...contact.others])
      found.push(contactOf(surface, poured))
    if (twoParts === 'two parts') {
      const half: Surface = {
        substance: poured,
        finish: 'none',
        release: contact.master.release,
        damp: 'dry',
      }
      found.push(contactOf(half, poured))
    }
    const inner: Surface = {
      substance: poured,
      finish: 'none',
      release: 'none',
      damp: contact.master.damp,
    }
    found.push(contactOf(inner, contact.resin))
  }
  return found.map((result) => tested(result, contact)).sort((a, b) => rank(a) - rank(b))
}

const order: Verdict[] = ['inhibited', 'sticks', 'spoils', 'soaks in', 'unknown', 'cures']
const rank = ({ verdict }: ContactResult) => order.indexOf(verdict)

function tested(result: ContactResult, { tests }: Contact): ContactResult {
  const test = tests.findLast(
    ({ substance, poured }) => substance === result.surface.substance && poured === result.poured,
  )
  if (!test) return result
  const verdict = { 'cured clean': 'cures', tacky: 'inhibited', stuck: 'sticks' } as const
  return {
    ...result,
    verdict: verdict[test.result],
    sure: 'test',
    why: `Your patch test of ${test.day}: ${test.result}.`,
    wayOut: test.result === 'cured clean' ? '' : result.wayOut,
  }
}
