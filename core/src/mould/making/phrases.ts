import type { PreparationId } from './prepare.ts'

type None = Record<never, never>

/** What a step of making a mould can say, with the amounts its sentence needs (SI units). */
export interface PhraseAmounts {
  prepare: { id: PreparationId }
  'prepare-why': { id: PreparationId }

  'fix-on-board': None
  'print-shell': None
  'print-halves': { shells: number }
  'clip-width': None
  'bed-in-shell': { masters: number; clay: number; height: number }
  'close-shell': { parted: 'upper' | 'lower' }
  'shut-tight': None
  'clay-skirt': None
  'ready-box': { width: number; depth: number; round: boolean; area?: number }
  /** `area` of its floor at the fill line; a bench that was begun before it was told has none. */
  'build-box': { width: number; depth: number; round: boolean; walls: number; area?: number }
  'seal-seams': None
  'fill-line': { height: number }
  brace: { places: number }
  'bed-master': { masters: number; clay: number; height: number }
  'bed-climbing': { masters: number; clay: number; from: number; to: number }
  'press-clay': { masters: number }
  'press-keys': { count: number; width: number }
  'fix-master': { masters: number; uplift: number }
  'stand-masters': { masters: number; apart: number }
  'hold-down': { mass: number }
  'weigh-first': None
  'stays-down': None
  'held-above': { under: number }
  'set-rods': { count: number }
  'wax-rod': { what: 'gate' | 'vent'; bore: number; each: boolean }

  cure: { time: number }
  'leftover-cup': None
  mix: { half: 'whole' | 'first' | 'second'; batches: number; each: number }
  stir: { mixTime: number; potLife: number }
  'next-batch': { potLife: number }
  'de-air': { batches: number; full: number }
  pump: None
  'pour-silicone': { half: 'whole' | 'first' | 'second'; several: boolean }
  'brush-details': None
  'thin-stream': None
  vibrate: None

  coat: { number: number; mass: number; thickness: number }
  'first-coat': { thickener: number }
  'next-coat': { thickener: number }
  'coat-follows': None
  'last-coat': None
  talc: None
  'rigid-shell': None
  'shell-halves': None

  'turn-over': None
  'lift-lower': None
  'by-the-hole': None
  'release-half': { hinged: boolean }
  'thin-jelly': None
  'wipe-master': None
  'press-flush': None
  'into-pot': { pressure: number; potLife: number }
  'held-in-pot': None
  'cut-openings': { count: number }
  'cut-open': None
  'part-halves': None
  'open-hinge': None
  'roll-off': None
  'take-out': None
  'together-again': None
  'lay-flat': None
  nested: None
  rest: None
  'first-pull': None
}
export type PhraseCode = keyof PhraseAmounts

/** A sentence of a step, by its code and amounts; its words stand in the words. */
export type Phrase<C extends PhraseCode = PhraseCode> = {
  [K in C]: { code: K; amounts: PhraseAmounts[K] }
}[C]

export const phrase = <C extends PhraseCode>(code: C, amounts: PhraseAmounts[C]): Phrase =>
  ({ code, amounts }) as Phrase
