import type { Mesh } from '@mivro/core/form/mesh'

/** Subdivisions of the icosahedron: 20 · 4⁵ = 20 480 triangles. */
const subdivisions = 5

/** The back is ground flat at this share of the radius, so that it stands. */
const ground = 0.55

/**
 * A meteorite paperweight, made up: a ball dented by waves that share no direction, with a
 * flat back. Always the same. Units m; about 70 mm across.
 */
export function meteorite(): Mesh {
  const { positions, triangles } = icosphere()
  const radius = 0.035
  for (let v = 0; v < positions.length; v += 3) {
    const [x, y, z] = [positions[v], positions[v + 1], positions[v + 2]]
    const dent =
      1 +
      0.09 * Math.sin(2.3 * x + 1.1 * y + 0.4) +
      0.07 * Math.sin(3.1 * y - 1.7 * z + 2.1) +
      0.05 * Math.sin(5.3 * z + 2.9 * x - 0.8) -
      0.16 * Math.exp(-14 * ((x - 0.62) ** 2 + (y - 0.3) ** 2 + (z + 0.72) ** 2)) -
      0.13 * Math.exp(-18 * ((x + 0.7) ** 2 + (y - 0.5) ** 2 + (z + 0.5) ** 2))
    positions[v] = 1.12 * radius * dent * x
    positions[v + 1] = 0.94 * radius * dent * y
    positions[v + 2] = Math.min(0.9 * radius * dent * z, ground * radius)
  }
  return { positions, triangles }
}

/** The unit ball from an icosahedron, every edge halved `subdivisions` times. */
function icosphere(): Mesh {
  const t = (1 + Math.sqrt(5)) / 2
  const points: [number, number, number][] = []
  const add = (x: number, y: number, z: number) => {
    const length = Math.hypot(x, y, z)
    return points.push([x / length, y / length, z / length]) - 1
  }
  for (const s of [-1, 1]) {
    for (const w of [-t, t]) {
      add(s, w, 0)
      add(0, s, w)
      add(w, 0, s)
    }
  }
  let faces = hullOf(points)
  for (let i = 0; i < subdivisions; i++) {
    const middles = new Map<string, number>()
    const middle = (a: number, b: number) => {
      const key = a < b ? `${a}-${b}` : `${b}-${a}`
      const known = middles.get(key)
      if (known !== undefined) return known
      const [p, q] = [points[a], points[b]]
      const made = add(p[0] + q[0], p[1] + q[1], p[2] + q[2])
      middles.set(key, made)
      return made
    }
    faces = faces.flatMap(([a, b, c]) => {
      const [d, e, f] = [middle(a, b), middle(b, c), middle(c, a)]
      return [
        [a, d, f],
        [d, b, e],
        [f, e, c],
        [d, e, f],
      ] as [number, number, number][]
    })
  }
  return { positions: Float64Array.from(points.flat()), triangles: Uint32Array.from(faces.flat()) }
}

/** The 20 faces of the icosahedron: triples at the shortest distance, turned outward. */
function hullOf(points: [number, number, number][]): [number, number, number][] {
  const near = (a: number, b: number) =>
    Math.hypot(...points[a].map((x, i) => x - points[b][i])) < 1.06
  const faces: [number, number, number][] = []
  for (let a = 0; a < points.length; a++) {
    for (let b = a + 1; b < points.length; b++) {
      for (let c = b + 1; c < points.length; c++) {
        if (!near(a, b) || !near(b, c) || !near(a, c)) continue
        const [p, q, r] = [points[a], points[b], points[c]]
        const volume =
          p[0] * (q[1] * r[2] - q[2] * r[1]) -
          p[1] * (q[0] * r[2] - q[2] * r[0]) +
          p[2] * (q[0] * r[1] - q[1] * r[0])
        faces.push(volume > 0 ? [a, b, c] : [a, c, b])
      }
    }
  }
  return faces
}
