import { z } from '../../base/schema/index.ts'
import { ways } from '../../matter/air/index.ts'
import { id, note, quantity, text, whole } from '../../base/document/index.ts'
import type { CompiledPlan, Plan } from '../plan/index.ts'
import { changeNames, faultNames } from './faults.ts'

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

/** How one copy came out, and the minutes that mending it took. */
export const resultSchema = z.object({
  /** From 1; which mould it came out of, and the cavity in it. */
  copy: whole(1, 10_000),
  mould: whole(1, 10_000).optional(),
  result: z.enum(outcomes),
  /** Its mould was full, s after the parts of its mix met. */
  full: z.number().optional(),
  mended: quantity('duration', 0, 24 * 3600).optional(),
})
export type CopyResult = z.infer<typeof resultSchema>

const point = () => z.tuple([z.number(), z.number(), z.number()])

/** A fault at its place, in the axes of the piece, m. */
export const pinSchema = z.object({
  id: id(),
  fault: z.enum(faultNames),
  at: point(),
  /** How wide it is, m. */
  size: quantity('length', 0, 1),
  copy: whole(1, 10_000).optional(),
  /** Hash of a picture of it. */
  picture: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .optional(),
  note: note(),
})
export type Pin = z.infer<typeof pinSchema>

/** What was changed because of a fault, where and when: so that its effect can be told. */
export const changeSchema = z.object({
  id: id(),
  what: z.enum(changeNames),
  fault: z.enum(faultNames),
  cause: z.string().max(60),
  /** Where on the piece; left out: it is no matter of a place. */
  at: point().optional(),
  takenAt: z.iso.datetime({ offset: true }),
})
export type Change = z.infer<typeof changeSchema>

/** How it was poured; what is left out was not done or not written down. */
export const methodSchema = z.object({
  way: z.enum(ways).optional(),
  dust: z.string().max(20).optional(),
  release: z.string().max(20).optional(),
  /** Its mould was wiped before it. */
  wiped: z.enum(['yes', 'no']).optional(),
  /** Places prefilled, of those that were to be. */
  prefilled: whole(0, 10_000).optional(),
  prefills: whole(0, 10_000).optional(),
  vents: whole(0, 10_000).optional(),
  bands: whole(0, 10_000).optional(),
  /** From level, rad. */
  tilt: z.number().min(0).max(4).optional(),
  /** Gauge, Pa. */
  pressure: quantity('pressure', 0, 5e6).optional(),
  vacuum: quantity('pressure', -2e5, 0).optional(),
  warmth: quantity('temperature', 250, 420).optional(),
  secondCup: z.enum(['yes', 'no']).optional(),
})
export type Method = z.infer<typeof methodSchema>

/** When it happened, s after the parts met. */
export const pullTimesSchema = z.object({
  stirred: z.number().optional(),
  full: z.number().optional(),
  /** Until which it poured, by its plan. */
  pours: z.number().optional(),
  syrup: z.number().optional(),
  gel: z.number().optional(),
  hottest: z.number().optional(),
  atPressure: z.number().optional(),
  letGo: z.number().optional(),
  out: z.number().optional(),
  /** What it needs before it is taken out, and gels at, by its plan. */
  hard: z.number().optional(),
  /** Of a hollow cast's last shot: it was turned until, and nothing moved from then on. */
  turned: z.number().optional(),
  still: z.number().optional(),
  gels: z.number().optional(),
})
export type PullTimes = z.infer<typeof pullTimesSchema>

const plainPullSchema = z.object({
  /** The plan it followed, at that revision. */
  plan: z.string(),
  planRevision: whole(1, 1e9),
  /** The mould it came out of. */
  mould: z.string().optional(),
  /** Halves that were put together, where a mould has several of each. */
  halves: z.string().max(40).optional(),
  /** The bench that wrote it, and the load there. */
  bench: id().optional(),
  load: whole(0, 10_000).optional(),
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
  who: z.string().max(60).optional(),
  /** Materials, and how long their bottles had been open, s. */
  lots: z
    .array(z.object({ material: id(), opened: quantity('duration', 0, 1e9).optional() }))
    .max(60)
    .optional(),
  method: methodSchema.optional(),
  times: pullTimesSchema.optional(),
  results: z.array(resultSchema).max(1000).optional(),
  pins: z.array(pinSchema).max(400).optional(),
  pictures: z
    .array(z.object({ id: z.string().regex(/^[0-9a-f]{64}$/), name: z.string().max(120) }))
    .max(60)
    .optional(),
  changes: z.array(changeSchema).max(40).optional(),
  /** Steps of its ladder of cure that a hand has put on another day, by the rung. */
  rungs: z.record(z.string().max(20), z.iso.datetime({ offset: true })).optional(),
  /** What went wrong at the bench and what was done about it, s after the parts met. */
  mishaps: z
    .array(z.object({ what: text('what', 40), did: text('did', 40), at: z.number().optional() }))
    .max(60)
    .optional(),
  /** What the person answered when asked about its faults, by the sign. */
  told: z.record(z.string().max(40), z.boolean()).optional(),
  /** Of one cast as it came out, kg: of a hollow one it tells the wall. */
  castMass: quantity('mass', leastWeighed, 1000).optional(),
  /** Its wall, measured where one was cut open, m: that settles it. */
  cutWall: quantity('length', 1e-4, 0.1).optional(),
  /** One of a pair that differ in one thing. */
  trial: z
    .object({ id: id(), difference: text('difference', 80), with: z.enum(['yes', 'no']) })
    .optional(),
})

/**
 * One casting: what was actually weighed, in which room, how it came out, what to change. Where
 * results are written copy by copy, or faults pinned, the result and the faults of the whole follow
 * from them.
 */
export const pullSchema = plainPullSchema.transform((pull) => ({
  ...pull,
  outcome: pull.results?.length ? worstOf(pull.results) : pull.outcome,
  faults: [...new Set([...pull.faults, ...(pull.pins ?? []).map(({ fault }) => fault)])],
}))
export type Pull = z.infer<typeof pullSchema>

/** Good when all are, lost when none can be used, else between. @example worstOf([{ result: 'good' }, { result: 'lost' }]) // 'fixable' */
export function worstOf(results: readonly Pick<CopyResult, 'result'>[]): Outcome {
  if (results.every(({ result }) => result === 'good')) return 'good'
  return results.every(({ result }) => result === 'lost') ? 'lost' : 'fixable'
}

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
