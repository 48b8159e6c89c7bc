import { Problem } from '../../problem/index.ts'
import { largestFile } from '../stl/inspect.ts'
import { readStl } from '../stl/readStl.ts'
import { kindOfFile, type MeshFile } from './kinds.ts'

/**
 * The triangles of an STL, OBJ, PLY or 3MF file. The readers of the rarer formats are loaded
 * when they are needed.
 *
 * Throws `Problem`: file-empty, file-too-large, file-broken, mesh-no-triangles, zip-too-large,
 * and those of `readStl`.
 */
export async function readMeshFile(bytes: Uint8Array, fileName: string): Promise<MeshFile> {
  if (bytes.length === 0) throw new Problem('file-empty', {})
  if (bytes.length > largestFile) {
    throw new Problem('file-too-large', { bytes: bytes.length, limit: largestFile })
  }
  const kind = kindOfFile(bytes, fileName)
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
