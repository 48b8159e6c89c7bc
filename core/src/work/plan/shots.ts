import type { CompiledLayer, LayerClock } from './compile/compiled.ts'

/** A shot of a hollow cast, s after the first mixing: poured, what it lays stays, nothing moves. */
export interface ShotTimes {
  shot: number
  of: number
  pourAt: number
  countsFrom: number
  stopsAt: number
}

/**
 * When each shot of a layer is turned; none of what is poured solid, or before the model has said how it
 * thickens.
 *
 * @example shotTimes({}) // []
 */
export function shotTimes({
  shell,
  turning,
  clock,
}: Pick<CompiledLayer, 'shell' | 'turning' | 'clock'>): ShotTimes[] {
  if (!shell || !turning || !clock) return []
  const { shots } = shell.fill
  const gap = shotGap(shots, clock)
  return Array.from({ length: shots }, (_, i) => ({
    shot: i + 1,
    of: shots,
    pourAt: clock.pourAt + i * gap,
    countsFrom: clock.mixAt + i * gap + turning.countsFrom,
    stopsAt: clock.mixAt + i * gap + turning.stopsAt,
  }))
}

/** From one shot to the next, s. @example shotGap(3, { pourAt: 60, lastPourAt: 1260 }) // 600 */
export const shotGap = (
  shots: number,
  { pourAt, lastPourAt }: Pick<LayerClock, 'pourAt' | 'lastPourAt'>,
): number => (shots > 1 ? (lastPourAt - pourAt) / (shots - 1) : 0)
