import type { Kind } from '../units/index.ts'

/**
 * What a plan, a mix or a shape can be cautioned about, with the amounts each sentence needs
 * (SI units). `cautionSentences.ts` must hold a sentence for each, or the types fail.
 */
export interface CautionAmounts {
  'layer-above-top': { layer: string; top: number; pieceTop: number }
  'layer-out-of-order': { layer: string; top: number; below: string; belowTop: number }
  'layer-overfull': { layer: string; volume: number; room: number }
  'layer-thin': { layer: string; depth: number }
  'layer-too-deep': { layer: string; depth: number; limit: number; resin: string; pours: number }
  'top-left-empty': { height: number; volume: number }
  'no-layers': Record<string, never>

  'inclusions-too-big': { layer: string; inclusions: number; volume: number }
  'inclusion-too-thick': { inclusion: string; thickness: number; depth: number }
  'inclusion-sinks': { inclusion: string; layer: string; below: string }
  'inclusion-floats': { inclusion: string; layer: string }

  'tint-over-limit': { tint: string; asked: number; limit: number }
  'tint-under-scale': { tint: string; mass: number; step: number; diluted: number }
  'batch-too-small': { batch: number; smallest: number; error: number; tolerance: number }
  'batch-over-pot-mass': { batch: number; potMass: number; resin: string }
  'batch-over-cup': { volume: number; largest: number; cups: number }
  'resin-not-chosen': { layer: string }
  'resin-gone': { layer: string }
  'tint-gone': { layer: string }

  'room-outside': { room: number; low: number; high: number }
  'bled-needs-same-time': { layer: string; wait: number; pourable: number }

  'mesh-open': { holes: number; openEdges: number; volume: number; band: number }
  'mesh-turned': Record<string, never>
  'mesh-dropped': { dropped: number }
  'mesh-tangled': { edges: number }
  'mesh-flipped': { edges: number }

  'sheet-slip': {
    label: string
    kind: Kind
    value: number
    low: number
    high: number
    class: string
  }
  'gel-before-pot-life': { potLife: number; gel: number }
  'demould-before-gel': { gel: number; demould: number }
}

export type CautionCode = keyof CautionAmounts

/** stop: do not pour like this. warn: likely to spoil the piece. note: good to know. */
export type Severity = 'stop' | 'warn' | 'note'

/** Where it belongs: a layer by its id, and the field it is about. */
export interface Place {
  layer?: string
  field?: string
}

export interface Caution<C extends CautionCode = CautionCode> {
  code: C
  severity: Severity
  place: Place
  amounts: CautionAmounts[C]
}

/** @example caution('layer-thin', 'warn', { layer: 'a' }, { layer: 'Night blue', depth: 0.0005 }) */
export function caution<C extends CautionCode>(
  code: C,
  severity: Severity,
  place: Place,
  amounts: CautionAmounts[C],
): Caution<C> {
  return { code, severity, place, amounts }
}
