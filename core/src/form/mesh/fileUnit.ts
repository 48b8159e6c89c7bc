import { measure } from './measure.ts'
import type { Mesh } from './mesh.ts'

/** What one unit in a file that names none can mean, in metres. */
export const fileUnits = { mm: 1e-3, cm: 1e-2, in: 0.0254, m: 1, ft: 0.3048, um: 1e-6 } as const
export type FileUnit = keyof typeof fileUnits

/** A piece is rarely smaller than 5 mm or larger than 500 mm (common practice, no source). */
const usual = { low: 0.005, high: 0.5 }

export interface UnitSuggestion {
  unit: FileUnit
  /** All units that give a usual size; more than one where the size alone can't tell. */
  likely: FileUnit[]
  /** True when millimetres would give an unlikely size: then the person has to say. */
  doubtful: boolean
  /** Longest side in the file's own unit. */
  longest: number
}

/**
 * Which unit a file probably means, by its size alone; always to be confirmed.
 * `mesh` is still in the file's own unit.
 *
 * @example suggestUnit(cubeOfSide(2)).unit // 'cm'
 * @example suggestUnit(cubeOfSide(2)).likely // ['cm', 'in']
 */
export function suggestUnit(mesh: Mesh): UnitSuggestion {
  const { low, high } = measure(mesh)
  const longest = Math.max(high[0] - low[0], high[1] - low[1], high[2] - low[2])
  const fits = (unit: FileUnit) =>
    longest * fileUnits[unit] >= usual.low && longest * fileUnits[unit] <= usual.high
  const likely = (['mm', 'cm', 'in', 'm'] as const).filter(fits)
  return { unit: likely.at(0) ?? 'mm', likely, doubtful: !fits('mm'), longest }
}
