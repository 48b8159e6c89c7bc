import type { Mesh } from '../mesh.ts'
import { UnionFind } from '../unionFind.ts'
import { halfEdgesOf, eachEdge } from '../halfEdges.ts'

/** Corners of open edges nearer than this share of the piece's size are taken for one. */
const near = 1e-5

/**
 * Joins corners of open edges that lie within 1e-5 of the piece's size of each other: gaps that
 * rounding left when a file was written. Says how many corners were joined.
 */
export function nearWeld(mesh: Mesh): { mesh: Mesh; joined: number } {
  const { positions: p, triangles } = mesh
  const rim = new Set<number>()
  eachEdge(halfEdgesOf(mesh), (low, high, from, to) => {
    if (to - from === 1) rim.add(low).add(high)
  })
  const reach = near * sizeOf(mesh)
  const cells = new Map<string, number[]>()
  const key = (x: number, y: number, z: number) => `${x},${y},${z}`
  const cellOf = (v: number) => [0, 1, 2].map((k) => Math.floor(p[3 * v + k] / reach))
  const sets = new UnionFind(p.length / 3)
  let joined = 0
  for (const v of rim) {
    const [x, y, z] = cellOf(v)
    for (let dx = -1; dx <= 1; dx++) {
      for (let dy = -1; dy <= 1; dy++) {
        for (let dz = -1; dz <= 1; dz++) {
          for (const other of cells.get(key(x + dx, y + dy, z + dz)) ?? []) {
            const far = Math.hypot(...[0, 1, 2].map((k) => p[3 * v + k] - p[3 * other + k]))
            if (far > reach || sets.root(v) === sets.root(other)) continue
            sets.join(v, other)
            joined++
          }
        }
      }
    }
    const own = key(x, y, z)
    cells.set(own, [...(cells.get(own) ?? []), v])
  }
  if (joined === 0) return { mesh, joined }
  const kept: number[] = []
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => sets.root(triangles[i + k]))
    if (a !== b && b !== c && c !== a) kept.push(a, b, c)
  }
  return { mesh: { positions: p, triangles: Uint32Array.from(kept) }, joined }
}

function sizeOf({ positions: p }: Mesh): number {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < p.length; i++) {
    low[i % 3] = Math.min(low[i % 3], p[i])
    high[i % 3] = Math.max(high[i % 3], p[i])
  }
  return Math.max(...high.map((h, i) => h - low[i]))
}
