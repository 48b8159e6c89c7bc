import type { Mesh } from '../../mesh/mesh.ts'
import { MeshBuilder } from './builder.ts'

/** Rings of a step cut from the culet up: share of the half width, share of the height. */
const rings: readonly (readonly [share: number, height: number])[] = [
  [0.12, 0],
  [0.52, 0.26],
  [0.82, 0.46],
  [1, 0.62],
  [1, 0.68],
  [0.84, 0.86],
  [0.64, 1],
]

/** Cut off a corner, as a share of the shorter half side. */
const corner = 0.36

/**
 * A step-cut gem, point down and table up: an oblong with its corners cut, in steps parallel to
 * the girdle. Its proportions are ours.
 */
export function stepCut({
  width,
  depth,
  height,
}: {
  width: number
  depth: number
  height: number
}): Mesh {
  const builder = new MeshBuilder()
  // A step keeps its distance to the girdle, so that an oblong keeps a keel below.
  const shorter = Math.min(width, depth) / 2
  const loops = rings.map(([share]) => {
    const inset = (1 - share) * shorter
    return octagon(width / 2 - inset, depth / 2 - inset, corner * share * shorter)
  })
  rings.forEach(([, z], i) => {
    if (i > 0) builder.wall(loops[i - 1], rings[i - 1][1] * height, loops[i], z * height)
  })
  builder.cap(loops[0], [], 0, 'down')
  builder.cap(loops[loops.length - 1], [], height, 'up')
  return builder.mesh()
}

function octagon(x: number, y: number, cut: number): number[] {
  return [
    -x + cut,
    -y,
    x - cut,
    -y,
    x,
    -y + cut,
    x,
    y - cut,
    x - cut,
    y,
    -x + cut,
    y,
    -x,
    y - cut,
    -x,
    -y + cut,
  ]
}
