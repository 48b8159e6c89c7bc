import { volumeAt, type FillCurve } from '../../form/filling/index.ts'
import type { BuiltBox } from '../box/box.ts'

export interface Cover {
  /** Where the silicone will stand above the box floor, m. */
  level: number
  /** Of the master under it, and how far its top would stick out (0 when covered), m. */
  sticksOut: number
  /** Missing, m³; negative when some is left. */
  short: number
}

/** Steps of the bisection: a box of 1 m comes down to a nanometre. */
const halvings = 30

/**
 * Where `poured` m³ of silicone stand in a box around its master. Level in the room left by the
 * master, found by bisection of box volume minus master minus what fillers take in proportion.
 *
 * @example cover(builtBox, geometryOf60x40x20.curve, 144e-6, 0).short // 0 (192 ml of box less 48 of master)
 */
export function cover(box: BuiltBox, curve: FillCurve, poured: number, fillers: number): Cover {
  // Chunks lie through the whole height: they take their share of every slice.
  const free = (h: number) =>
    box.volumeTo(h) - volumeAt(curve, h - box.under) - fillers * Math.min(1, h / box.height)
  const whole = free(box.height)
  let [low, high] = [0, box.height]
  for (let i = 0; i < halvings; i++) {
    const middle = (low + high) / 2
    if (free(middle) < poured) low = middle
    else high = middle
  }
  const level = poured >= whole ? box.height : high
  return {
    level,
    sticksOut: Math.max(0, box.under + curve.height - level),
    short: whole - poured,
  }
}
