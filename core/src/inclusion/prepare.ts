import type { PlanInclusion } from './inclusion.ts'
import { isMetal, isOrganic } from './thing.ts'

const minute = 60
const hour = 3600
const day = 24 * hour

/** What is done to a thing before it is set in. */
export type ThingStep = 'dry' | 'seal' | 'wet' | 'degrease' | 'wash'

/** How long each takes with its waiting, s (common practice, no source). */
const takes: Record<ThingStep, number> = {
  dry: 7 * day,
  seal: day,
  wet: 0,
  degrease: 30 * minute,
  wash: day,
}

/** What a thing needs before it is set in. */
export interface ThingPreparation {
  name: string
  steps: ThingStep[]
  /** All together, s. */
  time: number
}

/**
 * What things need before the day of the pour, each kind once: organic ones are dried, sealed and
 * wetted with resin, since damp and air in their pores feed bubbles for hours; metal is degreased;
 * stone and glass are washed and dried.
 *
 * @example prepareThings([{ name: 'Petal', density: 400 }])[0].steps // ['dry', 'seal', 'wet']
 */
export function prepareThings(
  things: readonly Pick<PlanInclusion, 'name' | 'density'>[],
): ThingPreparation[] {
  const kinds = new Map(things.map((thing) => [thing.name, thing]))
  return [...kinds.values()].map((thing) => {
    const steps: ThingStep[] = isOrganic(thing)
      ? ['dry', 'seal', 'wet']
      : [isMetal(thing) ? 'degrease' : 'wash']
    return { name: thing.name, steps, time: steps.reduce((sum, step) => sum + takes[step], 0) }
  })
}
