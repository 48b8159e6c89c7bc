import { inOrder } from '../../base/procedure/index.ts'
import { conditionFacts, conditionRules, isDue, type ConditionName } from '../../mould/index.ts'
import type { RunMould } from './moulds.ts'

/** One line of conditioning, for all moulds of a load that are due for it. */
export interface Conditioning {
  what: ConditionName
  /** Of something of one's own. */
  name?: string
  moulds: RunMould[]
  /** Hands for all of them, and what is left alone afterwards, s. */
  hands: number
  waits: number
}

/**
 * What is done to the moulds of a load before anything is mixed: the lines that are due at this pull
 * of each, alike ones together, in the order of the trade. What is done with resin is left out.
 *
 * @example conditioningOfLoad([], 1) // []
 */
export function conditioningOfLoad(moulds: readonly RunMould[], pairs: number): Conditioning[] {
  const found = new Map<string, Conditioning & { does: ConditionName }>()
  for (const mould of moulds) {
    for (const { what, name, every, hands } of mould.pour.before) {
      if (what === 'wet walls' || !isDue({ every }, mould.pull)) continue
      const key = `${what} ${name ?? ''}`
      const { waits } = conditionFacts[what]
      const known = found.get(key) ?? { does: what, what, name, moulds: [], hands: 0, waits }
      known.moulds.push(mould)
      known.hands += hands / pairs
      found.set(key, known)
    }
  }
  return inOrder([...found.values()], conditionRules).map(({ does: _, ...line }) => line)
}

/**
 * How long a mould's wall is wetted with the first of its resin, s; 0: it is filled at once.
 *
 * @example wetsFor({ pull: 2, pour: { before: [{ what: 'wet walls', every: 1, hands: 20 }] } }) // 20
 */
export const wetsFor = ({
  pull,
  pour,
}: Pick<RunMould, 'pull'> & { pour: Pick<RunMould['pour'], 'before'> }): number =>
  pour.before.find((line) => line.what === 'wet walls' && isDue(line, pull))?.hands ?? 0
