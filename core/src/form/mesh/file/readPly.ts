import { PLYLoader } from 'three/examples/jsm/loaders/PLYLoader.js'
import { Problem } from '../../../base/problem/index.ts'
import { finiteSoup } from './finite.ts'
import type { MeshFile } from './kinds.ts'

/** A header is text and ends within this many bytes. */
const longestHeader = 64 * 1024

/** The faces of a PLY file, text or binary. Counts are held against the bytes before anything is read. */
export function readPly(bytes: Uint8Array): MeshFile {
  const header = headerOf(bytes)
  const count = (element: string) =>
    Number(new RegExp(`^element ${element} (\\d+)`, 'm').exec(header)?.[1] ?? 0)
  const [vertices, faces] = [count('vertex'), count('face')]
  const held = bytes.length - header.length
  // The leanest record is a byte a property (binary) or two letters (text).
  if (faces === 0) throw new Problem('mesh-no-triangles', { dropped: 0 })
  if (vertices * 6 > held || faces * 4 > held) {
    throw new Problem('file-broken', {
      format: 'PLY',
      fault: 'count-over-bytes',
      found: String(faces),
    })
  }
  return { kind: 'ply', ...finiteSoup(cornersOf(bytes)) }
}

function headerOf(bytes: Uint8Array): string {
  const start = new TextDecoder('latin1').decode(bytes.subarray(0, longestHeader))
  const end = start.indexOf('end_header')
  if (end < 0) {
    throw new Problem('file-broken', { format: 'PLY', fault: 'header-open' })
  }
  return start.slice(0, end + 'end_header'.length)
}

function cornersOf(bytes: Uint8Array): Float32Array {
  try {
    const copy = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
    const geometry = new PLYLoader().parse(copy as ArrayBuffer)
    const position = geometry.attributes.position.array
    const order =
      geometry.index?.array ?? Uint32Array.from(position, (_, i) => i).slice(0, position.length / 3)
    const corners = new Float32Array(order.length * 3)
    for (let i = 0; i < order.length; i++) {
      for (let k = 0; k < 3; k++) corners[3 * i + k] = position[3 * order[i] + k] ?? NaN
    }
    return corners
  } catch (error) {
    const found = String((error as Error).message)
    throw new Problem('file-broken', { format: 'PLY', fault: 'reader-stopped', found })
  }
}
