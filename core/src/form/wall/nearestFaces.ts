import { Triangle, Vector3 } from 'three'
import { neighbourSteps, numberOf, placeOf, type Grid } from '../cells/index.ts'
import { toAxes, type Mesh } from '../mesh/index.ts'
import { cornerAt } from './corners.ts'

/** Of cells, which face of a surface is nearest to their middles. Places along the grid's axes, m. */
export interface NearestFaces {
  /** How far the middle of a cell lies from its nearest face, m; `way` becomes the way there. */
  from(cell: number, way: Vector3): number
  /** How far a place lies from the faces that the cells around it found, m; nothing outside the piece. */
  near(place: Vector3): number
  middle(cell: number): Vector3
}

/** A face is tried on cells so far from it, in cells: all that have the skin beside them. */
const reach = 1.75
const none = -1

/**
 * Closest point transform: each face is tried on the cells beside it (scan conversion, Mauch 2000), then
 * from there on each cell on the faces that its neighbours found, layer by layer (vector distance
 * transform, Danielsson 1980). Cells where `wanted` is 0 are left out.
 */
export function nearestFaces(grid: Grid, mesh: Mesh, wanted: Uint8Array): NearestFaces {
  const faces = facesAlong(grid, mesh)
  const nearest = new Int32Array(wanted.length).fill(none)
  const squared = Float64Array.from(wanted, (is) => (is === 1 ? Infinity : 0))
  const place = new Vector3()
  const foot = new Vector3()
  const take = (cell: number, face: number) => {
    const far = faces[face].closestPointToPoint(place, foot).distanceToSquared(place)
    if (far < squared[cell]) {
      squared[cell] = far
      nearest[cell] = face
    }
  }
  const middles = middlesOf(grid)
  const standAt = (cell: number) => {
    const [x, y, z] = placeOf(grid, cell)
    return place.set(middles[0][x], middles[1][y], middles[2][z])
  }
  scanFaces(grid, faces, middles, place, (cell, face, offPlane) => {
    if (offPlane * offPlane < squared[cell]) take(cell, face)
  })
  const beside = Int32Array.from(neighbourSteps(grid, 26), ({ step }) => step)
  const reached = wanted.map((is, cell) => (is === 1 && nearest[cell] === none ? 0 : 1))
  /** A cell takes the nearest of its neighbours' faces; those that have none yet are next. */
  const relax = (cell: number, next: number[]) => {
    standAt(cell)
    let tried = nearest[cell]
    for (const step of beside) {
      const face = nearest[cell + step]
      if (face === none) {
        if (reached[cell + step] === 0) next.push(cell + step)
        reached[cell + step] = 1
      } else if (face !== tried) {
        take(cell, face)
        tried = face
      }
    }
  }
  let layer = [...wanted.keys()].filter((cell) => nearest[cell] !== none)
  for (let n = 0; layer.length > 0; n++) {
    const next: number[] = []
    for (const cell of layer) relax(cell, next)
    // Back again, where faces were not tried themselves: what the last of a layer found reaches the first.
    if (n > 0) for (const cell of layer.toReversed()) relax(cell, next)
    layer = next
  }
  return {
    from(cell, way) {
      if (nearest[cell] === none) return Infinity
      faces[nearest[cell]].closestPointToPoint(standAt(cell), way).sub(place)
      return Math.sqrt(squared[cell])
    },
    near(at) {
      const [x, y, z] = at.toArray().map((along, k) => cellAlong(grid, along, k))
      const cell = numberOf(grid, x, y, z)
      if (grid.inside[cell] === 0) return 0
      const around = [0, ...beside].map((step) => nearest[cell + step])
      const ways = around
        .filter((face) => face !== none)
        .map((face) => faces[face].closestPointToPoint(at, foot).distanceTo(at))
      return Math.min(...ways)
    },
    middle: (cell) => standAt(cell).clone(),
  }
}

const cellAlong = ({ low, cell, counts }: Grid, along: number, k: number): number =>
  Math.min(counts[k] - 2, Math.max(1, Math.floor((along - low[k]) / cell[k])))

/** Middles of cells along each axis, m. */
const middlesOf = ({ low, cell, counts }: Grid): Float64Array[] =>
  counts.map((count, k) =>
    Float64Array.from({ length: count }, (_, i) => low[k] + (i + 0.5) * cell[k]),
  )

function facesAlong(grid: Grid, mesh: Mesh): Triangle[] {
  const { triangles } = mesh
  const corners = Array.from(
    { length: mesh.positions.length / 3 },
    (_, i) => new Vector3(...toAxes(grid.axes, cornerAt(mesh, i))),
  )
  return Array.from({ length: triangles.length / 3 }, (_, t) => {
    const [a, b, c] = [0, 1, 2].map((k) => corners[triangles[3 * t + k]])
    return new Triangle(a, b, c)
  })
}

/** Each face with the cells whose middles lie beside it: within `reach` of its box and of its plane. */
function scanFaces(
  { counts, low, cell }: Grid,
  faces: readonly Triangle[],
  [xs, ys, zs]: readonly Float64Array[],
  place: Vector3,
  take: (cell: number, face: number, offPlane: number) => void,
): void {
  const most = reach * Math.max(...cell)
  const normal = new Vector3()
  const first = (least: number, k: number) =>
    Math.max(0, Math.ceil((least - low[k]) / cell[k] - 0.5 - reach))
  const last = (highest: number, k: number) =>
    Math.min(counts[k] - 1, Math.floor((highest - low[k]) / cell[k] - 0.5 + reach))
  faces.forEach(({ a, b, c }, face) => {
    Triangle.getNormal(a, b, c, normal)
    const level = normal.dot(a)
    const [x0, x1] = [first(Math.min(a.x, b.x, c.x), 0), last(Math.max(a.x, b.x, c.x), 0)]
    const [y0, y1] = [first(Math.min(a.y, b.y, c.y), 1), last(Math.max(a.y, b.y, c.y), 1)]
    const [z0, z1] = [first(Math.min(a.z, b.z, c.z), 2), last(Math.max(a.z, b.z, c.z), 2)]
    for (let y = y0; y <= y1; y++) {
      for (let x = x0; x <= x1; x++) {
        const column = (y * counts[0] + x) * counts[2]
        const off = normal.x * xs[x] + normal.y * ys[y] - level
        for (let z = z0; z <= z1; z++) {
          const offPlane = off + normal.z * zs[z]
          if (offPlane > most || offPlane < -most) continue
          place.set(xs[x], ys[y], zs[z])
          take(column + z, face, offPlane)
        }
      }
    }
  })
}
