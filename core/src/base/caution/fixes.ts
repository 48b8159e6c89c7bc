/** What one click can do about a caution, with the amounts its button names (SI units). */
export interface FixAmounts {
  'mix-more': { mass: number; cups: number }
  'fewer-cups': { cups: number }
  'more-cups': { cups: number }
  'finer-scale': { step: number }
  'tint-to-limit': { limit: number }
  'copies-to-cavities': { cavities: number }
  'fill-to-rim': { top: number }
  'base-and-cover': { layer: string }
  'lay-on-floor': { below: string }
  dab: { inclusion: string }
  jig: { inclusion: string }
  'wait-for-dab': { short: number }
  'as-the-join-wants': Record<string, never>
  'begin-at': { begin: number }
  overnight: { at: number }
  'fill-chunks': { volume: number }
  'lower-line': { line: number }
  'box-by-outline': Record<string, never>
  'widen-box': { side: number }
  'larger-cup': { cup: number }
  'more-coats': { coats: number }
  'thicker-shell': { wall: number }
  'widen-gate': { bore: number }
  shots: { shots: number }
  powder: { share: number }
  'turn-over': Record<string, never>
  'close-mould': Record<string, never>
}
export type FixCode = keyof FixAmounts
