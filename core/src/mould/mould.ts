import { z } from '../base/schema/index.ts'
import { id, note, quantity, refuse, text, whole } from '../base/document/index.ts'
import type { Vec3 } from '../form/mesh/index.ts'
import { conditionSchema } from './conditioning/conditioning.ts'
import { contactSchema } from './contact/substances.ts'
import { mouldKindNames } from './kind/kinds.ts'

const point = () => z.tuple([z.number(), z.number(), z.number()])

/** Where resin goes in or air goes out, on the surface of the piece and in its own axes. */
export const openingSchema = z.object({
  id: id(),
  what: z.enum(['gate', 'vent']),
  at: point(),
  bore: quantity('length', 0.0003, 0.2),
  made: z.enum(['cast in', 'cut later']),
})
export type MouldOpening = z.infer<typeof openingSchema>

export const boxShapes = ['square', 'round', 'hexagon', 'outline', 'bricks', 'cup'] as const

/** The walls that silicone is poured into. */
export const boxSchema = z
  .object({
    shape: z.enum(boxShapes),
    /** Free room beside, over and under the master, m. */
    side: quantity('length', 0, 0.2),
    over: quantity('length', 0, 0.2),
    under: quantity('length', 0, 0.2),
    /** Inner sizes of a box that is there already; a cup's are those of its rim and its foot. */
    own: z
      .object({
        width: quantity('length', 0.005, 2),
        depth: quantity('length', 0.005, 2),
        height: quantity('length', 0.005, 2),
      })
      .optional(),
    wall: z.enum(['card', 'foam board', 'board', 'acrylic', 'bricks', 'print']),
    wallThickness: quantity('length', 0.0003, 0.05),
  })
  .superRefine(({ shape, own }, context) => {
    if (shape === 'cup' && !own) refuse(context, ['own'], 'cup-without-size', {})
  })
export type Box = z.infer<typeof boxSchema>

/** How the mould likes to be poured; learned pull by pull. */
export const likingSchema = z.object({
  bands: whole(0, 40),
  dust: z.enum(['none', 'talc', 'starch', 'metal powder']),
  warmth: quantity('temperature', 278.15, 373.15).optional(),
  release: z.enum(['none', 'spray', 'wax']),
  keys: text('keys', 200).or(z.literal('')),
})

/** What is seen of a mould as it wears. */
export const wearMarks = ['torn', 'frayed', 'patched', 'ended'] as const

/** One of them: when, after how many pulls, and where. */
export const wearMarkSchema = z.object({
  what: z.enum(wearMarks),
  on: z.iso.date(),
  pulls: whole(0, 100_000),
  where: text('where', 120).or(z.literal('')),
})
export type WearMark = z.infer<typeof wearMarkSchema>

export const mouldSchema = z.object({
  name: text('name', 80),
  /** The pieces it makes. */
  pieces: z.array(id()).max(60),
  kind: z.enum(mouldKindNames),
  /** Casts that one mould gives at once, and moulds of this make on hand. */
  cavities: whole(1, 1000).default(1),
  count: whole(1, 1000).default(1),
  silicone: id().optional(),
  /** Which way is up while silicone is poured over the master, in the piece's axes. */
  masterUp: point().superRefine((v, context) => {
    if (!(Math.hypot(...v) > 1e-9)) refuse(context, [], 'not-a-direction', {})
  }),
  /** Where its face looks to as it is poured, radians about up from the front to the right. */
  faces: z.number().min(-7).max(7).optional(),
  /** Height of a level parting above the master's lowest point; left out: where least is blocked. */
  parting: quantity('length', 0, 2).optional(),
  /** The parting climbs and falls with the outline of the piece; left out: it is level. */
  climbs: z.boolean().optional(),
  /** Thickness of the cards that its bed is stacked of; left out: as foam board is sold. */
  card: quantity('length', 0.001, 0.02).optional(),
  box: boxSchema,
  /** Chunks of old moulds put in, as they fill a cup, m³. */
  filler: quantity('volume', 0, 0.2),
  /** Coats of a brushed mould. */
  coats: whole(1, 8),
  /** Silicone around the master in a printed shell, and the shell's own wall, m. */
  layer: quantity('length', 0.001, 0.05),
  shellWall: quantity('length', 0.0001, 0.02),
  /** Mixing loss and in cups, and in the tub, as shares. */
  loss: quantity('fraction', 0, 0.6),
  tub: quantity('fraction', 0, 0.6),
  /** Silicone that is there, or already mixed, kg. */
  onHand: quantity('mass', 0, 200).optional(),
  /** Found by water or dry beads poured around the master in its box; beats all sums, m³. */
  measuredRoom: quantity('volume', 1e-7, 0.5).optional(),
  /** Weight of the master, kg. */
  masterMass: quantity('mass', 0, 200).optional(),
  /** Volume of the vacuum vessel's cup, m³; left out: no vacuum. */
  vessel: quantity('volume', 1e-5, 0.2).optional(),
  /** Gauge pressure it cures under, Pa; left out: none. */
  pressure: quantity('pressure', 1e4, 7e5).optional(),
  /** Largest mixing cup, m³. */
  cup: quantity('volume', 1e-5, 0.05),
  openings: z.array(openingSchema).max(60),
  prefills: z.array(z.object({ id: id(), at: point() })).max(60),
  contact: contactSchema,
  wish: z.object({
    /** Casts wanted in all. */
    copies: whole(1, 100000),
    seam: z.enum(['hidden', 'may show']),
    seeThrough: z.enum(['yes', 'no']),
    detail: z.enum(['plain', 'fine grooves']),
    /** A printer that could lay a shell is at hand. */
    printer: z.enum(['yes', 'no']).default('yes'),
  }),
  /** What an hour of work and a kilogram of silicone cost, in the studio's money. */
  hourPrice: z.number().min(0).max(1e5),
  liking: likingSchema,
  /** What is done to it before a pull, in its order; left out: what is usual. */
  before: z.array(conditionSchema).max(20).optional(),
  /** How it wore so far, in the order in which it was seen. */
  marks: z.array(wearMarkSchema).max(200).optional(),
  /** For the next time. */
  nextTime: note(),
  note: note(),
})
export type Mould = z.infer<typeof mouldSchema>

