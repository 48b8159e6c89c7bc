import { BufferAttribute, BufferGeometry } from 'three'
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import { MeshBVH } from 'three-mesh-bvh'
import { axesFor, toAxes, unit, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { burnishOf } from './burnish.ts'

/** Faces that meet at more than this are an edge, radians; flatter ones are smooth. */
const crease = 0.5

/** Corners are told apart in hundredths of three's unit: metres are given as this many. */
const unitsPerMetre = 1e4

/** Surfaces in one tree, as light meets them: the piece, and the things that are set into it. */
export interface Standing {
  bvh: MeshBVH
  positions: Float32Array
  /** At every corner. */
  normals: Float32Array
  /** Of every corner: 0 the piece, k the thing k − 1. */
  part: Uint16Array
  /** Of the piece's corners, how far a pad burnishes them; absent: it has no metal skin. */
  burnish?: Float32Array
  /** A ball around the piece, m. */
  centre: Vec3
  radius: number
  height: number
  /** Against gravity when it was poured, and how far along it the lowest point then lies, m. */
  poured: { up: Vec3; lowest: number }
}

export interface StandingOptions {
  /** Against gravity when it was poured, in the piece's own axes; as it stands unless said. */
  poured?: Vec3
  /** Surfaces of what is set in, in the piece's own axes. */
  things?: readonly Mesh[]
  /** Air between the table and the piece, m. */
  hover?: number
  /** It has a metal skin. */
  skin?: boolean
}

/**
 * A piece as it stands on a table at height 0: its middle over the origin, `stands` upwards.
 *
 * @example standOnTable(ballOf10mm, [0, 0, 1]).height // 0.02
 */
export function standOnTable(
  mesh: Mesh,
  stands: Vec3,
  { poured = stands, things = [], hover = 0, skin = false }: StandingOptions = {},
): Standing {
  const axes = axesFor(stands)
  const surfaces = [mesh, ...things].map(({ positions, triangles }) => {
    const placed = new Float32Array(positions.length)
    for (let i = 0; i < positions.length; i += 3) {
      const [x, y, z] = toAxes(axes, [positions[i], positions[i + 1], positions[i + 2]])
      placed.set([x, y, z], i)
    }
    return creased(placed, triangles)
  })
  const { low, high } = bounds(surfaces[0].positions)
  const shift = [-(low[0] + high[0]) / 2, -(low[1] + high[1]) / 2, hover - low[2]]
  const corners = surfaces.reduce((sum, { positions }) => sum + positions.length / 3, 0)
  const [positions, normals] = [new Float32Array(3 * corners), new Float32Array(3 * corners)]
  const part = new Uint16Array(corners)
  let at = 0
  surfaces.forEach((surface, index) => {
    const count = surface.positions.length / 3
    for (let i = 0; i < 3 * count; i++) positions[3 * at + i] = surface.positions[i] + shift[i % 3]
    normals.set(surface.normals, 3 * at)
    part.fill(index, at, at + count)
    at += count
  })
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  const height = high[2] - low[2]
  const centre: Vec3 = [0, 0, hover + height / 2]
  const half = positions.subarray(0, surfaces[0].positions.length)
  const up = toAxes(axes, unit(poured))
  const burnish = skin ? burnishOf(mesh) : undefined
  return {
    burnish: burnish && Float32Array.from(mesh.triangles, (vertex) => burnish[vertex]),
    bvh: new MeshBVH(geometry),
    positions,
    normals,
    part,
    centre,
    radius: reach(half, centre),
    height,
    poured: { up, lowest: lowestAlong(half, up) },
  }
}

function lowestAlong(positions: Float32Array, [ux, uy, uz]: Vec3): number {
  let lowest = Infinity
  for (let i = 0; i < positions.length; i += 3) {
    lowest = Math.min(lowest, ux * positions[i] + uy * positions[i + 1] + uz * positions[i + 2])
  }
  return lowest
}

function creased(positions: Float32Array, triangles: Uint32Array) {
  const geometry = new BufferGeometry()
  const points = positions.map((x) => x * unitsPerMetre)
  geometry.setAttribute('position', new BufferAttribute(points, 3))
  geometry.setIndex(new BufferAttribute(triangles, 1))
  const { attributes } = toCreasedNormals(geometry, crease)
  return {
    positions: cornersOf(positions, triangles),
    normals: attributes.normal.array as Float32Array,
  }
}

/** Every face with corners of its own, in its order. */
function cornersOf(positions: Float32Array, triangles: Uint32Array): Float32Array {
  const corners = new Float32Array(3 * triangles.length)
  triangles.forEach((vertex, corner) => {
    for (let k = 0; k < 3; k++) corners[3 * corner + k] = positions[3 * vertex + k]
  })
  return corners
}

function bounds(positions: Float32Array): { low: number[]; high: number[] } {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  positions.forEach((x, i) => {
    if (x < low[i % 3]) low[i % 3] = x
    if (x > high[i % 3]) high[i % 3] = x
  })
  return { low, high }
}

function reach(positions: Float32Array, [cx, cy, cz]: Vec3): number {
  let most = 0
  for (let i = 0; i < positions.length; i += 3) {
    const square =
      (positions[i] - cx) ** 2 + (positions[i + 1] - cy) ** 2 + (positions[i + 2] - cz) ** 2
    if (square > most) most = square
  }
  return Math.sqrt(most)
}
