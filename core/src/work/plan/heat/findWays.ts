import { checkWay, waysOut, type CheckedWay, type WaysContext } from './waysOut.ts'
import type { Mesh } from '../../../form/mesh/index.ts'

/** Ways that are checked at most; each takes a second or so. */
const mostChecked = 8

/**
 * Ways out for a layer that runs hot, each confirmed by the heat field: the first split without
 * scuffing that holds, the first with, other resins and a cooler room. `onProgress` hears the
 * share that is done.
 */
export function findWays(
  context: WaysContext,
  layer: string,
  mesh: Mesh,
  onProgress: (share: number) => void = () => {},
): CheckedWay[] {
  const ways = waysOut(context, layer)
  const found: CheckedWay[] = []
  let checked = 0
  for (const way of ways) {
    onProgress(checked / Math.min(ways.length, mostChecked))
    const alike = (other: CheckedWay) =>
      other.way.way === 'split' && way.way === 'split' && other.way.scuff === way.scuff
    if (found.some(alike)) continue
    if (checked++ >= mostChecked) break
    const result = checkWay(context, way, mesh)
    if (result.holds) found.push(result)
  }
  onProgress(1)
  return found
}
