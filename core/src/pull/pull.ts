import { z } from '../schema/index.ts'
import { note, quantity, text, whole } from '../document/index.ts'
import type { CompiledPlan, Plan } from '../plan/index.ts'
import { faultNames } from './faults.ts'

export const outcomes = ['good', 'fixable', 'lost'] as const
export type Outcome = (typeof outcomes)[number]

/** The least that a bench scale shows, kg: what weighs nothing was not weighed. */
const leastWeighed = 1e-6

const amountSchema = z.object({
  what: z.enum(['A', 'B', 'tint']),
  name: text('name'),
  planned: quantity('mass', 0, 1000),
  /** Absent: not written down. */
  weighed: quantity('mass', leastWeighed, 1000).optional(),
})

/** One casting: what was actually weighed, in which room, how it came out, what to change. */
export const pullSchema = z.object({
  /** The plan it followed, at that revision. */
  plan: z.string(),
  planRevision: whole(1, 1e9),
  /** The mould it came out of. */
  mould: z.string().optional(),
  /** ISO 8601, with its offset. */
  pouredAt: z.iso.datetime({ offset: true }),
  copies: whole(1, 1000),
  room: quantity('temperature', 263.15, 323.15),
  humidity: quantity('fraction', 0, 1).optional(),
  layers: z.array(z.object({ name: text('name'), amounts: z.array(amountSchema) })),
  outcome: z.enum(outcomes),
  faults: z.array(z.enum(faultNames)),
  note: note(),
  nextTime: note(),
})
export type Pull = z.infer<typeof pullSchema>

/**
 * A pull to fill in: what the plan said to weigh, all cups together, stands beside what was
 * weighed.
 *
 * @example newPull(plan, compiled, from).layers[0].amounts.length // 2
 */
export function newPull(
  plan: Plan,
  compiled: CompiledPlan,
  from: Pick<Pull, 'plan' | 'planRevision' | 'pouredAt' | 'mould'>,
): Pull {
  return {
    ...from,
    copies: plan.copies,
    room: plan.room,
    layers: compiled.layers
      .filter((layer) => layer.weighing)
      .map((layer) => ({
        name: layer.name,
        amounts: layer.weighing!.steps.map(({ what, name, mass }) => ({
          what,
          name,
          planned: mass * layer.weighing!.cups,
        })),
      })),
    outcome: 'good',
    faults: [],
    note: '',
    nextTime: '',
  }
}
