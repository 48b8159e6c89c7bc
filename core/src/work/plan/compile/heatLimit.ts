import { resinClasses, type Resin } from '../../../matter/material/index.ts'
import { isOrganic } from '../../../matter/inclusion/index.ts'
import type { Plan } from '../plan.ts'

/** With petals, wood, wax or other organic things set in, K (common practice, no source). */
export const organicHeatLimit = 333.15

/** What is at stake when a layer gets hotter, and who says so. */
export interface HeatLimit {
  /** K */
  at: number
  /** The person's own for this pour, something set in, the resin's sheet, or what is usual for its class. */
  by: 'plan' | 'inside' | 'sheet' | 'class'
  /** What is set in and bears no more. */
  name?: string
}

/**
 * How hot a layer of that resin may get in this plan; undefined where heat is no fault, as in an
 * opaque fast urethane. A limit of the plan's own wins; else the least of what is set in anywhere
 * in the piece and of what the resin bears.
 *
 * @example heatLimitOf(planWithAPetal, deepEpoxy) // { at: 333.15, by: 'inside', name: 'Petal' }
 */
export function heatLimitOf(plan: Plan, resin: Resin | undefined): HeatLimit | undefined {
  if (plan.heatLimit !== undefined) return { at: plan.heatLimit, by: 'plan' }
  const limits = plan.layers.flatMap(({ inclusions }) =>
    inclusions.flatMap((inclusion): HeatLimit[] => {
      const { name, heatLimit = isOrganic(inclusion) ? organicHeatLimit : undefined } = inclusion
      return heatLimit === undefined ? [] : [{ at: heatLimit, by: 'inside', name }]
    }),
  )
  const usual = resin && resinClasses[resin.class].heatLimit
  if (resin?.heatLimit !== undefined) limits.push({ at: resin.heatLimit, by: 'sheet' })
  else if (usual !== undefined) limits.push({ at: usual, by: 'class' })
  return lowest(limits)
}

/** The limit that is reached first. */
export const lowest = (limits: readonly (HeatLimit | undefined)[]): HeatLimit | undefined =>
  limits.reduce((least, one) => (one && (!least || one.at < least.at) ? one : least), undefined)
