import { Problem } from '../../../base/problem/index.ts'
import { inspectStl, largestFile } from '../stl/inspect.ts'
import { readStl } from '../stl/readStl.ts'
import { kindOfFile, type MeshFile, type MeshFileKind } from './kinds.ts'

/**
 * The triangles of an STL, OBJ, PLY or 3MF file, whichever the bytes are. The readers of the
 * rarer formats are loaded when they are needed.
 *
 * Throws `Problem`: those of `inspectMeshFile`, file-broken, mesh-no-triangles, zip-too-large,
 * mesh-too-fine, stl-text-broken.
 */
export async function readMeshFile(bytes: Uint8Array): Promise<MeshFile> {
  const kind = inspectMeshFile(bytes)
  switch (kind) {
    case 'stl':
      return { kind, ...readStl(bytes) }
    case 'obj':
      return (await import('./readObj.ts')).readObj(bytes)
    case 'ply':
      return (await import('./readPly.ts')).readPly(bytes)
    case '3mf':
      return (await import('./read3mf.ts')).read3mf(bytes)
  }
}

/**
 * Which format a file is, judged by its beginning and its length without reading it: what a
 * server asks before it keeps one.
 *
 * Throws `Problem`: file-empty, file-too-large, file-not-shape, and those of `inspectStl`.
 *
 * @example inspectMeshFile(bytesOfACube) // 'stl'
 */
export function inspectMeshFile(bytes: Uint8Array): MeshFileKind {
  if (bytes.length === 0) throw new Problem('file-empty', {})
  if (bytes.length > largestFile) {
    throw new Problem('file-too-large', { bytes: bytes.length, limit: largestFile })
  }
  const kind = kindOfFile(bytes)
  if (kind === 'stl') inspectStl(bytes)
  return kind
}
