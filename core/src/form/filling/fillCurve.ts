import { reachAlong } from '../mesh/boundsAlong.ts'
import type { Mesh } from '../mesh/mesh.ts'
import { unit, type Vec3 } from '../mesh/vector.ts'
import { addTriangles } from './addTriangles.ts'
import { volumeAt } from './askCurve.ts'
import { levels, stride, type FillCurve, type Sums } from './levels.ts'

/**
 * The fill curve of a closed mesh with `up` pointing against gravity.
 *
 * For a triangle with signed projected area P (its vector area along up) and heights
 * z1 ≤ z2 ≤ z3, the share f(h) of P below h and its integral I(h) are quadratic and cubic
 * between its vertices; A(h) = −ΣP·f and V(h) = −ΣP·I, the divergence theorem with the cap
 * left out. Source: closed form, derived; checked against faceted solids and manifold-3d.
 *
 * Throws `Problem('not-a-direction')`.
 *
 * @example volumeAt(fillCurve(unitCube, [0, 0, 1]), 0.25) // 0.25
 */
export function fillCurve(mesh: Mesh, up: Vec3): FillCurve {
  const axis = unit(up)
  const { low: base, size: height } = reachAlong(mesh, axis)
  const step = height / levels || 1
  const sums: Sums = {
    below: new Float64Array(levels + 1),
    belowMoment: new Float64Array(levels + 1),
    crossing: new Float64Array(levels * 4),
    areas: new Float64Array(levels + 1),
    volumes: new Float64Array(levels + 1),
    starts: new Uint32Array(levels + 1),
  }
  const { sorted, spans } = addTriangles(mesh, axis, base, step, sums)
  const { starts, below, belowMoment, crossing, areas, volumes } = sums
  for (let k = 1; k <= levels; k++) {
    starts[k] += starts[k - 1]
    below[k] += below[k - 1]
    belowMoment[k] += belowMoment[k - 1]
  }
  for (let k = 0; k < levels; k++) {
    areas[k] = Math.max(0, -(areas[k] + below[k] + crossing[4 * k + 1]))
    volumes[k] = -(volumes[k] + step * (k * below[k] + crossing[4 * k]) - belowMoment[k])
  }
  const curve: FillCurve = {
    height,
    volume: 0,
    sorted,
    ...sums,
    listed: listByLevel(spans, starts),
  }
  curve.volume = volumeAt(curve, height)
  areas[levels] = 0
  volumes[levels] = curve.volume
  return curve
}

/** Lists each triangle in the one to three levels that hold one of its vertices. */
function listByLevel(spans: Uint16Array, starts: Uint32Array): Uint32Array {
  const next = starts.slice()
  const listed = new Uint32Array(starts[levels])
  for (let s = 0, i = 0; s < spans.length; s += 3, i += stride) {
    const k1 = spans[s]
    const k2 = spans[s + 1]
    const k3 = spans[s + 2]
    listed[next[k1]++] = i
    if (k2 !== k1) listed[next[k2]++] = i
    if (k3 !== k2) listed[next[k3]++] = i
  }
  return listed
}
