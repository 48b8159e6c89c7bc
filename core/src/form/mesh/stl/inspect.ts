import { Problem } from '../../../base/problem/index.ts'
import { decodeText } from '../file/text.ts'

export const headerBytes = 84
export const triangleBytes = 50

/** Above this a file is refused before it is read (about 4 million triangles). */
export const largestFile = 200 * 1000 * 1000

/** How far into a file the word "facet" may be looked for. */
const sniffBytes = 1024

export type StlForm = { form: 'binary'; triangles: number } | { form: 'text' }

/**
 * Which form of STL these bytes are, judged by their length against the count they announce:
 * many binary files begin with "solid", so the word decides nothing by itself.
 * Nothing is allocated.
 *
 * Throws `Problem`: file-empty, file-too-large, stl-not-stl, stl-truncated, stl-count.
 *
 * @example inspectStl(bytesOfACube) // { form: 'binary', triangles: 12 }
 */
export function inspectStl(bytes: Uint8Array): StlForm {
  const length = bytes.byteLength
  if (length === 0) throw new Problem('file-empty', {})
  if (length > largestFile)
    throw new Problem('file-too-large', { bytes: length, limit: largestFile })

  const claimed = length >= headerBytes ? claimedTriangles(bytes) : 0
  if (isBinaryStl(bytes)) return { form: 'binary', triangles: claimed }
  if (isTextStl(decodeText(bytes.subarray(0, sniffBytes)))) return { form: 'text' }
  if (length < headerBytes || !plausibleHeader(bytes))
    throw new Problem('stl-not-stl', { bytes: length })

  const body = length - headerBytes
  const held = Math.floor(body / triangleBytes)
  // Some programs pad the end: less than one triangle more does no harm.
  if (held === claimed) return { form: 'binary', triangles: claimed }
  const cutOff = held < claimed && body % triangleBytes !== 0
  throw new Problem(cutOff ? 'stl-truncated' : 'stl-count', { claimed, held, bytes: length })
}

function claimedTriangles(bytes: Uint8Array): number {
  return new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true)
}

/** Whether the length is what the announced count takes; no other format has that by chance. */
export function isBinaryStl(bytes: Uint8Array): boolean {
  const { length } = bytes
  return length >= headerBytes && length === headerBytes + claimedTriangles(bytes) * triangleBytes
}

/** Whether a file that begins like this is a text STL. */
export function isTextStl(start: string): boolean {
  return /^\s*solid\b/i.test(start) && /\b(facet|endsolid)\b/i.test(start.slice(0, sniffBytes))
}

/** A header is text, or padded with zeros or blanks; pictures and archives are neither. */
function plausibleHeader(bytes: Uint8Array): boolean {
  let odd = 0
  for (let i = 0; i < 80; i++) {
    const byte = bytes[i]
    if (byte !== 0 && (byte < 9 || (byte > 13 && byte < 32))) odd++
  }
  return odd === 0
}
