import type { PlanInclusion } from './inclusion.ts'
import { hasTrait, isMetal, isOrganic } from './thing.ts'

const minute = 60
const hour = 3600
const day = 24 * hour

/** What is done to a thing before it is set in, in its order. */
export const thingSteps = ['dry', 'fill', 'seal', 'degrease', 'wash', 'wet'] as const
export type ThingStep = (typeof thingSteps)[number]

/** How long each takes with its waiting, s (common practice, no source). */
const takes: Record<ThingStep, number> = {
  dry: 7 * day,
  fill: day,
  seal: day,
  degrease: 30 * minute,
  wash: day,
  wet: 0,
}

/** What a thing needs before it is set in. */
export interface ThingPreparation {
  name: string
  steps: ThingStep[]
  /** All together, s. */
  time: number
}

/** What is known of a thing for its preparation. */
type Prepared = Pick<PlanInclusion, 'name' | 'density' | 'traits'>

/**
 * What things need before the day of the pour, each kind once: what is organic, porous or damp is
 * dried, sealed and wetted with resin, since damp and air in its pores feed bubbles for hours; what
 * bleeds is sealed; what is hollow is filled; metal and what is oily is degreased; stone and glass
 * are washed and dried.
 *
 * @example prepareThings([{ name: 'Petal', density: 400 }])[0].steps // ['dry', 'seal', 'wet']
 */
export function prepareThings(things: readonly Prepared[]): ThingPreparation[] {
  const kinds = new Map(things.map((thing) => [thing.name, thing]))
  return [...kinds.values()].map((thing) => {
    const steps = stepsFor(thing)
    return { name: thing.name, steps, time: steps.reduce((sum, step) => sum + takes[step], 0) }
  })
}

function stepsFor(thing: Prepared): ThingStep[] {
  const has = (trait: Parameters<typeof hasTrait>[1]) => hasTrait(thing, trait)
  const drinks = isOrganic(thing) || has('porous') || has('damp')
  const needed: Record<ThingStep, boolean> = {
    dry: drinks,
    fill: has('hollow'),
    seal: drinks || has('bleeds'),
    degrease: isMetal(thing) || has('oily'),
    wash: !drinks && !isMetal(thing) && !has('oily'),
    wet: drinks,
  }
  return thingSteps.filter((step) => needed[step])
}

/** A step of a preparation by the days before the pour: it begins and ends so long before, s. */
export interface PreparationEntry {
  name: string
  step: ThingStep
  from: number
  until: number
}

/**
 * What is done before the day of the pour, each step as late as the next one allows, the earliest
 * first. What takes no time is done at the pour.
 *
 * @example preparationCalendar(prepareThings([{ name: 'Petal', density: 400 }]))[0].from // 691200 (8 days)
 */
export function preparationCalendar(preparations: readonly ThingPreparation[]): PreparationEntry[] {
  return preparations
    .flatMap(({ name, steps }) => {
      let until = 0
      return steps.toReversed().flatMap((step): PreparationEntry[] => {
        if (takes[step] === 0) return []
        const entry = { name, step, from: until + takes[step], until }
        until = entry.from
        return [entry]
      })
    })
    .toSorted((a, b) => b.from - a.from)
}
