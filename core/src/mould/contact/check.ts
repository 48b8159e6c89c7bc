import type { ResinClass, Silicone } from '../../matter/material/index.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { contactRules, type ContactRuleId, type Verdict } from './rules.ts'
import {
  castResins,
  type CastResin,
  type Contact,
  type ContactRole,
  type Poured,
  type Substance,
  type Surface,
} from './substances.ts'
import { touchedBy } from './touched.ts'

/** What a surface is there for. */
export type TouchedAs = 'master' | ContactRole | 'other' | 'half' | 'mould'

export interface ContactResult {
  as: TouchedAs
  poured: Poured
  surface: Surface
  verdict: Verdict
  /** sure: chemistry says so; likely: usual; test: nobody knows, or the patch test that was made. */
  sure: 'sure' | 'likely' | 'test'
  /** The rule that speaks, or what stands for one; sentences stand in the words. */
  rule: ContactRuleId | 'fillers' | 'unheard-of' | 'harmless'
  /** What the rule asks was done. */
  met: boolean
  /** The patch test that beats the rule. */
  test?: Contact['tests'][number]
}

/** Surfaces that no rule knows with platinum silicone. */
const unheardOf: readonly Substance[] = ['hot glue', 'fruit', 'dough']

/**
 * Whether what is poured cures on a surface and lets go of it again.
 *
 * @example contactOf(freshPrint, 'platinum silicone').verdict // 'inhibited'
 */
export function contactOf(
  surface: Surface,
  poured: Poured,
  as: TouchedAs = 'master',
): ContactResult {
  const about = contactRules.filter(
    ({ of, poured: those }) => of.includes(surface.substance) && those.includes(poured),
  )
  const against = about.find(({ unless }) => !unless(surface))
  const result = (
    verdict: Verdict,
    sure: ContactResult['sure'],
    rule: ContactResult['rule'],
    met = false,
  ): ContactResult => ({ as, poured, surface, verdict, sure, rule, met })
  // Chunks of old moulds are meant to become one with what is poured around them.
  if (against?.id === 'silicone-on-silicone' && as === 'fillers') {
    return result('cures', 'likely', 'fillers')
  }
  if (against) {
    const guess = against.verdict === 'inhibited' && surface.substance === 'PVC'
    return result(against.verdict, guess ? 'likely' : 'sure', against.id)
  }
  const met = about.find(({ silent }) => !silent)
  if (met) return result('cures', 'likely', met.id, true)
  if (unheardOf.includes(surface.substance) && poured === 'platinum silicone') {
    return result('unknown', 'test', 'unheard-of')
  }
  return result('cures', 'likely', 'harmless')
}

/**
 * Everything the silicone and the casts of a mould meet, worst first; a patch test that was made
 * beats the rule. What is cast in it is `resins`; what the mould itself names where that is empty.
 *
 * @example contactsOf(twoPartMould, platinum, [])[0].verdict // 'inhibited' (its master is a fresh print)
 */
export function contactsOf(
  mould: Mould,
  silicone: Pick<Silicone, 'chemistry'> | undefined,
  resins: readonly CastResin[],
): ContactResult[] {
  const { contact } = mould
  const found: ContactResult[] = []
  if (silicone && mouldKinds[mould.kind].poured !== 'none') {
    const poured = `${silicone.chemistry} silicone` as const
    found.push(contactOf(contact.master, poured, 'master'))
    for (const { role, surface } of touchedBy(mould, silicone)) {
      found.push(contactOf(surface, poured, role))
    }
    for (const surface of contact.others) found.push(contactOf(surface, poured, 'other'))
    if (mouldKinds[mould.kind].parts === 2) {
      const { release } = contact.master
      const half: Surface = { substance: poured, finish: 'none', release, damp: 'dry' }
      found.push(contactOf(half, poured, 'half'))
    }
  }
  if (silicone) {
    const inner: Surface = {
      substance: `${silicone.chemistry} silicone`,
      finish: 'none',
      release: 'none',
      damp: contact.master.damp,
    }
    const cast = resins.length > 0 ? resins : [contact.resin]
    for (const resin of new Set(cast)) found.push(contactOf(inner, resin, 'mould'))
  }
  return found.map((result) => tested(result, contact)).sort((a, b) => rank(a) - rank(b))
}

/** What a resin counts as where it touches things. @example castResinOf('clear urethane') // 'urethane' */
export const castResinOf = (resinClass: ResinClass): CastResin =>
  castResins.find((resin) => resinClass.includes(resin)) ?? 'epoxy'

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
    test,
  }
}
