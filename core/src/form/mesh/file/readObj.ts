import { Problem, type FileFault } from '../../../base/problem/index.ts'
import { finiteSoup } from './finite.ts'
import { GrowingFloats } from './growing.ts'
import type { MeshFile } from './kinds.ts'
import { decodeText } from './text.ts'

/** Corners of one face at most: a cap with more was drawn by no person. */
const mostCorners = 100_000

/**
 * The faces of a Wavefront OBJ file; groups are taken together, lines and points left out. Faces
 * of more than three corners are fans from their first.
 *
 * Throws `Problem`: file-broken, mesh-no-triangles.
 */
export function readObj(bytes: Uint8Array): MeshFile {
  const text = decodeText(bytes).replace(/\\\r?\n/g, ' ')
  const vertices = new GrowingFloats()
  const faces = new GrowingFloats()
  eachLine(text, (line) => {
    if (/^v\s/.test(line)) {
      const numbers = line.split(/\s+/)
      for (let k = 1; k < 4; k++) vertices.push(Number(numbers[k]))
    } else if (/^f\s/.test(line)) {
      const face = cornersOf(line, vertices.length / 3)
      for (let n = 2; n < face.length; n++) {
        faces.push(face[0])
        faces.push(face[n - 1])
        faces.push(face[n])
      }
    }
  })
  if (vertices.length === 0) throw broken('no-corners')
  const at = vertices.take()
  const corners = new Float64Array(3 * faces.length)
  faces.take().forEach((vertex, i) => {
    for (let k = 0; k < 3; k++) corners[3 * i + k] = at[3 * vertex + k] ?? NaN
  })
  return { kind: 'obj', ...finiteSoup(corners) }
}

const broken = (fault: FileFault, found?: string) =>
  new Problem('file-broken', { format: 'OBJ', fault, found })

function eachLine(text: string, hear: (line: string) => void): void {
  for (let start = 0; start < text.length;) {
    let end = text.indexOf('\n', start)
    if (end < 0) end = text.length
    hear(text.slice(start, end).trim())
    start = end + 1
  }
}

/** Vertex numbers from 0 of "f 1/2/3 4 -1"; counted from the end where they are negative. */
function cornersOf(line: string, known: number): number[] {
  const words = line.split(/\s+/)
  if (words.length > mostCorners) throw broken('corners-of-face', String(words.length - 1))
  return words.slice(1).map((word) => {
    const number = Number.parseInt(word, 10)
    return number < 0 ? known + number : number - 1
  })
}
