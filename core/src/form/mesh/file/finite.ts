import { Problem } from '../../../base/problem/index.ts'
import { soup, type Mesh } from '../mesh.ts'

/** A coordinate beyond this is no length in any unit (2 m are 2 million micrometres). */
const farthest = 1e9

/**
 * Nine numbers a triangle as a soup, without the triangles that hold a number which is none, or
 * none that can be a length.
 *
 * Throws `Problem('mesh-no-triangles')` when none is left.
 */
export function finiteSoup(corners: Float32Array | Float64Array): { mesh: Mesh; dropped: number } {
  let kept = 0
  for (let i = 0; i < corners.length; i += 9) {
    let usable = true
    for (let k = i; k < i + 9; k++) usable &&= Math.abs(corners[k]) <= farthest
    if (!usable) continue
    if (kept !== i) corners.copyWithin(kept, i, i + 9)
    kept += 9
  }
  const dropped = (corners.length - kept) / 9
  if (kept === 0) throw new Problem('mesh-no-triangles', { dropped })
  return { mesh: soup(kept === corners.length ? corners : corners.slice(0, kept)), dropped }
}
