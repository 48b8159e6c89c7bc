import { Problem } from '../problem/index.ts'

export const pictureTypes = ['image/png', 'image/jpeg', 'image/webp'] as const
export type PictureType = (typeof pictureTypes)[number]

/** The largest picture that is kept, bytes. */
export const largestPicture = 20e6

/** A picture by its own bytes. */
export interface PictureFacts {
  type: PictureType
  width: number
  height: number
}

/** More pixels than this nobody photographs: unpacked they would fill a memory. */
const mostPixels = 300e6

const starts = (bytes: Uint8Array, text: string, at = 0): boolean =>
  [...text].every((letter, i) => bytes[at + i] === letter.charCodeAt(0))

const typeOf = (bytes: Uint8Array): PictureType | undefined => {
  if (starts(bytes, '\u0089PNG\r\n\u001a\n')) return 'image/png'
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg'
  if (starts(bytes, 'RIFF') && starts(bytes, 'WEBP', 8)) return 'image/webp'
  return undefined
}

/**
 * What a picture is and how large, by its bytes alone; `claims` is what it says it is.
 *
 * Throws `Problem`: file-too-large, picture-not-one, picture-other.
 *
 * @example inspectPicture(pngOf2x3).height // 3
 */
export function inspectPicture(
  bytes: Uint8Array,
  { name = 'It', claims }: { name?: string; claims?: string } = {},
): PictureFacts {
  if (bytes.length > largestPicture) {
    throw new Problem('file-too-large', { bytes: bytes.length, limit: largestPicture })
  }
  const type = typeOf(bytes)
  if (!type) throw new Problem('picture-not-one', { name })
  if (
    claims !== undefined &&
    claims !== type &&
    (pictureTypes as readonly string[]).includes(claims)
  ) {
    throw new Problem('picture-other', { claims, is: type })
  }
  const size = sizeOf(bytes, type)
  if (!size || size.width * size.height === 0 || size.width * size.height > mostPixels) {
    throw new Problem('picture-not-one', { name })
  }
  return { type, ...size }
}

function sizeOf(
  bytes: Uint8Array,
  type: PictureType,
): { width: number; height: number } | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (type === 'image/png') {
    if (bytes.length < 24 || !starts(bytes, 'IHDR', 12)) return undefined
    return { width: view.getUint32(16), height: view.getUint32(20) }
  }
  if (type === 'image/webp') return sizeOfWebp(bytes, view)
  for (const { marker, from, until } of segments(bytes)) {
    // Start of frame, of any coding: height and width follow the precision.
    const frame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
    if (frame && until - from >= 9) {
      return { width: view.getUint16(from + 7), height: view.getUint16(from + 5) }
    }
  }
  return undefined
}

function sizeOfWebp(
  bytes: Uint8Array,
  view: DataView,
): { width: number; height: number } | undefined {
  if (bytes.length < 30) return undefined
  const whole = (at: number) => 1 + bytes[at] + bytes[at + 1] * 256 + bytes[at + 2] * 65536
  if (starts(bytes, 'VP8X', 12)) return { width: whole(24), height: whole(27) }
  if (starts(bytes, 'VP8L', 12)) {
    const bits = view.getUint32(21, true)
    return { width: 1 + (bits & 0x3fff), height: 1 + ((bits >> 14) & 0x3fff) }
  }
  if (starts(bytes, 'VP8 ', 12)) {
    return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff }
  }
  return undefined
}

/** One marker of a JPEG with what belongs to it, from its 0xff to before the next. */
export interface Segment {
  marker: number
  from: number
  until: number
}

/** Segments of a JPEG up to where its picture data begins. */
export function* segments(bytes: Uint8Array): Generator<Segment> {
  let at = 2
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1]
    if (marker === 0xff) {
      at++
      continue
    }
    const until = at + 2 + bytes[at + 2] * 256 + bytes[at + 3]
    if (until > bytes.length) return
    yield { marker, from: at, until }
    // After the start of scan come data, not segments.
    if (marker === 0xda) return
    at = until
  }
}
