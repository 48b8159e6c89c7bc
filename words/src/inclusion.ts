import {
  unseen,
  type Pattern,
  type Settling,
  type ThingPreparation,
  type ThingShape,
  type ThingStep,
} from '@mivro/core/inclusion'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/units'

export const thingShapeWords: Record<ThingShape, string> = {
  ball: 'Ball',
  disc: 'Disc',
  star: 'Star',
  ring: 'Ring',
  shard: 'Shard',
}

export const patternWords: Record<Pattern, string> = {
  even: 'Even',
  cluster: 'Cluster',
  ring: 'Ring',
  spiral: 'Spiral',
}

/** What is done to a thing before it is set in. */
const stepWords: Record<ThingStep, string> = {
  dry: 'press and dry it through',
  seal: 'seal it with two thin coats',
  wet: 'wet it with resin before it goes in',
  degrease: 'degrease it with alcohol and touch it no more',
  wash: 'wash it and dry it through',
}

/**
 * What a thing needs before the day of the pour.
 *
 * @example sayPreparation({ name: 'Stars', steps: ['degrease'], time: 1800 }) // 'Stars: degrease it with alcohol and touch it no more (30 min).'
 */
export const sayPreparation = ({ name, steps, time }: ThingPreparation): string =>
  `${name}: ${steps.map((step) => stepWords[step]).join(', ')} (${showDuration(time)}).`

/**
 * What becomes of a thing until the gel in a layer so deep, in the person's units.
 *
 * @example saySettling({ drift: 0, holdsFrom: 0, gel: 3600 }, 0.01) // 'The pour carries it; it neither sinks nor rises.'
 */
export function saySettling(
  { drift, holdsFrom }: Settling,
  depth: number,
  choice: UnitChoice = metric,
): string {
  if (drift === 0) return 'The pour carries it; it neither sinks nor rises.'
  const far = show(Math.abs(drift), 'length', choice)
  const through = Math.abs(drift) >= depth
  if (Math.abs(drift) < unseen) return `Stays where it is set: it moves ${far} until the gel.`
  const way =
    drift < 0
      ? `sink ${through ? 'to the floor of its layer' : far}`
      : `rise ${through ? 'to the surface' : far}`
  return `Set in with the pour it would ${way} before the gel; set in from ${showDuration(holdsFrom)} after mixing it stays.`
}
