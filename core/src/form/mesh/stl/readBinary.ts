import { headerBytes, triangleBytes } from './inspect.ts'

/** Bytes of a record before its first corner: the normal, which is not read. */
const normalBytes = 12

/**
 * The corners of a binary STL whose length has been checked, 9 numbers a triangle, in the
 * file's own unit; numbers that are none are still among them.
 */
export function readBinary(bytes: Uint8Array, triangles: number): Float32Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const corners = new Float32Array(triangles * 9)
  let kept = 0
  let at = headerBytes + normalBytes
  // Written out corner by corner: a loop over the nine costs a third more.
  for (let t = 0; t < triangles; t++, at += triangleBytes) {
    const ax = view.getFloat32(at, true)
    const ay = view.getFloat32(at + 4, true)
    const az = view.getFloat32(at + 8, true)
    const bx = view.getFloat32(at + 12, true)
    const by = view.getFloat32(at + 16, true)
    const bz = view.getFloat32(at + 20, true)
    const cx = view.getFloat32(at + 24, true)
    const cy = view.getFloat32(at + 28, true)
    const cz = view.getFloat32(at + 32, true)
    corners[kept] = ax
    corners[kept + 1] = ay
    corners[kept + 2] = az
    corners[kept + 3] = bx
    corners[kept + 4] = by
    corners[kept + 5] = bz
    corners[kept + 6] = cx
    corners[kept + 7] = cy
    corners[kept + 8] = cz
    kept += 9
  }
  return corners
}
