import type { DrawingFault, FileFault, OtherFile } from './fileFaults.ts'

/**
 * Every code a problem can carry, with the amounts its sentence needs. SI units.
 * The words must hold a sentence for each, or the types fail.
 */
export interface ProblemAmounts {
  // What was typed
  'nothing-typed': { kind: string }
  'not-a-number': { text: string; kind: string }
  'ambiguous-comma': { text: string }
  'unknown-unit': { text: string; unit: string; kind: string }
  'other-kind': { text: string; unit: string; isA: string; kind: string }
  'bare-ounce': { text: string; number: string }
  'colon-duration': { text: string }
  'not-a-time': { text: string }
  'zero-denominator': { text: string }
  'not-a-ratio': { text: string }
  'angle-out-of-range': { value: number; most: number }
  'not-a-recipe': { text: string }
  'pressure-over-mark': { gauge: number; marked: number }
  'window-too-short': { from: number; until: number }
  'pressure-ends-first': { from: number; until: number }
  'vacuum-over-air': { gauge: number; air: number; altitude: number }
  'vacuum-over-pump': { gauge: number; reaches: number }
  'ratio-zero': { text: string }

  // At the bench
  'instrument-unit': { instrument: string; unit: string; quantity: string }
  'pot-under-pressure': { gauge: number }
  'scale-empty': Record<string, never>
  'picture-not-one': { name: string }
  'picture-other': { claims: string; is: string }
  'pin-outside': { miss: number }
  'pin-beside': Record<string, never>
  'passphrase-needed': Record<string, never>
  'passphrase-wrong': { wait: number }

  // What a document holds
  'out-of-range': { kind: string; value: number; min: number; max: number }
  'not-whole': { value: number; min: number; max: number }
  'missing-text': { field: string }
  malformed: { message: string }

  // Materials from a file
  'unknown-kind': { text: string }
  'table-too-long': { rows: number; limit: number }

  // The heat of a pour
  'nothing-poured': Record<string, never>
  'day-too-short': { from: number; until: number }

  // Shape files
  'file-too-large': { bytes: number; limit: number }
  'file-empty': Record<string, never>
  'stl-truncated': { claimed: number; held: number; bytes: number }
  'stl-count': { claimed: number; held: number; bytes: number }
  'stl-not-stl': { bytes: number }
  'stl-text-broken': { line: number; text: string }
  'mesh-no-triangles': { dropped: number }
  'mesh-no-volume': { triangles: number; area: number }
  'mesh-too-small': { largest: number }
  'mesh-too-large': { largest: number }
  'volume-over-sides': { volume: number; box: number }
  'file-gone': Record<string, never>
  'file-not-shape': { is: OtherFile }
  'mesh-too-fine': { triangles: number; limit: number }
  'drawing-too-large': { elements: number; limit: number }
  'drawing-broken': { fault: DrawingFault; found?: string }
  /** `found` is what stands in the file there, as it stands. */
  'file-broken': { format: string; fault: FileFault; found?: string }
  'zip-too-large': { bytes: number; limit: number }
  'outline-crosses': { x: number; y: number }
  'outline-open': { gap: number }
  'outline-empty': Record<string, never>
  'outline-too-fine': { points: number; limit: number }
  'wall-too-thick': { wall: number; limit: number }
  'profile-falls': { height: number; below: number }
  'profile-closes': { height: number }
  'profile-flat': Record<string, never>
  'mesh-too-open': { share: number }
  'box-too-small': { side: string; box: number; piece: number }
  'cup-without-size': Record<string, never>
  'shell-too-thin': { wall: number; least: number }
  'solid-failed': { reason: string }
  'opening-misses': { miss: number }
  'not-a-direction': Record<string, never>
  'bevel-too-large': { bevel: number; limit: number }
  'dome-too-tall': { height: number; limit: number }

  // Keeping
  'not-found': { kind: string; id: string }
  'id-taken': { id: string }
  'revision-stale': { kind: string; basedOn: number; current: number }
  'database-newer': { unknown: string }
  'backup-unreadable': { reason: string }
  'backup-newer': { version: number; reads: number }
  'body-too-large': { limit: number }
  'mesh-missing': { id: string }
  'picture-missing': { id: string }
  'parent-deleted': { kind: string }
  'demo-not-empty': { pieces: number }
  'backup-of-large-store': { bytes: number; limit: number }
  'backup-damaged': {
    documents: number
    versions: number
    shapes: number
    pictures: number
    names: string
  }
  'backup-busy': Record<string, never>
  'backup-gone': Record<string, never>
  'backup-stalled': { after: number }
  'disk-too-small': { bytes: number; free: number }
  'store-replaced': Record<string, never>
  'store-in-use': { file: string; process: number }
  'store-locked': Record<string, never>
  'store-full': Record<string, never>
  'store-read-only': { file: string }
  'store-gone': { file: string }
  'store-damaged': { file: string; reason: 'empty' | 'no database' | 'pages' | 'disk' }
  'wrong-request': { reason: string }
  'browser-storage': { reason: string }
  'work-failed': { job: string; reason: string }
  'work-too-long': { job: string; limit: number }
  'view-not-fetched': Record<string, never>
  'page-fault': { message: string }
  'server-away': Record<string, never>
  'server-fault': { reference: string }
}

export type ProblemCode = keyof ProblemAmounts
