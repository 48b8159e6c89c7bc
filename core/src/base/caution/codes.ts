import type { Kind } from '../units/index.ts'

/** Fields of a sheet that can look like a slip. */
export type SlipField = 'potLife' | 'demould' | 'densityA' | 'densityB' | 'shrinkage' | 'limit'

type MouldHalf = 'whole' | 'first' | 'second'

/** A layer over its limit, and who set that: the plan, something inside, the sheet, its class. */
interface HotLayer {
  layer: string
  peak: number
  high: number
  limit: number
  by: 'plan' | 'inside' | 'sheet' | 'class'
  inside: string
}

/**
 * What a plan, a mix or a shape can be cautioned about, with the amounts each sentence needs
 * (SI units). The words hold a sentence for each, or their types fail.
 */
export interface CautionAmounts {
  'layer-above-top': { layer: string; top: number; pieceTop: number }
  'layer-out-of-order': { layer: string; top: number; below: string; belowTop: number }
  'layer-overfull': { layer: string; volume: number; room: number }
  'layer-thin': { layer: string; depth: number }
  'layer-over-shell': { layer: string; below: string }
  'cast-wall-fills': { layer: string; wall: number; deepest: number }
  'cast-wall-thin': { layer: string; wall: number }
  'cast-wall-thick': { layer: string; wall: number }
  'skin-no-powder': { layer: string }
  'skin-not-metal': { layer: string; powder: string }
  'skin-not-outer': { layer: string }
  'skin-too-thick': { layer: string; share: number; most: number }
  'hollow-jacket': { layer: string }
  'hollow-vents': { layer: string; vents: number }
  'hollow-port': { layer: string }
  'turns-by-hand': { layer: string; turns: number; most: number }
  'turned-one-by-one': { layer: string; copies: number }
  'turns-for-long': { layer: string; gel: number }
  'turns-too-few': { layer: string; turned: number; fewest: number; shots: number | null }
  'layer-too-deep': { layer: string; depth: number; thick: number; limit: number; resin: string }
  'layers-slant': { angle: number }
  'copies-over-cavities': { copies: number; cavities: number }
  'top-left-empty': { height: number; volume: number }
  'no-layers': Record<string, never>
  'mouth-narrow': { share: number; turned: boolean }

  'inclusions-too-big': { layer: string; inclusions: number; volume: number }
  'inclusion-too-thick': { inclusion: string; thickness: number; depth: number }
  'inclusion-sinks': { inclusion: string; layer: string; below: string }
  'inclusion-carried': { inclusion: string; thickness: number }
  'inclusion-organic': { inclusion: string; limit: number }
  'inclusion-floats': { inclusion: string; layer: string }
  'inclusion-drinks': { inclusion: string; volume: number }
  'inclusion-bleeds': { inclusion: string }
  'inclusion-face': { inclusion: string; mould: 'open' | 'closed' }
  'inclusion-magnetic': { inclusion: string }
  'inclusion-load': { inclusion: string; deep: number }
  'dab-no-time': { inclusion: string; layer: string; sets: number; short: number }
  'covered-before-set': { inclusion: string; layer: string; over: string; early: number }
  'things-no-room': { inclusion: string; layer: string; fit: number; asked: number }
  'things-astray': { inclusion: string; count: number; wall: number }
  'things-meet': { inclusion: string; count: number }

  'tint-over-limit': {
    tint: string
    /** Which of the layer's tints. */
    at: number
    dry: boolean
    asked: number
    limit: number
  }
  'tint-under-scale': { tint: string; mass: number; step: number; use: number; times: number }
  'batch-too-small': {
    batch: number
    cups: number
    smallest: number
    error: number
    tolerance: number
  }
  'cups-part': { layer: string; cups: number; later: number; runs: number }
  'batch-over-pot-mass': { batch: number; potMass: number; resin: string }
  'batch-over-cup': { volume: number; largest: number; cups: number }
  'sheet-assumed': { resin: string; fields: string[] }
  'resin-not-chosen': { layer: string }
  'resin-gone': { layer: string }
  'tint-gone': { layer: string }
  'tint-water': { tint: string; resin: string }
  'tint-solvent': { tint: string }
  'mica-unbacked': { tint: string; layer: string }

  'room-outside': { room: number; low: number; high: number }
  'join-missed': { layer: string; below: string; late: number }
  'pour-at-night': { layer: string; at: number; from: number; until: number; begin: number | null }
  'layer-runs-away': { layer: string; peak: number; high: number; depth: number }
  'layer-runs-hot': HotLayer
  'layer-may-run-hot': HotLayer
  'fast-resin-warm': { layer: string; peak: number; resin: string }
  'cup-runs-hot': { mass: number; peak: number; after: number }
  'gels-in-cup': { layer: string; standing: number; gel: number }
  'cure-stalls': { layer: string; room: number; days: number }
  'mould-hot': { mould: number; pourable: number; gel: number }
  'damp-blush': { humidity: number; dewPoint: number; resin: string }
  'damp-foam': { humidity: number; resin: string }
  'damp-on-cold': { what: 'mould' | 'parts'; temperature: number; dewPoint: number; resin: string }
  'near-dew-point': { what: 'mould' | 'parts'; temperature: number; dewPoint: number }

