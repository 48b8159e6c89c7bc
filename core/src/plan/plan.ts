import { z } from '../schema/index.ts'
import { id, note, quantity, refuse, text, whole } from '../document/index.ts'

/** How a layer should meet the one below. */
export const joins = ['crisp', 'soft', 'bled'] as const
export type Join = (typeof joins)[number]

/** Where a layer ends: at a height above the lowest point, or after a volume of resin. */
export const fillSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('height'), top: quantity('length', 0.0001, 2) }),
  z.object({ by: z.literal('volume'), volume: quantity('volume', 1e-8, 0.1) }),
])
export type Fill = z.infer<typeof fillSchema>

/** Things set into one layer of one copy. */
export const planInclusionSchema = z.object({
  id: id(),
  name: text('name'),
  count: whole(1, 10000),
  /** Of one, kg. */
  mass: quantity('mass', 1e-6, 20),
  density: quantity('density', 100, 20000),
  /** As it lies, m. */
  thickness: quantity('length', 1e-6, 1).optional(),
})
export type PlanInclusion = z.infer<typeof planInclusionSchema>

export const layerSchema = z.object({
  id: id(),
  name: text('name', 60),
  fill: fillSchema,
  /** A resin of the shelf; absent until one is chosen. */
  resin: id().optional(),
  tint: z.object({ material: id(), fraction: quantity('fraction', 0, 0.95) }).optional(),
  inclusions: z.array(planInclusionSchema).max(40),
  /** With the layer below; nothing to the first. */
  join: z.enum(joins),
})
export type Layer = z.infer<typeof layerSchema>

/** How a piece is poured. Layers run from the bottom up, as the piece lies in the mould. */
export const planSchema = z.object({
  name: text('name', 80),
  /** Against gravity, in the piece's own axes; any length. */
  up: z.tuple([z.number(), z.number(), z.number()]).superRefine((v, context) => {
    if (!(Math.hypot(...v) > 1e-9)) refuse(context, [], 'not-a-direction', {})
  }),
  /** An open mould shows its first layer as the face; a closed one has no face. */
  mould: z.enum(['open', 'closed']),
  layers: z.array(layerSchema).max(40),
  /** What stays in the gate of one copy, m³. */
  gate: quantity('volume', 0, 0.01),
  /** Left in cups and on tools, as a share on top. */
  reserve: quantity('fraction', 0, 2),
  copies: whole(1, 1000),
  room: quantity('temperature', 278.15, 318.15),
  /** The finest the bench scale shows, kg. */
  scaleStep: quantity('mass', 1e-6, 0.1),
  note: note(),
})
export type Plan = z.infer<typeof planSchema>

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
