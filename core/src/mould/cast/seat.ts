import { axesFor, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import type { MouldOpening } from '../mould.ts'

/** How an opening sits on the piece that it is meant for. */
export interface Seat {
  id: string
  /** Of its bore, what touches the piece, m²: the scar it leaves. */
  touches: number
  /** Piece straight above it, m: a channel that rises there would run through the cast. */
  through: number
}

/** Points across a bore: what of it touches is known to a sixtieth of its width. */
const across = 61

/**
 * How gates and vents sit, as the piece is poured with `up` against gravity: upright lines across
 * each bore, cut with the surface.
 *
 * A line touches where the piece begins or ends within one bore of the opening's height; what is
 * above that is in the way. Source: elementary geometry.
 *
 * @example seatsOf(block60, [0, 0, 1], [gateOf6mmOnTop])[0].touches // 28.27e-6 (all of its bore)
 */
export function seatsOf(
  mesh: Mesh,
  up: Vec3,
  openings: readonly Pick<MouldOpening, 'id' | 'at' | 'bore'>[],
): Seat[] {
  const axes = axesFor(up)
  const { places, count } = discOfPoints()
  const placed = openings.map(({ id, at, bore }) => {
    const [x, y, z] = toAxes(axes, at)
    return { id, x, y, z, bore, crossings: Array.from({ length: count }, (): number[] => []) }
  })
  const { positions: p, triangles } = mesh
  const corners = Array.from({ length: p.length / 3 }, (_, vertex) =>
    toAxes(axes, [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]]),
  )
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [corners[triangles[t]], corners[triangles[t + 1]], corners[triangles[t + 2]]]
    const [left, right] = [Math.min(a[0], b[0], c[0]), Math.max(a[0], b[0], c[0])]
    const [near, far] = [Math.min(a[1], b[1], c[1]), Math.max(a[1], b[1], c[1])]
    for (const { x, y, bore, crossings } of placed) {
      const r = bore / 2
      if (right < x - r || left > x + r || far < y - r || near > y + r) continue
      const lastI = rowBefore((right - x) / bore - aside[0])
      const lastJ = rowBefore((far - y) / bore - aside[1])
      for (let i = rowAfter((left - x) / bore - aside[0]); i <= lastI; i++) {
        for (let j = rowAfter((near - y) / bore - aside[1]); j <= lastJ; j++) {
          const k = places[i * across + j]
          if (k < 0) continue
          const height = heightOn(a, b, c, x + inRow(i, 0) * bore, y + inRow(j, 1) * bore)
          if (height !== undefined) crossings[k].push(height)
        }
      }
    }
  }
  return placed.map(({ id, z, bore, crossings }) => {
    let touching = 0
    let above = 0
    for (const heights of crossings) {
      heights.sort((m, n) => m - n)
      let touched = false
      let inTheWay = 0
      for (let k = 0; k + 1 < heights.length; k += 2) {
        const [from, until] = [heights[k], heights[k + 1]]
        if (from <= z + bore && until >= z - bore) touched = true
        inTheWay += Math.max(0, until - Math.max(from, z + bore))
      }
      if (!touched) continue
      touching++
      above += inTheWay
    }
    return {
      id,
      touches: (Math.PI / 4) * bore * bore * (touching / count),
      through: touching > 0 ? above / touching : 0,
    }
  })
}

/** Points are shifted by an odd bit, so that none lies on an edge. */
const aside = [1.3e-4, 2.7e-4] as const
/** Where the points of a row lie, in diameters from the middle, and which rows are within. */
const inRow = (i: number, axis: 0 | 1) => (i + 0.5) / across - 0.5 + aside[axis]
const rowAfter = (at: number) => Math.max(0, Math.ceil((at + 0.5) * across - 0.5))
const rowBefore = (at: number) => Math.min(across - 1, Math.floor((at + 0.5) * across - 0.5))

/** Points over a disc of diameter 1, evenly: by row and column which of them it is, -1 outside. */
function discOfPoints(): { places: Int32Array; count: number } {
  const places = new Int32Array(across * across).fill(-1)
  let count = 0
  for (let i = 0; i < across; i++) {
    for (let j = 0; j < across; j++) {
      const out = Math.hypot((i + 0.5) / across - 0.5, (j + 0.5) / across - 0.5) > 0.5
      if (!out) places[i * across + j] = count++
    }
  }
  return { places, count }
}

/** Where an upright line at (x, y) meets a triangle. */
function heightOn(a: Vec3, b: Vec3, c: Vec3, x: number, y: number): number | undefined {
  const area = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])
  if (area === 0) return undefined
  const u = ((b[0] - x) * (c[1] - y) - (c[0] - x) * (b[1] - y)) / area
  const v = ((c[0] - x) * (a[1] - y) - (a[0] - x) * (c[1] - y)) / area
  if (u < 0 || v < 0 || u + v > 1) return undefined
  return u * a[2] + v * b[2] + (1 - u - v) * c[2]
}
