import { toAxes } from '../../mesh/axes.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { inCells, type Grid } from '../voxel/grid.ts'
import type { AirPocket } from './pocket.ts'

/** Cosine of the steepest a face may be and still count as level. */
const level = Math.cos((1 * Math.PI) / 180)

/** Faces of a mesh by their heights above the piece's lowest point. */
export class Faces {
  private readonly height: Float64Array

  constructor(
    private readonly mesh: Mesh,
    private readonly grid: Grid,
    bottom: number,
  ) {
    const { positions: p } = mesh
    const { up } = grid.axes
    this.height = new Float64Array(p.length / 3)
    for (let i = 0; i < this.height.length; i++) {
      this.height[i] = p[3 * i] * up[0] + p[3 * i + 1] * up[1] + p[3 * i + 2] * up[2] - bottom
    }
  }

  top = (t: number) => Math.max(...this.heights(t))

  heights(t: number): [number, number, number] {
    const { triangles } = this.mesh
    return [this.height[triangles[t]], this.height[triangles[t + 1]], this.height[triangles[t + 2]]]
  }

  corner(t: number, k: number): Vec3 {
    const i = 3 * this.mesh.triangles[t + k]
    const { positions: p } = this.mesh
    return [p[i], p[i + 1], p[i + 2]]
  }

  highest(t: number): { height: number; point: Vec3 } {
    const heights = this.heights(t)
    const k = heights.indexOf(Math.max(...heights))
    return { height: heights[k], point: this.corner(t, k) }
  }

  /** Vector area, m². */
  normal(t: number): Vec3 {
    const [a, b, c] = [this.corner(t, 0), this.corner(t, 1), this.corner(t, 2)]
    const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
    const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]]
    return [
      (u[1] * v[2] - u[2] * v[1]) / 2,
      (u[2] * v[0] - u[0] * v[2]) / 2,
      (u[0] * v[1] - u[1] * v[0]) / 2,
    ]
  }

  /** A point well within the face, near its top, so that a face across a saddle goes by its upper part. */
  middle(t: number): Vec3 {
    const heights = this.heights(t)
    const k = heights.indexOf(Math.max(...heights))
    const weights = [0, 1, 2].map((i) => (i === k ? 0.6 : 0.2))
    const corners = [0, 1, 2].map((i) => this.corner(t, i))
    return [0, 1, 2].map((axis) =>
      corners.reduce((sum, corner, i) => sum + weights[i] * corner[axis], 0),
    ) as unknown as Vec3
  }

  /** Σ P·(z̄ − h) of the part above h. */
  fluxAbove(t: number, h: number): number {
    const upward = toAxes(this.grid.axes, this.normal(t))[2]
    const [a, b, c] = this.heights(t).sort((x, y) => x - y)
    if (a >= h) return upward * ((a + b + c) / 3 - h)
    if (c <= h) return 0
    // The integral over the whole of max(0, z − h), with z linear over the triangle.
    const cut = (c - h) ** 3 / ((c - a) * (c - b) || Infinity)
    if (b <= h) return (upward * cut) / 3
    const low = (h - a) ** 3 / ((c - a) * (b - a))
    return upward * ((a + b + c) / 3 - h + low / 3)
  }

  /** Height of a level face, or undefined. */
  levelAt(t: number): number | undefined {
    const normal = this.normal(t)
    const size = Math.hypot(...normal)
    const upward = Math.abs(toAxes(this.grid.axes, normal)[2])
    return upward >= level * size && size > 0 ? this.heights(t)[0] : undefined
  }

  get count(): number {
    return this.mesh.triangles.length
  }
}

/** Which pocket each cell belongs to; −1 for none. */
export function ownersOf(grid: Grid, pockets: readonly AirPocket[]): Int16Array {
  const owner = new Int16Array(grid.inside.length).fill(-1)
  pockets.forEach(({ cells }, i) => cells.forEach((cell) => (owner[cell] = i)))
  return owner
}

/** The pocket beneath a face: cells half a cell to two cells inward are asked. */
export function ownerOf(at: Vec3, normal: Vec3, grid: Grid, owner: Int16Array): number {
  const size = Math.hypot(...normal)
  if (size === 0) return -1
  const [nx, , nz] = grid.counts
  for (const inward of [0.5, 1, 1.6]) {
    const step = (inward * Math.max(...grid.cell)) / size
    const [x, y, z] = inCells(grid, [
      at[0] - normal[0] * step,
      at[1] - normal[1] * step,
      at[2] - normal[2] * step,
    ])
    const cell = (Math.round(y) * nx + Math.round(x)) * nz + Math.round(z)
    if (cell >= 0 && cell < owner.length && owner[cell] >= 0) return owner[cell]
  }
  return -1
}
