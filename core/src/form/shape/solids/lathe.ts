import type { Mesh } from '../../mesh/mesh.ts'

/** A point of a profile: radius and height, m. */
export type ProfilePoint = readonly [radius: number, height: number]

/**
 * A closed solid of revolution with `sides` facets from a profile that runs from the bottom
 * to the top. An end with a radius is closed flat, one without is a tip.
 *
 * @example measure(lathe([[0, 0], [1, 0], [1, 2], [0, 2]], 4)).volume // 4 (a square prism)
 */
export function lathe(profile: readonly ProfilePoint[], sides: number): Mesh {
  const points = [...profile]
  if (points[0][0] > 0) points.unshift([0, points[0][1]])
  if (points[points.length - 1][0] > 0) points.push([0, points[points.length - 1][1]])

  const positions: number[] = []
  const rings = points.map(([radius, height]) => {
    const first = positions.length / 3
    if (radius === 0) {
      positions.push(0, 0, height)
      return Array<number>(sides).fill(first)
    }
    return Array.from({ length: sides }, (_, i) => {
      const angle = (2 * Math.PI * i) / sides
      positions.push(radius * Math.cos(angle), radius * Math.sin(angle), height)
      return first + i
    })
  })

  const triangles: number[] = []
  for (let r = 0; r + 1 < rings.length; r++) {
    const [lower, upper] = [rings[r], rings[r + 1]]
    for (let i = 0; i < sides; i++) {
      const j = (i + 1) % sides
      if (lower[i] !== lower[j]) triangles.push(lower[i], lower[j], upper[j])
      if (upper[i] !== upper[j]) triangles.push(lower[i], upper[j], upper[i])
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}
