import { eachEdge, halfEdgesOf, runsDown } from '../halfEdges.ts'
import type { Mesh } from '../mesh.ts'
import { depthsOf } from './nesting.ts'
import { shellsOf } from './shells.ts'

/**
 * The same mesh with its faces in agreement, in place: faces that look to the other side than
 * their neighbours are turned (the smaller number of them), and a shell that looks inward while
 * it lies within no other. One within another keeps its side: inward it bounds a void, outward
 * it is a part that overlaps. Says how many faces were turned.
 */
export function orientInPlace(mesh: Mesh): { turned: number } {
  const { triangles } = mesh
  const before = triangles.slice()
  agree(mesh)
  const shells = shellsOf(mesh)
  if (shells.some(({ volume }) => volume < 0)) {
    const depths = depthsOf(mesh, shells)
    shells.forEach(({ volume, faces }, i) => {
      if (volume < 0 && depths[i] === 0) for (const face of faces) turn(triangles, face)
    })
  }
  let turned = 0
  for (let i = 1; i < before.length; i += 3) if (before[i] !== triangles[i]) turned++
  return { turned }
}

function turn(triangles: Uint32Array, face: number): void {
  const second = triangles[3 * face + 1]
  triangles[3 * face + 1] = triangles[3 * face + 2]
  triangles[3 * face + 2] = second
}

/** Sets of faces joined across edges of two, each with its side against the root of its set. */
class Sides {
  readonly parent: Uint32Array
  /** 1 where a face looks to the other side than its parent. */
  readonly differs: Uint8Array
  constructor(count: number) {
    this.parent = new Uint32Array(count)
    for (let i = 0; i < count; i++) this.parent[i] = i
    this.differs = new Uint8Array(count)
  }

  /** The root, with the path to it made short. */
  root(of: number): number {
    const { parent, differs } = this
    let side = 0
    let at = of
    while (parent[at] !== at) {
      side ^= differs[at]
      at = parent[at]
    }
    for (let face = of; face !== at;) {
      const next = parent[face]
      const own = differs[face]
      parent[face] = at
      differs[face] = side
      side ^= own
      face = next
    }
    return at
  }

  join(a: number, b: number, differ: 0 | 1): void {
    const [x, y] = [this.root(a), this.root(b)]
    if (x === y) return
    const side = this.sideOf(a) ^ this.sideOf(b) ^ differ
    const [above, under] = x < y ? [x, y] : [y, x]
    this.parent[under] = above
    this.differs[under] = side
  }

  /** Against the root; right after `root` was asked. */
  sideOf(face: number): number {
    return this.parent[face] === face ? 0 : this.differs[face]
  }
}

/** Turns, in every connected surface, the smaller of the two camps that look to opposite sides. */
function agree(mesh: Mesh): void {
  const { triangles } = mesh
  const count = triangles.length / 3
  const edges = halfEdgesOf(mesh)
  const sides = new Sides(count)
  eachEdge(edges, (_, __, from, to) => {
    if (to - from !== 2) return
    const [a, b] = [edges.sorted[from], edges.sorted[from + 1]]
    const differ = runsDown(triangles, a) === runsDown(triangles, b) ? 1 : 0
    sides.join((a / 3) | 0, (b / 3) | 0, differ)
  })
  const size = new Uint32Array(count)
  const odd = new Uint32Array(count)
  for (let face = 0; face < count; face++) {
    const root = sides.root(face)
    size[root]++
    odd[root] += sides.sideOf(face)
  }
  for (let face = 0; face < count; face++) {
    const root = sides.root(face)
    const turning = odd[root] > size[root] / 2 ? 0 : 1
    if (odd[root] > 0 && sides.sideOf(face) === turning) turn(triangles, face)
  }
}
