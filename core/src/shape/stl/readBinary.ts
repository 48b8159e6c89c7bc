import { headerBytes, triangleBytes } from './inspect.ts'

const normalWords = 6
const cornerWords = 18

/**
 * The corners of a binary STL whose length has been checked, 9 numbers a triangle, in the
 * file's own unit. Triangles that hold a number which is none are left out and counted.
 */
export function readBinary(
  bytes: Uint8Array,
  triangles: number,
): { corners: Float32Array; dropped: number } {
  const body = bytes.subarray(headerBytes, headerBytes + triangles * triangleBytes)
  // A record is 50 bytes, so floats lie on odd halves: copy 16-bit words, read floats after.
  const aligned = body.byteOffset % 2 === 0 ? body : body.slice()
  const source = new Uint16Array(aligned.buffer, aligned.byteOffset, aligned.byteLength >> 1)
  const corners = new Float32Array(triangles * 9)
  const target = new Uint16Array(corners.buffer)
  let to = 0
  for (let record = 0; record < source.length; record += triangleBytes / 2) {
    const from = record + normalWords
    for (let word = 0; word < cornerWords; word++) target[to++] = source[from + word]
  }
  return dropUnusable(corners)
}

/** Closes the gaps that triangles with NaN or infinity leave. */
export function dropUnusable(corners: Float32Array): { corners: Float32Array; dropped: number } {
  let kept = 0
  for (let i = 0; i < corners.length; i += 9) {
    let sum = 0
    for (let k = 0; k < 9; k++) sum += corners[i + k]
    // Finite floats cannot overflow a double, so the sum is finite if and only if all are.
    if (!Number.isFinite(sum)) continue
    if (kept !== i) corners.copyWithin(kept, i, i + 9)
    kept += 9
  }
  return {
    corners: kept === corners.length ? corners : corners.slice(0, kept),
    dropped: (corners.length - kept) / 9,
  }
}
