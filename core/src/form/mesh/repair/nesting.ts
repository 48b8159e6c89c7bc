import type { Mesh } from '../mesh.ts'
import type { Vec3 } from '../vector.ts'
import type { Shell } from './shells.ts'

/** Points in a cell of the grid they stand in, about. */
const pointsACell = 2

/** Cells at most along a side of that grid, however many the points. */
const mostCells = 1024

/**
 * In how many of the closed shells each shell lies, by one of its faces: a ray upward from the
 * face's middle crosses a shell that holds it an odd number of times.
 */
export function depthsOf(mesh: Mesh, shells: readonly Shell[]): number[] {
  if (shells.length < 2) return shells.map(() => 0)
  return holdersOf(mesh, shells, shells).map((holders, own) => {
    holders.delete(own)
    return holders.size
  })
}

/** Which of some shells have their first face inside a closed one. */
export function within(mesh: Mesh, holder: Shell, shells: readonly Shell[]): Shell[] {
  const holders = holdersOf(mesh, [holder], shells)
  return shells.filter((_, i) => holders[i].has(0))
}

/**
 * The closed shells, by number, that the first face of each of `inner` lies in. The faces' middles
 * stand in a grid seen from above, and each face of the shells is held against those under it:
 * there are many faces and few middles.
 */
function holdersOf(mesh: Mesh, shells: readonly Shell[], inner: readonly Shell[]): Set<number>[] {
  const { positions: p, triangles } = mesh
  const points = inner.map(({ faces }) => middleOfFace(mesh, faces[0]))
  const holders = points.map(() => new Set<number>())
  const under = gridOf(points)
  shells.forEach(({ faces, openEdges }, shell) => {
    if (openEdges > 0) return
    for (const face of faces) {
      const a = 3 * triangles[3 * face]
      const b = 3 * triangles[3 * face + 1]
      const c = 3 * triangles[3 * face + 2]
      const x0 = under.column(Math.min(p[a], p[b], p[c]))
      const x1 = under.column(Math.max(p[a], p[b], p[c]))
      const y0 = under.row(Math.min(p[a + 1], p[b + 1], p[c + 1]))
      const y1 = under.row(Math.max(p[a + 1], p[b + 1], p[c + 1]))
      for (let y = y0; y <= y1; y++) {
        for (
          let i = under.starts[y * under.side + x0];
          i < under.starts[y * under.side + x1 + 1];
          i++
        ) {
          const point = under.listed[i]
          const [px, py, pz] = points[point]
          if (!passesAbove(mesh, face, px, py, pz)) continue
          if (!holders[point].delete(shell)) holders[point].add(shell)
        }
      }
    }
  })
  return holders
}

/** Points in a grid of columns and rows; those of cell i are `listed` from starts[i] to starts[i + 1]. */
function gridOf(points: readonly Vec3[]) {
  const side = Math.min(mostCells, Math.ceil(Math.sqrt(Math.max(1, points.length / pointsACell))))
  const axis = (k: number) => {
    let low = Infinity
    let high = -Infinity
    for (const point of points) {
      low = Math.min(low, point[k])
      high = Math.max(high, point[k])
    }
    const scale = high > low ? side / (high - low) : 0
    return (value: number): number => {
      const at = Math.floor((value - low) * scale)
      return at < 0 ? 0 : at >= side ? side - 1 : at
    }
  }
  const column = axis(0)
  const row = axis(1)
  const cells = points.map(([x, y]) => row(y) * side + column(x))
  const starts = new Uint32Array(side * side + 1)
  for (const cell of cells) starts[cell + 1]++
  for (let i = 1; i < starts.length; i++) starts[i] += starts[i - 1]
  const listed = new Uint32Array(points.length)
  const next = starts.slice()
  cells.forEach((cell, point) => (listed[next[cell]++] = point))
  return { side, column, row, starts, listed }
}

function middleOfFace({ positions: p, triangles }: Mesh, face: number): Vec3 {
  const [a, b, c] = [0, 1, 2].map((n) => 3 * triangles[3 * face + n])
  const middle = (k: number) => (p[a + k] + p[b + k] + p[c + k]) / 3
  return [middle(0), middle(1), middle(2)]
}

/**
 * Whether a face stands above a point. An edge's crossing is reckoned from its lower-numbered
 * corner and half-open, so that of the two faces at an edge exactly one is met.
 */
function passesAbove(
  { positions: p, triangles }: Mesh,
  face: number,
  x: number,
  y: number,
  z: number,
): boolean {
  let within = false
  for (let n = 0; n < 3; n++) {
    const one = triangles[3 * face + n]
    const other = triangles[3 * face + ((n + 1) % 3)]
    const a = 3 * Math.min(one, other)
    const b = 3 * Math.max(one, other)
    if (p[a + 1] > y === p[b + 1] > y) continue
    const across = p[a] + ((y - p[a + 1]) / (p[b + 1] - p[a + 1])) * (p[b] - p[a])
    if (across > x) within = !within
  }
  return within && heightAt(p, triangles, face, x, y) > z
}

function heightAt(
  p: Mesh['positions'],
  triangles: Uint32Array,
  face: number,
  x: number,
  y: number,
): number {
  const a = 3 * triangles[3 * face]
  const b = 3 * triangles[3 * face + 1]
  const c = 3 * triangles[3 * face + 2]
  const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
  const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
  const nz = ux * vy - uy * vx
  const nx = uy * vz - uz * vy
  const ny = uz * vx - ux * vz
  return p[a + 2] - (nx * (x - p[a]) + ny * (y - p[a + 1])) / nz
}
