import type { Vec3 } from '../../../form/mesh/index.ts'
import type { HeatField } from './pouring.ts'
import { kindAt, probe } from './look.ts'

/** One place over time, as a chart draws it. */
export interface Followed {
  /** A layer by its number, or the mould. */
  of: number | 'mould'
  at: number[]
  temperature: number[]
  /** Resin alone cures. */
  alpha?: number[]
}

/** Places over time, each from when its layer was poured. */
export function followPlaces(
  field: HeatField,
  places: readonly Vec3[],
  pours: readonly (number | undefined)[],
): Followed[] {
  return places.flatMap((place) => {
    const of = kindAt(field, place)
    if (of === 'air') return []
    const from = of === 'mould' ? 0 : (pours[of] ?? Infinity)
    const warm = probe(field, place, 'temperature').filter(({ at }) => at >= from)
    const cured = probe(field, place, 'alpha').filter(({ at }) => at >= from)
    return {
      of,
      at: warm.map(({ at }) => at),
      temperature: warm.map(({ value }) => value),
      alpha: of === 'mould' ? undefined : cured.map(({ value }) => value),
    }
  })
}

/** What is left of the largest rise counts as over, as a share. */
const over = 0.06

/** Until when charts are worth drawing: a little after the last warmth, s. */
export function eventful({ layers, frames }: HeatField, room: number): number {
  const end = frames.at(-1)?.at ?? 0
  const highest = Math.max(room, ...layers.flatMap(({ series }) => series.hot))
  const enough = room + (highest - room) * over
  let last = 0
  for (const { series } of layers) {
    const i = series.hot.findLastIndex((t) => t > enough)
    if (i >= 0) last = Math.max(last, series.at[i])
  }
  return highest - room < 0.5 ? end : Math.min(end, last * 1.05)
}
