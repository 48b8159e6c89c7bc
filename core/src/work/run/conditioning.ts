import { inOrder } from '../../base/procedure/index.ts'
import {
  conditionFacts,
  conditionRules,
  isDue,
  usualCondition,
  type Condition,
  type ConditionName,
} from '../../mould/index.ts'
import type { RunMould } from './moulds.ts'

/** One line of conditioning, for all moulds of a load that are due for it. */
export interface Conditioning {
  what: ConditionName
  /** Of something of one's own. */
  name?: string
  moulds: RunMould[]
  /** Metal powder that clings to all of them, kg. */
  clings?: number
  /** Hands for all of them, and what is left alone afterwards, s. */
  hands: number
  waits: number
}

/**
 * What is done to the moulds of a load before anything is mixed: the lines that are due at this pull
 * of each, alike ones together, in the order of the trade. What is done with resin is left out.
 * A mould of a metal skin is dusted with that powder and no other.
 *
 * @example conditioningOfLoad([], 1) // []
 */
export function conditioningOfLoad(moulds: readonly RunMould[], pairs: number): Conditioning[] {
  const found = new Map<string, Conditioning & { does: ConditionName }>()
  for (const mould of moulds) {
    // A solid foot may be poured before it.
    const skin = mould.pour.layers.find((layer) => layer.skin)?.skin
    const due = mould.pour.before.filter(
      (line) => line.what !== 'wet walls' && isDue(line, mould.pull),
    )
    const dusted: Condition = { ...usualCondition('powder'), name: skin?.powder }
    const lines = skin ? [...due.filter(({ what }) => what !== 'powder'), dusted] : due
    for (const { what, name, hands } of lines) {
      const key = `${what} ${name ?? ''}`
      const { waits } = conditionFacts[what]
      const known = found.get(key) ?? { does: what, what, name, moulds: [], hands: 0, waits }
      if (skin && what === 'powder') known.clings = (known.clings ?? 0) + skin.dust
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