  'post-cure-hot': { temperature: number; limit: number; inside: string }

  'bled-needs-same-time': { layer: string; wait: number; pourable: number }

  'run-empty': Record<string, never>
  'run-no-tool': { tool: 'pot' | 'vessel' }
  'run-piece-stops': { piece: string; stops: number }
  'run-piece-unpoured': { piece: string }
  'run-turned-pot': { piece: string }
  'run-over-pot': { piece: string; height: number; inside: number }
  'run-too-slow': { piece: string; by: 'pouring' | 'lid'; needs: number; has: number }
  'run-tight': { piece: string; by: 'pouring' | 'lid'; spare: number }
  'run-too-long': { loads: number; casts: number; wanted: number }
  'run-outside-hours': { load: number; loads: number }
  'run-begin-moved': { asked: number; at: number }
  'run-over-vessel': { volume: number; takes: number }

  'mesh-open': { holes: number; openEdges: number; volume: number; band: number }
  'mesh-turned': Record<string, never>
  'mesh-dropped': { dropped: number }
  'mesh-tangled': { edges: number }
  'mesh-joined': { joined: number }
  'mesh-reoriented': { turned: number }
  'mesh-holes-closed': { closed: number; area: number }
  'mesh-parts': { parts: number }
  'mesh-united': { parts: number; counted: number; filled: number }
  'mesh-in-cells': { parts: number; counted: number; filled: number; band: number }
  'mesh-far': { distance: number }
  'mesh-coarse': { step: number; size: number }
  'mesh-void': { voids: number; volume: number }
  'shape-measured': { volume: number }
  'mesh-flipped': { edges: number }

  'air-stays': { volume: number; top: number; saddle: number }
  'air-never-filled': { volume: number }
  'ceiling-level': { area: number }
  undercut: { volume: number; from: number; to: number }
  'undercut-inner': { volume: number }
  'undercut-open': { volume: number }
  'silicone-tongue': { reach: number }
  'silicone-pin': { reach: number }
  'wall-thin': { places: number }
  'no-gate': Record<string, never>
  'opening-through-piece': { what: 'gate' | 'vent'; through: number }
  'opening-over-edge': { what: 'gate' | 'vent'; bore: number; touches: number }
  'vent-below-gate': { vents: number; below: number }
  'gate-narrow': { bore: number }
  'inclusion-over-gate': { inclusion: string; needs: number; bore: number }

  'silicone-not-chosen': Record<string, never>
  'silicone-gone': Record<string, never>
  'silicone-short': {
    missing: number
    level: number
    sticksOut: number
    chunks: number | null
    line: number | null
    tight: number | null
  }
  'batch-outlives-pot': { half: MouldHalf; time: number; potLife: number }
  'batches-part': {
    half: MouldHalf
    batches: number
    gap: number
    potLife: number
    cup: number | null
  }
  'master-unweighed': { mass: number }
  'dents-under-pressure': Record<string, never>
  'master-floats': { force: number; weight: number }
  'master-held-down': { force: number }
  'risen-master': { rise: number }
  'wall-bulges': { bulge: number; braces: number; pressure: number }
  'box-thin': { clearance: number; wanted: number }
  'box-large': { saved: number }
  'shell-thin': { wall: number; least: number }
  'coats-few': { coats: number; pulls: number; copies: number }

  'sheet-slip': {
    field: SlipField
    kind: Kind
    value: number
    low: number
    high: number
    /** The class of a resin, the chemistry of a silicone or the form of a tint. */
    of: string
  }
  'same-name': { name: string }
  'pot-mass-assumed': { mass: number }
  'recoat-before-gel': { recoat: number; gel: number }
  'peak-impossible': { stated: number; reached: number; mass: number }
  'demould-early': { demould: number; reached: number; wanted: number }
  'gel-before-pot-life': { potLife: number; gel: number }
  'demould-before-gel': { gel: number; demould: number }
}

export type CautionCode = keyof CautionAmounts

/**
 * stop: do not pour like this. todo: not decided yet, and not poured until it is. warn: likely to
 * spoil the piece. note: good to know.
 */
export type Severity = 'stop' | 'todo' | 'warn' | 'note'

/** Whether nothing can be poured while it stands. @example blocks({ severity: 'warn' }) // false */
export const blocks = ({ severity }: Pick<Caution, 'severity'>): boolean =>
  severity === 'stop' || severity === 'todo'

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

/** @example caution('layer-thin', 'warn', { layer: 'a' }, { layer: 'Night blue', depth: 0.0005 }).severity // 'warn' */
export function caution<C extends CautionCode>(
  code: C,
  severity: Severity,
  place: Place,
  amounts: CautionAmounts[C],
): Caution<C> {
  return { code, severity, place, amounts }
}

/**
 * Those that stand at a place: of the layer and about the field, where they are asked for.
 * @example cautionsAt([caution('layer-thin', 'warn', { layer: 'a', field: 'fill' }, { layer: 'Blue', depth: 0.0005 })], { layer: 'a', field: 'tint' }) // []
 */
export const cautionsAt = (all: readonly Caution[], { layer, field }: Place): Caution[] =>
  all.filter(
    ({ place }) =>
      (layer === undefined || place.layer === layer) &&
      (field === undefined || place.field === field),
  )
