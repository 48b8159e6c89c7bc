import { eachEdge, halfEdgesOf, nextInFace, runsDown, type HalfEdges } from '../halfEdges.ts'
import type { Mesh } from '../mesh.ts'
import { UnionFind } from '../unionFind.ts'

/** One connected surface of a mesh. */
export interface Shell {
  /** Its faces, by number. */
  faces: number[]
  /** m³, negative when it looks inward. */
  volume: number
  /** Handles: 0 for a ball, 1 for a ring. NaN while it is open. */
  genus: number
  openEdges: number
}

/**
 * The connected surfaces of a welded mesh, largest first. Edges of more than two faces pair the
 * faces next to one another by angle, so that solids that only touch stay apart; corners are
 * counted per surface, so that touching points do not spoil the Euler characteristic.
 *
 * @example shellsOf(torus)[0].genus // 1
 */
export function shellsOf(mesh: Mesh, edges: HalfEdges = halfEdgesOf(mesh)): Shell[] {
  const { triangles } = mesh
  const faces = new UnionFind(triangles.length / 3)
  const corners = new UnionFind(triangles.length)
  const pairs: number[] = []
  const open: number[] = []
  const bound = (a: number, b: number) => {
    if (b < 0) {
      open.push(a)
      return
    }
    pairs.push(a)
    faces.join(Math.floor(a / 3), Math.floor(b / 3))
    joinCorners(triangles, corners, a, b)
  }
  eachEdge(edges, (low, high, from, to) => {
    if (to - from === 2) bound(edges.sorted[from], edges.sorted[from + 1])
    else if (to - from === 1) bound(edges.sorted[from], -1)
    else {
      const around = Array.from(edges.sorted.subarray(from, to))
      for (const [a, b] of pairsAround(mesh, low, high, around)) bound(a, b)
    }
  })
  const shells = new Map<number, Shell & { edges: number; points: number }>()
  const shellOf = (halfEdge: number) => {
    const root = faces.root(Math.floor(halfEdge / 3))
    let shell = shells.get(root)
    if (!shell) {
      shell = { faces: [], volume: 0, genus: 0, openEdges: 0, edges: 0, points: 0 }
      shells.set(root, shell)
    }
    return shell
  }
  for (let face = 0; face < triangles.length / 3; face++) {
    const shell = shellOf(3 * face)
    shell.faces.push(face)
    shell.volume += tetrahedron(mesh, face)
    for (let c = 3 * face; c < 3 * face + 3; c++) if (corners.root(c) === c) shell.points++
  }
  for (const halfEdge of pairs) shellOf(halfEdge).edges++
  for (const halfEdge of open) {
    shellOf(halfEdge).edges++
    shellOf(halfEdge).openEdges++
  }
  return [...shells.values()]
    .map(({ faces: own, volume, openEdges, edges: count, points }): Shell => {
      const euler = points - count + own.length
      return { faces: own, volume, openEdges, genus: openEdges > 0 ? NaN : 1 - euler / 2 }
    })
    .sort((a, b) => Math.abs(b.volume) - Math.abs(a.volume))
}

/** Half-edges of one edge in pairs that bound the same solid; an odd one out pairs with -1. */
function pairsAround(mesh: Mesh, low: number, high: number, around: number[]): [number, number][] {
  const sorted = byAngle(mesh, low, high, around)
  const left = [...sorted]
  const pairs: [number, number][] = []
  while (left.length > 1) {
    // A face whose solid lies ahead of it (turning about the edge) pairs with the next.
    const i = left.findIndex((h, n) => {
      const next = left[(n + 1) % left.length]
      return runsDown(mesh.triangles, h) && !runsDown(mesh.triangles, next)
    })
    const at = i < 0 ? 0 : i
    const next = (at + 1) % left.length
    pairs.push([left[at], left[next]])
    for (const n of [at, next].sort((a, b) => b - a)) left.splice(n, 1)
  }
  if (left.length === 1) pairs.push([left[0], -1])
  return pairs
}

/** By the angle of each face's third corner about the edge. */
function byAngle({ positions: p, triangles }: Mesh, low: number, high: number, around: number[]) {
  const at = (v: number) => [p[3 * v], p[3 * v + 1], p[3 * v + 2]]
  const [a, b] = [at(low), at(high)]
  const axis = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const length = Math.hypot(...axis)
  const e = axis.map((x) => x / length)
  const thirdOf = (h: number) => at(triangles[nextInFace(nextInFace(h))])
  const flat = (point: number[]) => {
    const d = point.map((x, i) => x - a[i])
    const along = d[0] * e[0] + d[1] * e[1] + d[2] * e[2]
    return d.map((x, i) => x - along * e[i])
  }
  const first = flat(thirdOf(around[0]))
  const size = Math.hypot(...first)
  const x = first.map((v) => v / size)
  const y = [e[1] * x[2] - e[2] * x[1], e[2] * x[0] - e[0] * x[2], e[0] * x[1] - e[1] * x[0]]
  const angle = (h: number) => {
    const d = flat(thirdOf(h))
    const turn = Math.atan2(
      d[0] * y[0] + d[1] * y[1] + d[2] * y[2],
      d[0] * x[0] + d[1] * x[1] + d[2] * x[2],
    )
    return turn < -1e-12 ? turn + 2 * Math.PI : turn
  }
  const angles = new Map(around.map((h) => [h, angle(h)]))
  return [...around].sort((g, h) => angles.get(g)! - angles.get(h)!)
}

/** The corners at both ends of an edge belong to the same points of the surface. */
function joinCorners(triangles: Uint32Array, corners: UnionFind, a: number, b: number): void {
  const [a2, b2] = [nextInFace(a), nextInFace(b)]
  if (triangles[a] === triangles[b]) {
    corners.join(a, b)
    corners.join(a2, b2)
  } else {
    corners.join(a, b2)
    corners.join(a2, b)
  }
}

function tetrahedron({ positions: p, triangles }: Mesh, face: number): number {
  const [a, b, c] = [0, 1, 2].map((k) => 3 * triangles[3 * face + k])
  return (
    (p[a] * (p[b + 1] * p[c + 2] - p[b + 2] * p[c + 1]) +
      p[a + 1] * (p[b + 2] * p[c] - p[b] * p[c + 2]) +
      p[a + 2] * (p[b] * p[c + 1] - p[b + 1] * p[c])) /
    6
  )
}
