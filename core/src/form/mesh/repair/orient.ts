import { eachEdge, halfEdgesOf, runsDown, type HalfEdges } from '../halfEdges.ts'
import type { Mesh } from '../mesh.ts'
import { depthsOf } from './nesting.ts'
import type { Shell } from './shells.ts'

/**
 * Turns, in place, the faces that look to the other side than their neighbours: in every
 * connected surface the smaller of the two camps. Says how many. `edges` as they are now.
 */
export function agreeInPlace(mesh: Mesh, edges: HalfEdges = halfEdgesOf(mesh)): number {
  const { triangles } = mesh
  const count = triangles.length / 3
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
  let turned = 0
  for (let face = 0; face < count; face++) {
    const root = sides.root(face)
    const turning = odd[root] > size[root] / 2 ? 0 : 1
    if (odd[root] === 0 || sides.sideOf(face) !== turning) continue
    turn(triangles, face)
    turned++
  }
  return turned
}

/**
 * Turns, in place, shells that look inward while they lie within no other. One within another
 * keeps its side: inward it bounds a void, outward it is a part that overlaps. Answers the shells
 * as they are then.
 */
export function turnOutwardInPlace(mesh: Mesh, shells: readonly Shell[]): Shell[] {
  if (shells.every(({ volume }) => volume >= 0)) return [...shells]
  const depths = depthsOf(mesh, shells)
  return shells.map((shell, i) => {
    if (shell.volume >= 0 || depths[i] > 0) return shell
    for (const face of shell.faces) turn(mesh.triangles, face)
    return { ...shell, volume: -shell.volume }
  })
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
