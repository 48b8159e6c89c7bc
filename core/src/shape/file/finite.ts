import { Problem } from '../../problem/index.ts'
import { soup, type Mesh } from '../mesh.ts'

/** Nine numbers a triangle as a soup, without the triangles that hold a number which is none. */
export function finiteSoup(corners: Float32Array): { mesh: Mesh; dropped: number } {
  let kept = 0
  for (let i = 0; i < corners.length; i += 9) {
    let sum = 0
    for (let k = i; k < i + 9; k++) sum += corners[k]
    if (sum - sum !== 0) continue
    if (kept !== i) corners.copyWithin(kept, i, i + 9)
    kept += 9
  }
  const dropped = (corners.length - kept) / 9
  if (kept === 0) throw new Problem('mesh-no-triangles', { dropped })
  return { mesh: soup(kept === corners.length ? corners : corners.slice(0, kept)), dropped }
}
