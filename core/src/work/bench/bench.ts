import { z } from '../../base/schema/index.ts'
import { ways } from '../../matter/air/index.ts'
import { id, note, quantity, text, whole } from '../../base/document/index.ts'
import { mishapRemedies, mishaps } from './mishapCases.ts'
import { layOutItems, taskSchema } from './tasks.ts'

/** s since 1970, as the bench's clock had it. */
const moment = () => z.number().min(0).max(1e11)
/** Of a picture, by its bytes. */
const hash = () => z.string().regex(/^[0-9a-f]{64}$/)
const common = { at: moment() }
const ofMix = { ...common, mix: whole(0, 5000) }

/** What a hand feels and an eye sees of a mix, with its time. */
export const touchMarks = ['syrup', 'gel of the cup', 'hottest', 'hard'] as const
export type TouchMark = (typeof touchMarks)[number]

/** One thing that happened. Events are only ever added; undo takes the last one back. */
export const eventSchema = z.discriminatedUnion('what', [
  /** A caution before a task was read. */
  z.object({ ...common, what: z.literal('read'), task: text('task', 60) }),
  z.object({
    ...common,
    what: z.literal('ticked'),
    task: text('task', 60),
    item: z.enum(layOutItems),
  }),
  /** The cup of a weighing was put on, and what the scale showed then counts as nothing, kg. */
  z.object({
    ...common,
    what: z.literal('tared'),
    task: text('task', 60),
    reading: quantity('mass', -100, 200).optional(),
  }),
  z.object({
    ...common,
    what: z.literal('done'),
    task: text('task', 60),
    /** Of a weighing, kg; by the scale or read off and typed. */
    weighed: quantity('mass', 0, 200).optional(),
    by: z.enum(['scale', 'hand']).optional(),
    /** Of a lid, a vacuum: what the gauge showed, Pa. */
    gauge: quantity('pressure', -2e5, 5e6).optional(),
  }),
  z.object({ ...common, what: z.literal('skipped'), task: text('task', 60) }),
  z.object({
    ...ofMix,
    what: z.literal('touched'),
    mark: z.enum(touchMarks),
    temperature: quantity('temperature', 250, 700).optional(),
  }),
  /** A cup that is not poured any further. */
  z.object({ ...ofMix, what: z.literal('lost') }),
  /** It was interrupted, and goes on. */
  z.object({ ...ofMix, what: z.literal('kept') }),
  z.object({
    ...common,
    what: z.literal('room'),
    room: quantity('temperature', 263.15, 323.15).optional(),
    humidity: quantity('fraction', 0, 1).optional(),
  }),
  /** Something went wrong, and what was done about it. */
  z.object({
    ...common,
    what: z.literal('wrong'),
    mishap: z.enum(mishaps),
    did: z.enum(mishapRemedies),
    mix: whole(0, 5000).optional(),
    /** Of the mould that it was, by its key. */
    mould: text('mould', 80).optional(),
  }),
  z.object({ ...common, what: z.literal('noted'), text: note(), picture: hash().optional() }),
])
export type BenchEvent = z.infer<typeof eventSchema>

/** A run, or a mould of silicone, as it is being carried out: what was to be done, and what happened. */
export const benchSchema = z.object({
  name: text('name', 80),
  /** Whose work it is. */
  of: z.discriminatedUnion('what', [
    z.object({ what: z.literal('run'), id: id(), revision: whole(1, 1e9) }),
    z.object({ what: z.literal('mould'), id: id(), revision: whole(1, 1e9) }),
  ]),
  way: z.enum(ways),
  room: quantity('temperature', 263.15, 323.15),
  /** Which pieces, by which plan and mould. */
  pours: z
    .array(
      z.object({
        id: id(),
        name: text('name', 80),
        piece: id(),
        plan: id(),
        planRevision: whole(1, 1e9),
        mould: id().optional(),
        bands: whole(0, 1000),
        prefills: whole(0, 1000),
        vents: whole(0, 1000),
        dust: text('dust', 20).optional(),
        release: text('release', 20).optional(),
        /** Way up, as its plan has it. */
        up: z.tuple([z.number(), z.number(), z.number()]),
        /** Names of its layers, and the materials in them. */
        layers: z.array(text('layer', 60)).max(60),
        materials: z.array(id()).max(200),
      }),
    )
    .max(40),
  tasks: z.array(taskSchema).min(1).max(4000),
  events: z.array(eventSchema).max(10_000),
})
export type Bench = z.infer<typeof benchSchema>
