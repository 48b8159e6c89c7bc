import type { Pull } from './pull.ts'

/**
 * What the newest pull said to change, for the next plan to open with. Earlier pulls count
 * only when later ones left no word.
 */
export function lastWord(
  pulls: readonly Pull[],
): { nextTime: string; pouredAt: string } | undefined {
  return pulls
    .filter((pull) => pull.nextTime.trim() !== '')
    .sort((a, b) => Date.parse(b.pouredAt) - Date.parse(a.pouredAt))
    .map(({ nextTime, pouredAt }) => ({ nextTime: nextTime.trim(), pouredAt }))[0]
}
