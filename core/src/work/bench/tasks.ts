import { z } from '../../base/schema/index.ts'
import { id, quantity, text, whole } from '../../base/document/index.ts'
import { hazards, mouldSteps } from '../../base/caution/index.ts'
import { conditionNames } from '../../mould/index.ts'

const seconds = () => z.number().min(-1e7).max(1e7)
const mass = () => quantity('mass', 0, 200)

/** Things to tick before a cup is mixed. */
export const layOutItems = [
  'gloves',
  'air',
  'moulds',
  'open moulds',
  'level',
  'prefill tools',
  'boards and bands',
  'cups',
  'pot open',
  'vessel',
  'timer',
] as const
export type LayOutItem = (typeof layOutItems)[number]

/** A sentence of the words by its code, with its amounts. */
const phraseSchema = z.object({
  code: z.string().max(40),
  amounts: z.record(z.string().max(40), z.union([z.number(), z.string(), z.boolean()])),
})

const spot = z.object({
  what: z.enum(['gate', 'vent', 'prefill']),
  across: z.number(),
  height: z.number(),
})

/** One mould as the bench speaks of it. */
const mouldSchema = z.object({
  key: text('mould', 80),
  pour: id(),
  name: text('name', 80),
  number: whole(1, 10_000),
  /** Casts that it gives this time. */
  casts: whole(1, 1000),
})
export type BenchMould = z.infer<typeof mouldSchema>

const common = {
  id: text('id', 60),
  load: whole(0, 1000),
  /** Planned, s after the first mix of its load; absent: before it. */
  at: seconds().optional(),
  /** Planned to take, s. */
  takes: seconds().optional(),
  /** Cautions to read before it are those of its step and what lies on the bench. */
  hazards: z.array(z.enum(hazards)).max(30),
}
/** Which mix, and which layer of its pieces it makes. */
const ofMix = { ...common, mix: whole(0, 5000), layer: whole(0, 60) }

/** One thing to do, as it was planned when the bench was begun. */
export const taskSchema = z.discriminatedUnion('what', [
  z.object({
    ...common,
    what: z.literal('lay out'),
    items: z.array(z.object({ what: z.enum(layOutItems), count: whole(0, 10_000) })).max(20),
  }),
  /** Done to moulds before anything is mixed; what then is left alone for so long, s. */
  z.object({
    ...common,
    what: z.literal('condition'),
    condition: z.enum(conditionNames),
    name: text('name', 60).optional(),
    moulds: z.array(mouldSchema).max(400),
    waits: seconds(),
    /** Of a metal powder that name is of, what clings to all of them. */
    clings: mass().optional(),
  }),
  z.object({
    ...ofMix,
    what: z.literal('weigh'),
    part: z.enum(['A', 'B', 'tint']),
    /** Tells it from the others in its cup. */
    key: text('key', 40),
    name: text('name', 120),
    mass: mass(),
    density: quantity('density', 50, 25_000),
    /** Into a cup of its own, so that the parts do not meet yet. */
    apart: z.enum(['own cup', 'mixing cup']),
    /** Brim of the mixing cup, m³, and the finest the scale shows, kg. */
    cup: quantity('volume', 1e-7, 1),
    step: quantity('mass', 1e-7, 0.1),
    /** What it fills. */
    moulds: whole(0, 1000),
  }),
  z.object({
    ...ofMix,
    what: z.literal('mix'),
    /** From its parts' meeting, s: it pours until; its cup gels; the first of its moulds that goes into the pot gels. */
    pours: seconds(),
    gel: seconds(),
    gelInMould: seconds().optional(),
    hard: seconds(),
    secondCup: z.enum(['yes', 'no']),
  }),
  z.object({ ...ofMix, what: z.literal('vacuum'), gauge: quantity('pressure', -2e5, 0) }),
  /** Metal powder stirred into a part of the mix, which goes in first. */
  z.object({
    ...ofMix,
    what: z.literal('face'),
    name: text('name', 120),
    powder: mass(),
    resin: mass(),
  }),
  z.object({
    ...ofMix,
    what: z.literal('prefill'),
    mould: mouldSchema,
    spots: z.array(spot).max(120),
  }),
  z.object({ ...ofMix, what: z.literal('wet'), mould: mouldSchema }),
  z.object({
    ...ofMix,
    what: z.literal('fill'),
    mould: mouldSchema,
    volume: quantity('volume', 0, 1),
    mass: mass(),
    /** It is turned then; absent: rocked and tapped. Its first shot is brushed in too. */
    turned: z.enum(['first', 'next']).optional(),
    vents: whole(0, 200),
  }),
  /** Plugged, and turned until nothing moves: the shot of a hollow cast. */
  z.object({
    ...ofMix,
    what: z.literal('turn'),
    moulds: z.array(mouldSchema).min(1).max(400),
    shot: whole(1, 60),
    of: whole(1, 60),
    by: z.enum(['hands', 'machine']),
    /** A closed mould is plugged; an open one is rolled, its mouth up. */
    closed: z.enum(['yes', 'no']),
    /** A minute. */
    turns: z.number().positive().max(120),
    /** After the parts met, s: from here what it lays stays; from here nothing moves. */
    counts: seconds(),
    stops: seconds(),
  }),
  z.object({
    ...ofMix,
    what: z.literal('set'),
    name: text('name', 120),
    count: whole(1, 100_000),
    /** After the parts met, s: no sooner, and no later. */
    from: seconds(),
    until: seconds(),
  }),
  /** Closed, with boards and bands: before its resin is mixed, or once it is prefilled from its cup. */
  z.object({ ...ofMix, what: z.literal('band'), moulds: z.array(mouldSchema).max(400) }),
  z.object({ ...ofMix, what: z.literal('into pot'), moulds: z.array(mouldSchema).max(400) }),
  z.object({
    ...common,
    what: z.literal('lid'),
    gauge: quantity('pressure', 0, 5e6),
    marked: quantity('pressure', 0, 5e6),
    /** Has to be at pressure, s after the first mix. */
    by: seconds().optional(),
  }),
  /** Tools, before what is on them is hard. */
  z.object({ ...common, what: z.literal('clean'), vessel: z.enum(['no', 'yes']) }),
  z.object({ ...common, what: z.literal('hold'), gauge: quantity('pressure', 0, 5e6) }),
  z.object({ ...common, what: z.literal('release') }),
  /** `flat`: they came out rubbery and lie flat until they are hard, s after the first mix. */
  z.object({
    ...common,
    what: z.literal('trim'),
    moulds: z.array(mouldSchema).max(400),
    flat: seconds().optional(),
  }),
  z.object({ ...common, what: z.literal('demould'), moulds: z.array(mouldSchema).max(400) }),
  /** Something that is told in sentences: of a mould that is made. */
  z.object({
    ...common,
    what: z.literal('step'),
    step: z.enum(mouldSteps),
    phrases: z.array(phraseSchema).min(1).max(12),
  }),
  /** Nothing is to be done for so long. */
  z.object({
    ...common,
    what: z.literal('wait'),
    takes: quantity('duration', 0, 1e7),
    phrases: z.array(phraseSchema).min(1).max(12),
  }),
])
export type Task = z.infer<typeof taskSchema>
export type TaskKind = Task['what']
export type TaskOf<K extends TaskKind> = Extract<Task, { what: K }>
