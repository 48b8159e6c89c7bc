import { type Mesh } from './mesh.ts'

/**
 * Corners at exactly the same place become one vertex, by hashing the bits of their floats
 * (−0 and +0 are the same place). Faces that collapse onto an edge or a point are left out.
 */
export function weld(soup: Mesh): Mesh {
  const corners =
    soup.positions instanceof Float32Array ? soup.positions : new Float32Array(soup.positions)
  const bits = new Uint32Array(corners.buffer, corners.byteOffset, corners.length)
  const places = new Uint32Array(bits.length)
  for (let i = 0; i < bits.length; i++) places[i] = positiveZero(bits[i])
  const { vertexOf, unique } = uniqueTriples(places)
  const positions = new Float32Array(unique.buffer, 0, unique.length)
  return { positions, triangles: wholeTriangles(soup.triangles, vertexOf) }
}

/** Triples of numbers, each once in the order of their coming, and which of them each was (hashing). */
export function uniqueTriples(triples: Uint32Array): {
  vertexOf: Uint32Array
  unique: Uint32Array
} {
  const count = triples.length / 3
  const mask = tableSize(count) - 1
  const table = new Int32Array(mask + 1).fill(-1)
  const vertexOf = new Uint32Array(count)
  const unique = new Uint32Array(count * 3)
  let vertices = 0
  for (let corner = 0; corner < count; corner++) {
    const x = triples[3 * corner]
    const y = triples[3 * corner + 1]
    const z = triples[3 * corner + 2]
    let slot = hash(x, y, z) & mask
    for (;;) {
      const known = table[slot]
      if (known < 0) {
        table[slot] = vertices
        unique[3 * vertices] = x
        unique[3 * vertices + 1] = y
        unique[3 * vertices + 2] = z
        vertexOf[corner] = vertices++
        break
      }
      if (unique[3 * known] === x && unique[3 * known + 1] === y && unique[3 * known + 2] === z) {
        vertexOf[corner] = known
        break
      }
      slot = (slot + 1) & mask
    }
  }
  return { vertexOf, unique: unique.slice(0, 3 * vertices) }
}

/** Triangles by other corners, without those that collapse onto an edge or a point. */
export function wholeTriangles(corners: Uint32Array, vertexOf: Uint32Array): Uint32Array {
  const triangles = new Uint32Array(corners.length)
  let kept = 0
  for (let i = 0; i < corners.length; i += 3) {
    const a = vertexOf[corners[i]]
    const b = vertexOf[corners[i + 1]]
    const c = vertexOf[corners[i + 2]]
    if (a === b || b === c || c === a) continue
    triangles[kept] = a
    triangles[kept + 1] = b
    triangles[kept + 2] = c
    kept += 3
  }
  return kept === triangles.length ? triangles : triangles.slice(0, kept)
}

const positiveZero = (bits: number) => (bits === 0x80000000 ? 0 : bits)

/** At most half full, so that probes stay short. */
function tableSize(count: number): number {
  let size = 16
  while (size < count) size *= 2
  return size
}

/** Three odd multipliers and two shifts mix the high bits of grid-like coordinates down. */
function hash(x: number, y: number, z: number): number {
  let h = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca6b) ^ Math.imul(z, 0xc2b2ae35)
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d)
  return (h ^ (h >>> 13)) >>> 0
}
