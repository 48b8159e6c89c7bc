import { eachEdge, halfEdgesOf, nextInFace } from '../halfEdges.ts'
import type { Mesh } from '../mesh.ts'

export interface ClosedHoles {
  mesh: Mesh
  closed: number
  /** Added surface, m². */
  area: number
}

/**
 * The mesh with every rim of open edges closed by a fan from its middle. Right for small and
 * nearly flat holes; over a large one it draws a skin that nobody modelled, so its area is said.
 */
export function closeHoles(mesh: Mesh): ClosedHoles {
  const { triangles, positions: p } = mesh
  const edges = halfEdgesOf(mesh)
  /** The rim runs against its face: from the half-edge's end to its beginning. */
  const after = new Map<number, number[]>()
  eachEdge(edges, (_, __, from, to) => {
    if (to - from !== 1) return
    const h = edges.sorted[from]
    const [start, end] = [triangles[nextInFace(h)], triangles[h]]
    after.set(start, [...(after.get(start) ?? []), end])
  })
  const rims: number[][] = []
  for (const start of [...after.keys()]) {
    for (;;) {
      const rim = walk(after, start)
      if (rim.length < 3) break
      rims.push(rim)
    }
  }
  const corners: number[] = []
  const faces: number[] = []
  let area = 0
  for (const rim of rims) {
    const middle = [0, 1, 2].map((k) => rim.reduce((sum, v) => sum + p[3 * v + k], 0) / rim.length)
    const hub = p.length / 3 + corners.length / 3
    if (rim.length > 3) corners.push(...middle)
    const fan = rim.length === 3 ? [rim] : rim.map((v, i) => [v, rim[(i + 1) % rim.length], hub])
    for (const face of fan) {
      faces.push(...face)
      area += areaOf(face.map((v) => (v === hub ? middle : [p[3 * v], p[3 * v + 1], p[3 * v + 2]])))
    }
  }
  const positions = new Float64Array(p.length + corners.length)
  positions.set(p)
  positions.set(corners, p.length)
  const all = new Uint32Array(triangles.length + faces.length)
  all.set(triangles)
  all.set(faces, triangles.length)
  return { mesh: { positions, triangles: all }, closed: rims.length, area }
}

/** One rim from `start`, taken out of what is left. */
function walk(after: Map<number, number[]>, start: number): number[] {
  const rim: number[] = []
  let at = start
  for (;;) {
    const next = after.get(at)?.pop()
    if (next === undefined) return rim.length > 0 && at === start ? rim : []
    rim.push(at)
    at = next
    if (at === start) return rim
  }
}

function areaOf([a, b, c]: number[][]): number {
  const u = b.map((x, i) => x - a[i])
  const v = c.map((x, i) => x - a[i])
  const [x, y, z] = [
    u[1] * v[2] - u[2] * v[1],
    u[2] * v[0] - u[0] * v[2],
    u[0] * v[1] - u[1] * v[0],
  ]
  return Math.hypot(x, y, z) / 2
}
