import type { Vec3 } from '../../mesh/vector.ts'

/** Air that stays. Points are in the piece's own axes, heights above its lowest point. */
export interface AirPocket {
  /** m³ */
  volume: number
  /** Where a vent or a prefill goes: its highest place. */
  top: Vec3
  topHeight: number
  /** The liquid's height when the way out closes, m. */
  saddle: number
  /** No opening reaches it at all. */
  neverFilled: boolean
  /** Cells of the grid it takes; for drawing. */
  cells: Uint32Array
}
