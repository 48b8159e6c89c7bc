import { z } from '../../base/schema/index.ts'
import { id, note, quantity, refuse, text, whole } from '../../base/document/index.ts'
import { bodies, resinClassNames } from './classes.ts'
import { colourSchema, density } from './fields.ts'
import { recipeSchema } from './recipe.ts'
import { thingFields } from './thing.ts'

const minute = 60
const hour = 3600

/** Density of a liquid part. */
const liquidDensity = () => quantity('density', 700, 3000)

export const ratioSchema = z
  .object({ by: z.enum(['weight', 'volume']), a: z.number(), b: z.number() })
  .superRefine(({ a, b }, context) => {
    if (!(a > 0) || !(b > 0)) refuse(context, [], 'ratio-zero', { text: `${a}:${b}` })
    else if (a / b > 500 || b / a > 500) {
      refuse(context, [], 'not-a-ratio', { text: `${a}:${b}` })
    }
  })
export type Ratio = z.infer<typeof ratioSchema>

/** What a pot is taken to be where its sheet names none, kg (common practice, no source). */
export const usualPot = 0.1

/** What a person saw of a material at the bench. */
export const observationSchema = z
  .object({
    id: id(),
    what: z.enum(['pot life', 'gel', 'demould', 'peak']),
    /** s, or K for a peak. */
    value: z.number(),
    room: quantity('temperature', 268.15, 333.15),
    /** In the cup, kg. */
    mass: quantity('mass', 0.0005, 50),
    /** The day it was seen, as 2026-05-04. */
    on: z.string().regex(/^\d{4}-\d{2}-\d{2}$/),
    /** Kept, but not learned from. */
    leftOut: z.boolean().optional(),
  })
  .superRefine(({ what, value }, context) => {
    const [kind, min, max] =
      what === 'peak'
        ? (['temperature', 283.15, 573.15] as const)
        : (['duration', 5, 2592e3] as const)
    if (!(value >= min && value <= max)) {
      refuse(context, ['value'], 'out-of-range', { kind, value, min, max })
    }
  })
export type Observation = z.infer<typeof observationSchema>

/** The mass that a sheet's pot life was measured on, kg; what is usual where it names none. */
export const potMassOf = ({ potMass = usualPot }: { potMass?: number }): number => potMass

/** What was seen so far; enough for years of a bench. */
const observations = () => z.array(observationSchema).max(200).optional()

export const potLifeReadings = ['cup', 'thin film', 'gel'] as const

/** Fields that nobody has read from a sheet yet: what is usual stands in them. */
const assumed = () => z.array(z.string().max(40)).max(40).optional()

/** What the sheet of a two-part casting resin says. */
export const resinSchema = z.object({
  kind: z.literal('resin'),
  name: text('name'),
  class: z.enum(resinClassNames),
  ratio: ratioSchema,
  densityA: liquidDensity(),
  densityB: liquidDensity(),
  /** Working time of `potMass` in a cup at `sheetTemperature`, s. */
  potLife: quantity('duration', 20, 72 * hour),
  /** Left out: taken as 100 g, and said. */
  potMass: quantity('mass', 0.001, 50).optional(),
  /** How the sheet reads it: doubled viscosity in that cup (unless said), in a thin film, or gel. */
  potLifeMeans: z.enum(potLifeReadings).optional(),
  /** The hottest that `potMass` gets in its cup, K. */
  peak: quantity('temperature', 283.15, 573.15).optional(),
  /** Left out: reckoned from the class. */
  gelTime: quantity('duration', 30, 120 * hour).optional(),
  /** Latest a next layer bonds without sanding, s after mixing. Left out: reckoned. */
  recoatUntil: quantity('duration', 60, 240 * hour).optional(),
  demould: quantity('duration', 2 * minute, 30 * 24 * hour),
  /** Time that mixing takes, s. */
  mixTime: quantity('duration', 10, hour),
  /** Greatest depth of one pour, m. */
  maxDepth: quantity('length', 0.0005, 1).optional(),
  /** The hottest that a cast of it is to get, K; left out: what is usual for its class. */
  heatLimit: quantity('temperature', 303.15, 573.15).optional(),
  viscosity: quantity('viscosity', 0.01, 500).optional(),
  /** Of a length, on curing. */
  shrinkage: quantity('fraction', 0, 0.1).optional(),
  sheetTemperature: quantity('temperature', 278.15, 323.15),
  /** The part that a tint is stirred into before the clock starts. */
  tintInto: z.enum(['A', 'B']),
  nameA: text('name', 40),
  nameB: text('name', 40),
  /** When its bottles were opened; left out: not written down. */
  opened: z.iso.date().optional(),
  colour: colourSchema,
  /** What a cast of it looks like untinted; left out: what is usual for its class. */
  body: z.enum(bodies).optional(),
  observations: observations(),
  assumed: assumed(),
  note: note(),
})
export type Resin = z.infer<typeof resinSchema>

export const chemistries = ['platinum', 'tin'] as const
export type Chemistry = (typeof chemistries)[number]
export const clarities = ['clear', 'translucent', 'opaque'] as const

