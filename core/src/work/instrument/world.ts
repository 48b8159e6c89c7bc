import { z } from '../../base/schema/index.ts'
import { quantity, text } from '../../base/document/index.ts'
import { instrumentNames, type InstrumentName } from './reading.ts'

/** How a stand-in can be told to fail. */
export const failures = [
  'frozen',
  'jumping',
  'gone',
  'wrong unit',
  'leaking',
  'relief valve',
] as const
export type Failure = (typeof failures)[number]

/** A cup on the bench and what is really in it. */
export const cupSchema = z.object({
  id: text('cup', 60),
  /** Empty, kg. */
  own: quantity('mass', 0, 5),
  parts: z.record(z.string().max(40), quantity('mass', 0, 200)),
  /** When its parts met, s of the world's clock, and how warm it has been since. */
  met: z.number().optional(),
  warmth: z.object({ time: z.array(z.number()), temperature: z.array(z.number()) }).optional(),
})
export type Cup = z.infer<typeof cupSchema>

/** The simulated world at the bench: what is there, whatever instruments show of it. */
export const worldSchema = z.object({
  /** s since 1970, as its clock goes. */
  at: z.number(),
  room: quantity('temperature', 250, 330),
  humidity: quantity('fraction', 0, 1),
  /** Of the table, rad. */
  tilt: z.number().min(-1).max(1),
  cups: z.array(cupSchema).max(200),
  scale: z.object({
    step: quantity('mass', 1e-7, 0.1),
    capacity: quantity('mass', 0.01, 200),
    /** The cup on its plate. */
    cup: z.string().nullable(),
    tare: z.number(),
    /** What its cell has settled to, and how far it has crept, kg. */
    settled: z.number(),
    crept: z.number(),
    /** Touched last, s: it turns itself off. */
    touched: z.number(),
    on: z.boolean(),
  }),
  /** Something runs into the cup on the scale. */
  tap: z
    .object({ part: z.string().max(40), flow: z.number().min(0).max(1), left: z.number() })
    .nullable(),
  pot: z.object({
    volume: quantity('volume', 1e-4, 2),
    flow: quantity('flow', 1e-6, 1),
    marked: quantity('pressure', 1e4, 5e6),
    /** Regulator, gauge, Pa; 0: the compressor is shut off. */
    set: z.number().min(0).max(5e6),
    lid: z.enum(['open', 'shut']),
    valve: z.enum(['open', 'shut']),
    pressure: z.number(),
  }),
  vessel: z.object({
    volume: quantity('volume', 1e-4, 2),
    flow: quantity('flow', 1e-6, 1),
    /** Pa/s, with the valve shut. */
    leak: z.number().min(0),
    pump: z.enum(['on', 'off']),
    valve: z.enum(['open', 'shut']),
    pressure: z.number(),
  }),
  probe: z.string().nullable(),
  failing: z.partialRecord(z.enum(instrumentNames), z.enum(failures)),
  /** What a frozen instrument goes on showing. */
  held: z.partialRecord(z.enum(instrumentNames), z.number()),
})
export type World = z.infer<typeof worldSchema>

/** Usual of a bench scale (common practice, no source). */
export const scaleOf = {
  capacity: 2,
  /** Time in which its cell settles, s. */
  settles: 0.35,
  /** Creeps by a step in so long, s. */
  creep: 1800,
  /** Turns itself off, s. */
  sleeps: 180,
  /** Steady once it has so many steps still to go. */
  steady: 0.1,
}

/** A cup of the bench, empty, kg (common practice, no source). */
export const cupWeighs = 0.006

const litre = 1e-3

/** A bench to begin with: a room, a scale with nothing on it, pot and vessel open. */
export function newWorld(at: number): World {
  return {
    at,
    room: 294.15,
    humidity: 0.45,
    tilt: 0.003,
    cups: [],
    scale: {
      step: 1e-4,
      capacity: scaleOf.capacity,
      cup: null,
      tare: 0,
      settled: 0,
      crept: 0,
      touched: at,
      on: true,
    },
    tap: null,
    pot: {
      volume: 12 * litre,
      flow: 0.1 / 60,
      marked: 413_685,
      set: 0,
      lid: 'open',
      valve: 'open',
      pressure: 0,
    },
    vessel: {
      volume: 8 * litre,
      flow: 0.085 / 60,
      leak: 8,
      pump: 'off',
      valve: 'open',
      pressure: 0,
    },
    probe: null,
    failing: {},
    held: {},
  }
}

/** What is in a cup, kg, without the cup. @example contentOf({ id: 'a', own: 0.006, parts: { A: 0.01, B: 0.02 } }) // 0.03 */
export const contentOf = ({ parts }: Cup): number =>
  Object.values(parts).reduce((sum, mass) => sum + mass, 0)

/** What stands on the scale, kg, with its cup. @example loadOf(newWorld(0)) // 0 */
export function loadOf({ scale, cups }: Pick<World, 'scale' | 'cups'>): number {
  const cup = cups.find(({ id }) => id === scale.cup)
  return cup ? cup.own + contentOf(cup) : 0
}

/** The failure of one instrument, if it has that one. */
export const fails = ({ failing }: World, instrument: InstrumentName, how: Failure): boolean =>
  failing[instrument] === how
