import { axesFor, toAxes, type Vec3 } from '../mesh/index.ts'
import type { Mesh } from '../mesh/mesh.ts'
import { chain, cutEdges } from './planeCut.ts'

/**
 * The level cut through a welded mesh at a height above its lowest point: closed loops seen from
 * above, x to the right and y away from the eye, one after the other, m from the middle of its
 * bounds. Empty above and below it.
 *
 * Throws `Problem('not-a-direction')`.
 *
 * @example levelCut(unitCube, [0, 0, 1], 0.5).length // 1
 */
export function levelCut({ positions, triangles }: Mesh, up: Vec3, height: number): Float64Array[] {
  const axes = axesFor(up)
  const vertices = positions.length / 3
  const [x, y, z] = [0, 1, 2].map(() => new Float64Array(vertices))
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let v = 0; v < vertices; v++) {
    const at = toAxes(axes, [positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]])
    ;[x[v], y[v], z[v]] = at
    for (let k = 0; k < 3; k++) {
      low[k] = Math.min(low[k], at[k])
      high[k] = Math.max(high[k], at[k])
    }
  }
  const level = low[2] + height
  const [middleX, middleY] = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  return chain(cutEdges(triangles, z, level))
    .filter(({ closed }) => closed)
    .map(({ edges }) =>
      Float64Array.from(
        edges.flatMap((edge) => {
          const [a, b] = [Math.floor(edge / vertices), edge % vertices]
          const s = (level - z[a]) / (z[b] - z[a])
          return [x[a] + s * (x[b] - x[a]) - middleX, y[a] + s * (y[b] - y[a]) - middleY]
        }),
      ),
    )
}
