import { z } from '../../base/schema/index.ts'
import { quantity, refuse } from '../../base/document/index.ts'
import { drawnIn, stirring, type Source } from './population.ts'

const hour = 3600

/** How a mix is stirred; the drill whisks. */
export const stirrings = ['gentle', 'usual', 'whisked'] as const

/** How it is poured, and what that draws in of the air that a low pour does (common practice, no source). */
export const pourings = {
  'thin stream': 0.5,
  low: 1,
  syringe: 0.7,
  'from below': 0.2,
} as const
export type Pouring = keyof typeof pourings
const pouringNames = Object.keys(pourings) as [Pouring, ...Pouring[]]

/**
 * What hands do against bubbles, and what share each leaves of pits and of bubbles inside
 * (common practice, no source): guesses that a person changes by what comes out.
 */
export const remedies = {
  prefill: { pits: 0.3, inside: 1 },
  brush: { pits: 0.4, inside: 1 },
  'wet walls': { pits: 0.6, inside: 1 },
  rock: { pits: 0.7, inside: 0.8 },
  tap: { pits: 0.7, inside: 0.8 },
  vibrate: { pits: 0.5, inside: 0.6 },
  flame: { pits: 1, inside: 0.8 },
} as const satisfies Record<string, { pits: number; inside: number }>
export type Remedy = keyof typeof remedies
export const remedyNames = Object.keys(remedies) as [Remedy, ...Remedy[]]

/** Vacuum and pressure as a person would do them, s since mixing. */
export const ownWaySchema = z
  .object({
    /** How long the mix is under vacuum. */
    vacuum: quantity('duration', 0, 2 * hour).optional(),
    pressure: z
      .object({
        from: quantity('duration', 0, 400 * hour),
        until: quantity('duration', 0, 400 * hour),
        gauge: quantity('pressure', 1e4, 2e6),
      })
      .optional(),
  })
  .superRefine(({ pressure }, context) => {
    if (pressure && pressure.until <= pressure.from) {
      refuse(context, ['pressure', 'until'], 'pressure-ends-first', pressure)
    }
  })
export type OwnWay = z.infer<typeof ownWaySchema>

/** Who looks at it how. */
export const finishes = ['as cast', 'painted'] as const

/** The smallest bubble that is seen, m (common practice, no source). @example seenFromOf('painted') // 0.0003 */
export const seenFromOf = (finish: (typeof finishes)[number] = 'as cast'): number =>
  finish === 'painted' ? 3e-4 : 1e-4

/**
 * A way of one's own to begin with: into the pot halfway to the gel, held until it is hard. s and Pa.
 *
 * @example ownWayFor({ gel: 300, hardAt: 1800 }, 2.8e5).pressure!.from // 150
 */
export const ownWayFor = (
  { gel, hardAt }: { gel: number; hardAt: number },
  gauge: number,
): OwnWay => ({
  pressure: { from: Math.round(gel / 2), until: Math.ceil(hardAt), gauge },
})

/** How hands go about bubbles in a pour. */
export const handlingSchema = z.object({
  stirring: z.enum(stirrings),
  pouring: z.enum(pouringNames),
  /** What is done, and what share of what it acts on it leaves; left out: as is usual. */
  remedies: z
    .array(z.object({ what: z.enum(remedyNames), left: quantity('fraction', 0, 1).optional() }))
    .max(8),
  /** Left out: as it comes out; painted, pits under 0.3 mm vanish. */
  finish: z.enum(finishes).optional(),
  own: ownWaySchema.optional(),
})
export type Handling = z.infer<typeof handlingSchema>

export const usualHandling: Handling = { stirring: 'usual', pouring: 'low', remedies: [] }

/** What stirring leaves and the pour draws in. @example sourcesOf(usualHandling).drawn.share // 0.0008 */
export const sourcesOf = ({
  stirring: how,
  pouring,
}: Handling): { stirred: Source; drawn: Source } => ({
  stirred: stirring[how],
  drawn: { ...drawnIn, share: pourings[pouring] * drawnIn.share },
})

/**
 * What share of pits and of bubbles inside is left by all that hands do.
 *
 * @example leftBy({ remedies: [{ what: 'rock' }, { what: 'tap' }] }).inside.toFixed(2) // '0.64'
 */
export const leftBy = ({
  remedies: done,
}: Pick<Handling, 'remedies'>): { pits: number; inside: number } =>
  done.reduce(
    (left, { what, left: own }) => ({
      pits: left.pits * (remedies[what].pits < 1 ? (own ?? remedies[what].pits) : 1),
      inside: left.inside * (remedies[what].inside < 1 ? (own ?? remedies[what].inside) : 1),
    }),
    { pits: 1, inside: 1 },
  )
