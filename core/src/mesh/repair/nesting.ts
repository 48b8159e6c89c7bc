import type { Mesh } from '../mesh.ts'
import type { Vec3 } from '../vector.ts'
import type { Shell } from './shells.ts'

/** Faces in a column of the grid, about. */
const facesAColumn = 2

/** Columns at most, whatever the number of faces. */
const mostColumns = 1 << 20

/**
 * In how many of the closed shells each shell lies, by one of its faces: a ray upward from the
 * face's middle crosses a shell that holds it an odd number of times. The faces stand in a grid
 * of columns, so that a ray meets only those over or under it.
 */
export function depthsOf(mesh: Mesh, shells: readonly Shell[]): number[] {
  if (shells.length < 2) return shells.map(() => 0)
  const columns = columnsOf(mesh, shells)
  const odd = new Uint8Array(shells.length)
  return shells.map((shell, own) => {
    const [x, y, z] = middleOfFace(mesh, shell.faces[0])
    const crossed: number[] = []
    for (const face of columns.at(x, y)) {
      const other = columns.shellOf[face]
      if (other === own || !passesAbove(mesh, face, x, y, z)) continue
      odd[other] ^= 1
      crossed.push(other)
    }
    let depth = 0
    for (const other of crossed) {
      depth += odd[other]
      odd[other] = 0
    }
    return depth
  })
}

/** Whether a shell has a face inside a closed one, for any number of shells. */
export function isWithin(mesh: Mesh, holder: Shell): (shell: Shell) => boolean {
  const columns = columnsOf(mesh, [holder])
  return ({ faces }) => {
    const [x, y, z] = middleOfFace(mesh, faces[0])
    let crossings = 0
    for (const face of columns.at(x, y)) if (passesAbove(mesh, face, x, y, z)) crossings++
    return crossings % 2 === 1
  }
}

interface Columns {
  /** The closed shell that a face belongs to. */
  shellOf: Uint32Array
  at(x: number, y: number): Uint32Array
}

/** The faces of closed shells by the columns along z that their bounds touch. */
function columnsOf({ positions: p, triangles }: Mesh, shells: readonly Shell[]): Columns {
  const shellOf = new Uint32Array(triangles.length / 3)
  let count = 0
  const low = [Infinity, Infinity]
  const high = [-Infinity, -Infinity]
  shells.forEach((shell, i) => {
    if (shell.openEdges > 0) return
    count += shell.faces.length
    for (const face of shell.faces) shellOf[face] = i
    for (let k = 0; k < 2; k++) {
      low[k] = Math.min(low[k], shell.low[k])
      high[k] = Math.max(high[k], shell.high[k])
    }
  })
  const side = Math.ceil(Math.sqrt(Math.min(mostColumns, Math.max(1, count / facesAColumn))))
  const cell = (value: number, k: number) => {
    const at = Math.floor(((value - low[k]) / (high[k] - low[k])) * side)
    return at < 0 ? 0 : at >= side ? side - 1 : at
  }
  const starts = new Uint32Array(side * side + 1)
  const each = (hear: (column: number, face: number) => void) => {
    for (const shell of shells) {
      if (shell.openEdges > 0) continue
      for (const face of shell.faces) {
        const [a, b, c] = [0, 1, 2].map((n) => 3 * triangles[3 * face + n])
        const x1 = cell(Math.max(p[a], p[b], p[c]), 0)
        const y1 = cell(Math.max(p[a + 1], p[b + 1], p[c + 1]), 1)
        const x0 = cell(Math.min(p[a], p[b], p[c]), 0)
        const y0 = cell(Math.min(p[a + 1], p[b + 1], p[c + 1]), 1)
        for (let y = y0; y <= y1; y++) {
          for (let x = x0; x <= x1; x++) hear(y * side + x, face)
        }
      }
    }
  }
  each((column) => starts[column + 1]++)
  for (let i = 1; i < starts.length; i++) starts[i] += starts[i - 1]
  const listed = new Uint32Array(starts[side * side])
  const next = starts.slice()
  each((column, face) => (listed[next[column]++] = face))
  const none = new Uint32Array(0)
  return {
    shellOf,
    at(x, y) {
      if (!(x >= low[0] && x <= high[0] && y >= low[1] && y <= high[1])) return none
      const column = cell(y, 1) * side + cell(x, 0)
      return listed.subarray(starts[column], starts[column + 1])
    },
  }
}

function middleOfFace({ positions: p, triangles }: Mesh, face: number): Vec3 {
  const [a, b, c] = [0, 1, 2].map((n) => 3 * triangles[3 * face + n])
  const middle = (k: number) => (p[a + k] + p[b + k] + p[c + k]) / 3
  return [middle(0), middle(1), middle(2)]
}

/**
 * Whether a face stands above a point. An edge's crossing is reckoned from its lower-numbered
 * corner and half-open, so that of the two faces at an edge exactly one is met.
 */
function passesAbove(
  { positions: p, triangles }: Mesh,
  face: number,
  x: number,
  y: number,
  z: number,
): boolean {
  let within = false
  for (let n = 0; n < 3; n++) {
    const one = triangles[3 * face + n]
    const other = triangles[3 * face + ((n + 1) % 3)]
    const a = 3 * Math.min(one, other)
    const b = 3 * Math.max(one, other)
    if (p[a + 1] > y === p[b + 1] > y) continue
    const across = p[a] + ((y - p[a + 1]) / (p[b + 1] - p[a + 1])) * (p[b] - p[a])
    if (across > x) within = !within
  }
  return within && heightAt(p, triangles, face, x, y) > z
}

function heightAt(
  p: Mesh['positions'],
  triangles: Uint32Array,
  face: number,
  x: number,
  y: number,
): number {
  const a = 3 * triangles[3 * face]
  const b = 3 * triangles[3 * face + 1]
  const c = 3 * triangles[3 * face + 2]
  const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
  const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
  const nz = ux * vy - uy * vx
  const nx = uy * vz - uz * vy
  const ny = uz * vx - ux * vz
  return p[a + 2] - (nx * (x - p[a]) + ny * (y - p[a + 1])) / nz
}