/** Clearances by size of the piece (common practice, no source), m. */
const clearances = {
  miniature: { upTo: 0.04, side: 0.008, over: 0.005 },
  small: { upTo: 0.12, side: 0.01, over: 0.012 },
  large: { upTo: Infinity, side: 0.025, over: 0.02 },
} as const

/** Usual free room around a piece whose longest side is `longest` m. @example usualClearance(0.05).side // 0.01 */
export function usualClearance(longest: number): { side: number; over: number } {
  const { side, over } = Object.values(clearances).find(({ upTo }) => longest <= upTo)!
  return { side, over }
}

/**
 * The same mould as another kind. The flat back of an open block lies on the floor of its box, so
 * the master is turned over on the way to that kind and back; a parting of its own is let go.
 *
 * @example withKind(twoPartMould, 'open block').masterUp[2] // -1 (the other way up)
 */
export function withKind(mould: Mould, kind: Mould['kind']): Mould {
  const [x, y, z] = mould.masterUp
  const over = (kind === 'open block') !== (mould.kind === 'open block')
  return { ...mould, kind, masterUp: over ? [-x, -y, -z] : [x, y, z], parting: undefined }
}

/**
 * Whether a mould covers its casts: an open block never does, a bought one may be either (then
 * the pour says it), all others are closed and filled through a gate.
 *
 * @example isClosed({ kind: 'open block' }) // false
 */
export const isClosed = ({ kind }: Pick<Mould, 'kind'>): boolean | undefined =>
  kind === 'bought' ? undefined : kind !== 'open block'

/** A mould to begin with for a piece of that longest side. */
export function newMould(name: string, piece: string, up: Vec3, longest: number): Mould {
  return {
    name,
    pieces: [piece],
    kind: 'cut block',
    cavities: 1,
    count: 1,
    masterUp: [up[0], up[1], up[2]],
    box: {
      shape: 'square',
      ...usualClearance(longest),
      under: usualClearance(longest).over,
      wall: 'board',
      wallThickness: 0.006,
    },
    filler: 0,
    coats: 2,
    layer: 0.006,
    shellWall: 0.0024,
    loss: usualLoss,
    tub: 0,
    cup: 0.001,
    openings: [],
    prefills: [],
    contact: {
      master: { substance: 'resin print', finish: 'none', release: 'none', damp: 'dry' },
      roles: {},
      others: [],
      resin: 'epoxy',
      tests: [],
    },
    wish: { copies: 6, seam: 'may show', seeThrough: 'no', detail: 'plain', printer: 'yes' },
    hourPrice: 20,
    liking: { bands: 4, dust: 'none', release: 'none', keys: '' },
    nextTime: '',
    note: '',
  }
}

/** Foam board that is sold everywhere (common practice, no source), m. */
export const usualCard = 0.005

/** Tools and cups keep a tenth (common practice). */
export const usualLoss = 0.1
