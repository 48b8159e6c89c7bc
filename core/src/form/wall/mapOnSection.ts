import { Triangle, Vector3 } from 'three'
import { chain, cutEdges, ontoSection, type Section } from '../filling/index.ts'
import type { Mesh } from '../mesh/index.ts'
import { cornerAt } from './corners.ts'
import { depthLines, overSection } from './onSection.ts'
import { treeOf } from './tree.ts'

/** A wall as it comes out, on a cut. Lengths in m. */
export interface MapOnSection {
  /** Where it ends towards the hollow: x and height of points, one after the other. Each is closed. */
  inner: number[][]
  /** Along its skin: x and height of points, and how thick it is there, as a map says it. */
  skin: { points: number[]; thickness: number[]; closed: boolean }[]
}

/** Where two walls meet each is taken to be so many times the wall that was wished: what fills has no hollow. */
const filled = 1.5

/**
 * A wall map on a cut: hollow is what lies deeper than the wall of the nearest place of its skin.
 * `bottom`: solid up to here above the lowest point, m, with a wall upon it.
 *
 * @example mapOnSection(mapOfBlock, sectionOfBlock, { wall: 0.003 }).inner.length // 1
 */
export function mapOnSection(
  map: Walls,
  cut: Section,
  { wall, bottom = 0 }: { wall: number; bottom?: number },
): MapOnSection {
  const { triangles, thickness } = map
  const isCast = (i: number) => !Number.isNaN(thickness[i])
  const kept = triangles.filter((_, i) => {
    const first = i - (i % 3)
    return [0, 1, 2].some((k) => isCast(triangles[first + k]))
  })
  const tree = treeOf({ positions: map.positions, triangles: kept })
  const index = tree.geometry.index!
  const face = new Triangle()
  const shares = new Vector3()
  /** Between the corners of a face that are cast. */
  const thickAt = (point: Vector3, t: number): number => {
    const corners = [0, 1, 2].map((k) => index.getX(3 * t + k))
    const [a, b, c] = corners.map((corner) => new Vector3(...cornerAt(map, corner)))
    face.set(a, b, c).getBarycoord(point, shares)
    let [sum, whole] = [0, 0]
    corners.forEach((corner, k) => {
      if (!isCast(corner)) return
      const share = Math.max(tiny, shares.getComponent(k))
      whole += share
      sum += share * (thickness[corner] === Infinity ? filled * wall : thickness[corner])
    })
    return sum / whole
  }
  const hollow = overSection(
    tree,
    cut,
    ({ point, distance, faceIndex }) => distance - thickAt(point, faceIndex),
  )
  if (bottom > 0) {
    hollow.depths.forEach((depth, i) => {
      const height = hollow.low + hollow.step * Math.floor(i / hollow.columns)
      hollow.depths[i] = Math.min(depth, height - bottom - wall)
    })
  }
  return { inner: depthLines(hollow, 0), skin: skinOn(map, cut) }
}

/** At a corner that is not cast the others count still. */
const tiny = 1e-6

/** What is read of a map. */
type Walls = Mesh & { thickness: ArrayLike<number> }

/** Where the surface meets the cut. */
function skinOn(map: Walls, cut: Section): MapOnSection['skin'] {
  const corners = Array.from(map.thickness, (_, i) => ontoSection(cut, cornerAt(map, i)))
  const behind = Float64Array.from(corners, (corner) => corner.behind)
  return chain(cutEdges(map.triangles, behind, 0)).map(({ edges, closed }) => {
    const along = edges.map((edge) => {
      const [a, b] = [Math.floor(edge / behind.length), edge % behind.length]
      const share = behind[a] / (behind[a] - behind[b])
      const [from, to] = [map.thickness[a], map.thickness[b]]
      return {
        x: corners[a].x + share * (corners[b].x - corners[a].x),
        h: corners[a].h + share * (corners[b].h - corners[a].h),
        // Beside what fills, or is not cast, no number lies between.
        thickness: Number.isFinite(from - to) ? from + share * (to - from) : from + to,
      }
    })
    return {
      points: along.flatMap(({ x, h }) => [x, h]),
      thickness: along.map(({ thickness }) => thickness),
      closed,
    }
  })
}
