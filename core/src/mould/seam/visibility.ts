import { fibonacciCap } from '../../form/cells/index.ts'
import { axesFor, distancesAlong, fromAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'

/** Directions of the front hemisphere, and pixels along the longer side of each picture. */
const looks = 24
const pixels = 160

/** A place is still seen when it lies so many pixels behind what is nearest there. */
const behind = 2

/**
 * How visible each vertex of a mesh is from the front: the share of the directions of the front
 * hemisphere from which nothing of the piece lies before it (z-buffer, Catmull 1974). `front` points
 * to where the piece is looked at from.
 *
 * @returns 0 to 1, vertex by vertex
 * @example Math.max(...visibilityOf(unitCube, [0, -1, 0])) <= 1 // true
 */
export function visibilityOf(mesh: Mesh, front: Vec3): Float32Array {
  const count = mesh.positions.length / 3
  const normals = normalsOf(mesh)
  const seen = new Float32Array(count)
  const frame = axesFor(front)
  for (const cap of fibonacciCap(looks, Math.PI / 2)) {
    const look = fromAxes(frame, cap)
    const picture = new Picture(mesh, look)
    for (let i = 0; i < count; i++) {
      const facing =
        look[0] * normals[3 * i] + look[1] * normals[3 * i + 1] + look[2] * normals[3 * i + 2]
      if (facing > 0 && picture.shows(i)) seen[i] += 1 / looks
    }
  }
  return seen
}

/** The depths that a mesh has to a look: pixel by pixel what is nearest. */
class Picture {
  /** Column and row of each vertex, and how near it is, all in pixels. */
  private readonly x: Float64Array
  private readonly y: Float64Array
  private readonly z: Float64Array
  private readonly nearest = new Float64Array(pixels * pixels).fill(-Infinity)

  constructor(mesh: Mesh, look: Vec3) {
    const { triangles } = mesh
    const { right, away } = axesFor(look)
    ;[this.x, this.y, this.z] = [right, away, look].map((d) => distancesAlong(mesh, d))
    const [left, width] = rangeOf(this.x)
    const [low, height] = rangeOf(this.y)
    const pixel = Math.max(width, height) / (pixels - 1)
    for (let i = 0; i < this.x.length; i++) {
      this.x[i] = (this.x[i] - left) / pixel
      this.y[i] = (this.y[i] - low) / pixel
      this.z[i] /= pixel
      this.keep(Math.round(this.y[i]) * pixels + Math.round(this.x[i]), this.z[i])
    }
    for (let t = 0; t < triangles.length; t += 3) {
      this.draw(triangles[t], triangles[t + 1], triangles[t + 2])
    }
  }

  shows(vertex: number): boolean {
    const at = Math.round(this.y[vertex]) * pixels + Math.round(this.x[vertex])
    return this.z[vertex] >= this.nearest[at] - behind
  }

  private keep(at: number, depth: number): void {
    if (depth > this.nearest[at]) this.nearest[at] = depth
  }

  /** Every pixel whose middle lies in the triangle. */
  private draw(a: number, b: number, c: number): void {
    const { x, y, z } = this
    const [ax, ay] = [x[a], y[a]]
    const [ux, uy, vx, vy] = [x[b] - ax, y[b] - ay, x[c] - ax, y[c] - ay]
    const area = ux * vy - uy * vx
    if (area < 1e-12 && area > -1e-12) return
    const [left, right] = [Math.min(0, ux, vx) + ax, Math.max(0, ux, vx) + ax]
    const [low, high] = [Math.min(0, uy, vy) + ay, Math.max(0, uy, vy) + ay]
    for (let row = Math.ceil(low); row <= high; row++) {
      for (let column = Math.ceil(left); column <= right; column++) {
        const [dx, dy] = [column - ax, row - ay]
        const wb = (dx * vy - dy * vx) / area
        const wc = (ux * dy - uy * dx) / area
        if (wb < 0 || wc < 0 || wb + wc > 1) continue
        this.keep(row * pixels + column, z[a] + wb * (z[b] - z[a]) + wc * (z[c] - z[a]))
      }
    }
  }
}

/** The least of some values, and how far they reach. */
function rangeOf(values: Float64Array): [low: number, size: number] {
  let [low, high] = [Infinity, -Infinity]
  for (const value of values) {
    if (value < low) low = value
    if (value > high) high = value
  }
  return [low, high - low]
}

/** Normals of the vertices, weighted by the area of their faces; not of unit length. */
export function normalsOf({ positions: p, triangles }: Mesh): Float64Array {
  const normals = new Float64Array(p.length)
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t], 3 * triangles[t + 1], 3 * triangles[t + 2]]
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    const normal = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    for (const at of [a, b, c]) for (let k = 0; k < 3; k++) normals[at + k] += normal[k]
  }
  return normals
}
