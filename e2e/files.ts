import { buildSolid } from '@mivro/core/form/shape'
import { writeStl } from '@mivro/core/form/mesh'

/** A block of 40 x 50 x 30 mm: 2 ml for every millimetre of height. */
export const block = (): Buffer =>
  Buffer.from(writeStl(buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 })))

export const stl = (name: string, buffer: Buffer) => ({ name, mimeType: 'model/stl', buffer })

/** The same file with one thing changed. */
export function changed(change: (view: DataView, bytes: Buffer) => void): Buffer {
  const bytes = block()
  change(new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength), bytes)
  return bytes
}

/** Only the first `count` faces. */
export function firstFaces(count: number): Buffer {
  const bytes = block().subarray(0, 84 + 50 * count)
  bytes.writeUInt32LE(count, 80)
  return bytes
}
