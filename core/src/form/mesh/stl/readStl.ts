import { finiteSoup } from '../file/finite.ts'
import type { Mesh } from '../mesh.ts'
import { inspectStl } from './inspect.ts'
import { readBinary } from './readBinary.ts'
import { readText } from './readText.ts'

/**
 * The triangles of an STL file, binary or text, as a soup in the file's own unit (STL has
 * none: ask). `dropped` triangles held NaN or infinity.
 *
 * Throws `Problem`: those of `inspectStl`, stl-text-broken, mesh-no-triangles.
 *
 * @example triangleCount(readStl(bytesOfACube).mesh) // 12
 */
export function readStl(bytes: Uint8Array): { mesh: Mesh; dropped: number } {
  const found = inspectStl(bytes)
  return finiteSoup(found.form === 'binary' ? readBinary(bytes, found.triangles) : readText(bytes))
}
