import { eachEdge, halfEdgesOf, nextInFace, runsDown, type HalfEdges } from '../halfEdges.ts'
import type { Mesh } from '../mesh.ts'
import { UnionFind } from '../unionFind.ts'
import type { Vec3 } from '../vector.ts'

/** One connected surface of a mesh. */
export interface Shell {
  /** Its faces, by number. */
  faces: Uint32Array
  /** m³, negative when it looks inward. */
  volume: number
  /** Handles: 0 for a ball, 1 for a ring. NaN while it is open. */
  genus: number
  openEdges: number
  /** Its bounds, m. */
  low: Vec3
  high: Vec3
}

/**
 * The connected surfaces of a welded mesh, largest first. Edges of more than two faces pair the
 * faces next to one another by angle, so that solids that only touch stay apart; corners are
 * counted per surface, so that touching points do not spoil the Euler characteristic.
 *
 * @example shellsOf(unitCube)[0].genus // 0 (a torus has 1)
 */
export function shellsOf(mesh: Mesh, edges: HalfEdges = halfEdgesOf(mesh)): Shell[] {
  const { triangles } = mesh
  const faces = new UnionFind(triangles.length / 3)
  const corners = new UnionFind(triangles.length)
  /** One half-edge of each edge of the surfaces, and those that have no partner. */
  const edgeAt = new Uint32Array(triangles.length)
  let bounded = 0
  const open: number[] = []
  const bound = (a: number, b: number) => {
    edgeAt[bounded++] = a
    if (b < 0) {
      open.push(a)
      return
    }
    faces.join(faceOf(a), faceOf(b))
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
  const { shellOf, members } = gather(faces)
  const points = new Uint32Array(members.length)
  const edgeCount = new Uint32Array(members.length)
  const openCount = new Uint32Array(members.length)
  for (let c = 0; c < triangles.length; c++) {
    if (corners.root(c) === c) points[shellOf[faceOf(c)]]++
  }
  for (let i = 0; i < bounded; i++) edgeCount[shellOf[faceOf(edgeAt[i])]]++
  for (const halfEdge of open) openCount[shellOf[faceOf(halfEdge)]]++
  return members
    .map((own, i): Shell => {
      const euler = points[i] - edgeCount[i] + own.length
      const openEdges = openCount[i]
      const genus = openEdges > 0 ? NaN : 1 - euler / 2
      return { faces: own, openEdges, genus, ...extentOf(mesh, own) }
    })
    .sort((a, b) => Math.abs(b.volume) - Math.abs(a.volume))
}

const faceOf = (halfEdge: number): number => (halfEdge / 3) | 0

/** The faces of each set, and the number of the set that each face is in. */
function gather(faces: UnionFind): { shellOf: Uint32Array; members: Uint32Array[] } {
  const count = faces.parent.length
  const shellOf = new Uint32Array(count)
  const sizes: number[] = []
  // The root of a set is its lowest face, so it is met before the others.
  for (let face = 0; face < count; face++) {
    const root = faces.root(face)
    if (root === face) shellOf[face] = sizes.push(0) - 1
    else shellOf[face] = shellOf[root]
    sizes[shellOf[face]]++
  }
  const members = sizes.map((size) => new Uint32Array(size))
  const filled = new Uint32Array(sizes.length)
  for (let face = 0; face < count; face++) {
    const shell = shellOf[face]
    members[shell][filled[shell]++] = face
  }
  return { shellOf, members }
}

/** Signed volume about the shell's own first corner, and bounds. */
function extentOf({ positions: p, triangles }: Mesh, faces: Uint32Array) {
  const low: [number, number, number] = [Infinity, Infinity, Infinity]
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  const first = 3 * triangles[3 * faces[0]]
  const [ox, oy, oz] = [p[first], p[first + 1], p[first + 2]]
  let volume = 0
  for (const face of faces) {
    const a = 3 * triangles[3 * face]
    const b = 3 * triangles[3 * face + 1]
    const c = 3 * triangles[3 * face + 2]
    for (let k = 0; k < 3; k++) {
      const [x, y, z] = [p[a + k], p[b + k], p[c + k]]
      if (x < low[k]) low[k] = x
      if (y < low[k]) low[k] = y
      if (z < low[k]) low[k] = z
      if (x > high[k]) high[k] = x
      if (y > high[k]) high[k] = y
      if (z > high[k]) high[k] = z
    }
    const [ax, ay, az] = [p[a] - ox, p[a + 1] - oy, p[a + 2] - oz]
    const [bx, by, bz] = [p[b] - ox, p[b + 1] - oy, p[b + 2] - oz]
    const [cx, cy, cz] = [p[c] - ox, p[c + 1] - oy, p[c + 2] - oz]
    volume += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
  }
  return { volume: volume / 6, low, high }
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
