import type { Pull } from './pull.ts'

/** What a pull leaves for the next plan: what to change, and what went wrong. */
export interface NextTimeNote {
  nextTime: string
  faults: Pull['faults']
  pouredAt: string
}

/** What every pull said to change or ran into, the newest first; those that said nothing are left out. */
export function nextTimeNotes(pulls: readonly Pull[]): NextTimeNote[] {
  return pulls
    .filter(({ nextTime, faults }) => nextTime.trim() !== '' || faults.length > 0)
    .sort((a, b) => Date.parse(b.pouredAt) - Date.parse(a.pouredAt))
    .map(({ nextTime, faults, pouredAt }) => ({ nextTime: nextTime.trim(), faults, pouredAt }))
}

/**
 * What the newest pull said to change, for the next plan to open with. Earlier pulls count
 * only when later ones left no word.
 */
export const nextTimeNote = (pulls: readonly Pull[]): NextTimeNote | undefined =>
  nextTimeNotes(pulls).find(({ nextTime }) => nextTime !== '')
