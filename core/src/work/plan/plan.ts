import { z } from '../../base/schema/index.ts'
import { handlingSchema } from '../../matter/air/index.ts'
import { pourEnds } from '../../matter/cure/index.ts'
import { mostShots } from '../../matter/turning/index.ts'
import { planInclusionSchema } from '../../matter/inclusion/index.ts'
import { id, note, quantity, refuse, text, whole } from '../../base/document/index.ts'

const hour = 3600
const day = 24 * hour

/** How a layer should meet the one below. */
export const joins = ['crisp', 'soft', 'bled'] as const
export type Join = (typeof joins)[number]

/** A skin of metal powder on the walls that a hollow cast lines. */
const skinSchema = z.object({
  /** A powder of the shelf; absent until one is chosen. */
  powder: id().optional(),
  /** Dusted on alone, or the first shot's face takes powder too. */
  school: z.enum(['dusted', 'filled']),
  /** What clings to a wall, kg/m², by powder that was weighed before and after; left out: what is usual. */
  cling: z.number().min(1e-4).max(10).optional(),
  /** Of a face: powder for its resin, by weight. */
  share: quantity('fraction', 0.05, 12),
})
export type MetalSkin = z.infer<typeof skinSchema>

/** A wall of a hollow cast, in shots that are each turned until they stay. */
const shellFillSchema = z.object({
  by: z.literal('shell'),
  wall: quantity('length', 0.0003, 0.05),
  shots: whole(1, mostShots),
  turned: z.enum(['hands', 'machine']),
  /** A minute. */
  turns: whole(1, 60),
  skin: skinSchema.optional(),
})
export type ShellFill = z.infer<typeof shellFillSchema>

/** Where a layer ends: at a height above the lowest point, after a volume of resin, or at a wall's inner face. */
export const fillSchema = z.discriminatedUnion('by', [
  shellFillSchema,
  z.object({ by: z.literal('height'), top: quantity('length', 0.0001, 2) }),
  z.object({ by: z.literal('volume'), volume: quantity('volume', 1e-8, 0.1) }),
])
export type Fill = z.infer<typeof fillSchema>

const timeOfDay = () => quantity('duration', 0, day)

/** A tint in a layer, as a share of the resin's weight. */
const tintShareSchema = z.object({ material: id(), fraction: quantity('fraction', 0, 0.95) })
export type TintShare = z.infer<typeof tintShareSchema>

/** Plans from before a layer could hold several tints name one, or none. */
function withTints(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || 'tints' in value) return value
  const { tint, ...layer } = value as { tint?: unknown }
  return { ...layer, tints: tint === undefined ? [] : [tint] }
}

const newLayerSchema = z.object({
  id: id(),
  name: text('name', 60),
  fill: fillSchema,
  /** A resin of the shelf; absent until one is chosen. */
  resin: id().optional(),
  tints: z.array(tintShareSchema).max(6),
  inclusions: z.array(planInclusionSchema).max(40),
  /** With the layer below; nothing to the first. */
  join: z.enum(joins),
  /** From the pour of the layer below to this one's, s; left out: as the join wants it. */
  wait: quantity('duration', 0, 30 * day).optional(),
  /** Cups that the batch is mixed in, one after the other; more where that many can't be stirred. */
  cups: whole(1, 50).optional(),
})
export const layerSchema = z.preprocess(withTints, newLayerSchema)
export type Layer = z.infer<typeof layerSchema>

/** How a piece is poured. Layers run from the bottom up, as the piece lies in the mould. */
export const planSchema = z.object({
  name: text('name', 80),
  /** Against gravity, in the piece's own axes; any length. */
  up: z.tuple([z.number(), z.number(), z.number()]).superRefine((v, context) => {
    if (!(Math.hypot(...v) > 1e-9)) refuse(context, [], 'not-a-direction', {})
  }),
  /** An open mould shows its first layer as the face; a closed one has no face. A mould that is planned decides it. */
  mould: z.enum(['open', 'closed']),
  layers: z.array(layerSchema).max(40),
  /** What stays in the gate of one copy, m³, where no mould with gates says it. */
  gate: quantity('volume', 0, 0.01),
  /** Left in cups and on tools, as a share on top. */
  reserve: quantity('fraction', 0, 2),
  /** Casts poured of one mix. */
  copies: whole(1, 1000),
  room: quantity('temperature', 278.15, 318.15),
  /** Of the mould in this pour, K; left out: as the mould likes it, or the room's. */
  mouldTemperature: quantity('temperature', 263.15, 393.15).optional(),
  /** Of the parts when they are mixed, K; the room's unless said. */
  materialTemperature: quantity('temperature', 273.15, 333.15).optional(),
  /** Of the air, as a share. */
  humidity: quantity('fraction', 0.05, 1).optional(),
  /** Nothing is to get hotter than this, K; left out: what resin and inclusions bear. */
  heatLimit: quantity('temperature', 303.15, 423.15).optional(),
  /** From mixed to poured: vacuum, waiting, carrying, s. */
  standing: quantity('duration', 0, 12 * hour).optional(),
  pourEnd: z.enum(pourEnds).optional(),
  /** How it comes out: hard, for a saw, or while its gates are rubbery, for a blade; left out: hard. */
  out: z.enum(['hard', 'rubbery']).optional(),
  /** Warmed afterwards: K, and held for so long, s. */
  postCure: z
    .object({
      temperature: quantity('temperature', 303.15, 373.15),
      hold: quantity('duration', 0.25 * hour, 48 * hour),
    })
    .optional(),
  /** When the first cup is mixed, and when the bench is open, s after midnight. */
  begin: timeOfDay().optional(),
  awake: z
    .object({ from: timeOfDay(), until: timeOfDay() })
    .superRefine(({ from, until }, context) => {
      if (until - from < hour) refuse(context, ['until'], 'day-too-short', { from, until })
    })
    .optional(),
  /** The finest the bench scale shows, kg. */
  scaleStep: quantity('mass', 1e-6, 0.1),
  /** How hands go about bubbles; left out: as is usual. */
  handling: handlingSchema.optional(),
  note: note(),
})
export type Plan = z.infer<typeof planSchema>

/** A day at the bench where none is set (common practice, no source). */
export const usualDay = { begin: 9 * hour, awake: { from: 7 * hour, until: 23 * hour } } as const

/** Cups and tools keep a tenth (common practice, no source). */
export const usualReserve = 0.1

/** A plan to begin with: pointing up, nothing poured yet. */
export function newPlan(name: string): Plan {
  return {
    name,
    up: [0, 0, 1],
    mould: 'open',
    layers: [],
    gate: 0,
    reserve: usualReserve,
    copies: 1,
    room: 294.15,
    scaleStep: 0.0001,
    note: '',
  }
}
