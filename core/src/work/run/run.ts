import { z } from '../../base/schema/index.ts'
import { ways } from '../../matter/air/index.ts'
import { id, note, quantity, refuse, text, whole } from '../../base/document/index.ts'

const hour = 3600
const day = 24 * hour
const timeOfDay = () => quantity('duration', 0, day)

/** When the bench is open, s after midnight; until before from: over midnight. */
export const windowSchema = z
  .object({ from: timeOfDay(), until: timeOfDay() })
  .superRefine(({ from, until }, context) => {
    if (lengthOf({ from, until }) < hour / 4) {
      refuse(context, ['until'], 'window-too-short', { from, until })
    }
  })
export type BenchWindow = z.infer<typeof windowSchema>

/** @example lengthOf({ from: 79200, until: 3600 }) // 10800 */
export const lengthOf = ({ from, until }: { from: number; until: number }): number =>
  until > from ? until - from : until - from + day

/** Casts of one piece that a run makes. */
export const pourOfRunSchema = z.object({
  id: id(),
  piece: id(),
  /** One of its pours; left out: the newest. */
  plan: id().optional(),
  /** Casts wanted. */
  casts: whole(1, 10_000),
  /** Moulds in use at once; left out: all on hand. */
  moulds: whole(1, 1000).optional(),
})
export type PourOfRun = z.infer<typeof pourOfRunSchema>

/**
 * Whether a run casts a pour of a piece; `newest` is the piece's newest pour, which is meant where
 * the run names none.
 *
 * @example castsPour({ pours: [{ id: 'a', piece: 'p', casts: 2 }] }, 'p', 'second', 'second') // true
 */
export const castsPour = (
  { pours }: { pours: readonly PourOfRun[] },
  piece: string,
  plan: string,
  newest: string,
): boolean => pours.some((pour) => pour.piece === piece && (pour.plan ?? newest) === plan)

/** One session at the bench, or several: which pieces, by which hands, with which tools. */
export const runSchema = z.object({
  name: text('name', 80),
  pours: z.array(pourOfRunSchema).max(40),
  /** Pairs of hands. */
  hands: whole(1, 2),
  /** Against bubbles. */
  way: z.enum(ways),
  room: quantity('temperature', 278.15, 318.15),
  /** Of the parts when they meet; the room's unless said. */
  parts: quantity('temperature', 273.15, 333.15).optional(),
  /** Moulds in the order they are filled, by the pour and the mould's number; others follow by difficulty. */
  order: z.array(text('mould', 80)).max(400),
  /** Tight places are prefilled from the cup that fills, or from a small one before it; left out: from the cup. */
  prefill: z.enum(['from the cup', 'small mix']).optional(),
  /** No more moulds than this from one cup; left out: as many as there is time for. */
  perMix: whole(1, 400).optional(),
  /** Moulds that the turning machine takes at once; left out: one. */
  onMachine: whole(1, 12).optional(),
  /** No more loads than this in a day; left out: as many as there is time for. */
  loadsPerDay: whole(1, 100).optional(),
  /** Laid aside before a mix begins: parts weighed, cup marked, moulds open, s. */
  layOut: quantity('duration', 0, 4 * hour),
  /** Day and time of the first mix. */
  date: z.iso.date().optional(),
  begin: timeOfDay(),
  windows: z.array(windowSchema).min(1).max(6),
  note: note(),
})
export type Run = z.infer<typeof runSchema>

/**
 * Against bubbles to begin with: the pot where there is one and the mould is closed. What is poured
 * open lets its bubbles go by itself, what is turned is not in a pot, and none is taken unasked.
 *
 * @example usualWay({ mould: 'open', pot: true, hollow: false }) // 'none'
 */
export const usualWay = ({
  mould,
  pot,
  hollow,
}: {
  mould: 'open' | 'closed'
  pot: boolean
  hollow: boolean
}): Run['way'] => (mould === 'closed' && pot && !hollow ? 'pressure' : 'none')

/** A run to begin with: a day at the bench, one pair of hands. */
export const newRun = (name: string): Run => ({
  name,
  pours: [],
  hands: 1,
  way: 'none',
  room: 294.15,
  order: [],
  layOut: 300,
  begin: 9 * hour,
  windows: [{ from: 8 * hour, until: 20 * hour }],
  note: '',
})
