import { Problem } from '../../../base/problem/index.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { MeshBuilder } from '../solids/builder.ts'
import { cornersOfLoop, crossingOf, insetLoop, insideLoop, type Loop } from './loops.ts'
import { woundLoops, type Outline2D } from './outline.ts'

/**
 * The closed mesh of an outline: the face below with its bevel, the back above square.
 *
 * Throws `Problem('bevel-too-large')` where the bevel would eat a neck of the outline.
 *
 * @example measure(extrude({ loops: [[0,0, 1,0, 1,1, 0,1]], thickness: 2, bevel: 0 })).volume // 2
 */
export function extrude({ loops, thickness, bevel }: Outline2D): Mesh {
  const wound = woundLoops(loops.map(cornersOfLoop).filter((loop) => loop.length >= 6))
  const faces =
    bevel > 0 ? wound.map(({ loop }) => insetLoop(loop, bevel)) : wound.map((w) => w.loop)
  if (bevel > 0 && crossingOf(faces)) {
    throw new Problem('bevel-too-large', { bevel, limit: widestBevel(wound, bevel) }, 'bevel')
  }
  const builder = new MeshBuilder()
  wound.forEach(({ loop }, i) => {
    if (bevel > 0) builder.wall(faces[i], 0, loop, bevel)
    builder.wall(loop, bevel, loop, thickness)
  })
  wound.forEach(({ hole, depth, loop }, i) => {
    if (hole) return
    const within = wound.flatMap((other, j) =>
      other.hole && other.depth === depth + 1 && insideLoop(loop, other.loop[0], other.loop[1])
        ? [j]
        : [],
    )
    builder.cap(
      faces[i],
      within.map((j) => faces[j]),
      0,
      'down',
    )
    builder.cap(
      loop,
      within.map((j) => wound[j].loop),
      thickness,
      'up',
    )
  })
  return builder.mesh()
}

/** The largest bevel that leaves the outline whole, to a hundredth of what was asked. */
function widestBevel(wound: readonly { loop: Loop }[], asked: number): number {
  let [low, high] = [0, asked]
  while (high - low > asked / 100) {
    const middle = (low + high) / 2
    if (crossingOf(wound.map(({ loop }) => insetLoop(loop, middle)))) high = middle
    else low = middle
  }
  return low
}