/** What the sheet of a two-part mould silicone says. */
export const siliconeSchema = z.object({
  kind: z.literal('silicone'),
  name: text('name'),
  chemistry: z.enum(chemistries),
  ratio: ratioSchema,
  densityA: liquidDensity(),
  densityB: liquidDensity(),
  potLife: quantity('duration', 60, 8 * hour),
  demould: quantity('duration', 5 * minute, 7 * 24 * hour),
  /** Time that mixing takes, s. */
  mixTime: quantity('duration', 10, hour),
  viscosity: quantity('viscosity', 0.1, 1000).optional(),
  /** Shore A. */
  hardness: whole(0, 80),
  /** Of a length, on curing. */
  shrinkage: quantity('fraction', 0, 0.05),
  clarity: z.enum(clarities),
  /** Of the mix, for brushing; left out: 1 %. */
  thickener: quantity('fraction', 0, 0.2).optional(),
  /** What one kit holds, kg, and what it costs in the studio's money. */
  kitMass: quantity('mass', 0.01, 250).optional(),
  kitPrice: z.number().min(0).max(1e6).optional(),
  sheetTemperature: quantity('temperature', 278.15, 323.15),
  nameA: text('name', 40),
  nameB: text('name', 40),
  colour: colourSchema,
  observations: observations(),
  assumed: assumed(),
  note: note(),
})
export type Silicone = z.infer<typeof siliconeSchema>

/** What weighing out needs to know of anything mixed from two parts. */
export type TwoPart = Pick<Resin, 'ratio' | 'densityA' | 'densityB' | 'nameA' | 'nameB'>

export const tintForms = ['dye', 'paste', 'mica', 'glitter', 'glow', 'powder'] as const
export type TintForm = (typeof tintForms)[number]

/** Beyond its limit a liquid softens the cure, a dry powder thickens the mix and settles. */
export const isDry = (form: TintForm): boolean => form !== 'dye' && form !== 'paste'

/** Usual upper limits by resin weight of each form of tint (common practice, no source). */
export const usualLimits: Record<TintForm, readonly [number, number]> = {
  dye: [0.0005, 0.01],
  paste: [0.005, 0.05],
  mica: [0.01, 0.06],
  glitter: [0.005, 0.1],
  glow: [0.05, 0.35],
  powder: [0.01, 0.9],
}

/** A chip that was cast of a tint: what it looks like over white, and how it was made. */
export const swatchSchema = z.object({
  id: id(),
  colour: colourSchema,
  /** Share of the resin's weight. */
  dose: quantity('fraction', 1e-6, 0.95),
  depth: quantity('length', 1e-4, 0.2),
})
export type Swatch = z.infer<typeof swatchSchema>

export const carriers = ['none', 'water', 'solvent'] as const

/** What is stirred in for colour. */
export const tintSchema = z.object({
  kind: z.literal('tint'),
  name: text('name'),
  form: z.enum(tintForms),
  colour: colourSchema,
  density: density(),
  /** Largest share of the resin's weight. */
  limit: quantity('fraction', 0.00001, 0.95),
  /** Chips that were cast; left out: `colour` at what is usual for its form. */
  swatches: z.array(swatchSchema).max(24).optional(),
  /** At its limit it covers from this depth on, m; left out: what is usual for its form. */
  hides: quantity('length', 1e-5, 0.2).optional(),
  /** What it is thinned with; left out: nothing. */
  carrier: z.enum(carriers).optional(),
  /** How wide its flakes are, m; left out: what is usual for its form. */
  flake: quantity('length', 1e-6, 0.01).optional(),
  /** What the tip of a toothpick takes up, kg; left out: what is usual for its form. */
  tip: quantity('mass', 1e-7, 0.01).optional(),
  /** Drops counted onto the scale: how many, and what they weighed, kg. */
  drops: z
    .array(z.object({ count: whole(1, 10000), mass: quantity('mass', 1e-6, 1) }))
    .max(50)
    .optional(),
  assumed: assumed(),
  note: note(),
})
export type Tint = z.infer<typeof tintSchema>

/** What is set into a layer. */
export const inclusionSchema = z.object({
  kind: z.literal('inclusion'),
  ...thingFields,
  note: note(),
})
export type InclusionMaterial = z.infer<typeof inclusionSchema>

export const materialSchema = z.discriminatedUnion('kind', [
  recipeSchema,
  resinSchema,
  siliconeSchema,
  tintSchema,
  inclusionSchema,
])
export type Material = z.infer<typeof materialSchema>
export type MaterialKind = Material['kind']

/** The materials that a plan can reach, by their id. */
export type Shelf = ReadonlyMap<string, Material>

/**
 * A sheet with some of its fields typed: they are no longer assumed. A tint of another form
 * whose limit is assumed takes one that is usual for that, half of the most.
 *
 * @example withTyped({ ...resin, assumed: ['potLife', 'demould'] }, { potLife: 600 }).assumed // ['demould']
 * @example withTyped({ ...violet, assumed: ['limit'] }, { form: 'mica' }).limit // 0.03
 */
export function withTyped<M extends Material>(material: M, values: Partial<M>): M {
  const left = ('assumed' in material ? material.assumed : undefined)?.filter(
    (key) => !(key in values),
  )
  const form = 'form' in values ? (values.form as TintForm) : undefined
  return {
    ...material,
    ...values,
    ...(form && left?.includes('limit') && { limit: usualLimits[form][1] / 2 }),
    ...(left && { assumed: left.length > 0 ? left : undefined }),
  }
}
