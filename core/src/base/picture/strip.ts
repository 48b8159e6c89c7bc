import { segments, type PictureType } from './inspect.ts'

/** Chunks of a PNG that show something; all others tell about it. */
const pngShows = new Set([
  'IHDR',
  'PLTE',
  'IDAT',
  'IEND',
  'tRNS',
  'gAMA',
  'cHRM',
  'sRGB',
  'iCCP',
  'sBIT',
  'bKGD',
  'pHYs',
])
/** Of a WebP: the picture, its alpha, its colours. */
const webpShows = new Set(['VP8 ', 'VP8L', 'VP8X', 'ALPH', 'ANIM', 'ANMF', 'ICCP'])

/** Flags in the head of an extended WebP that say that data about it follow. */
const exifFlag = 0x08
const xmpFlag = 0x04

/**
 * The same picture without what it tells besides: place, device, words. Which way up it was taken
 * is kept of a JPEG, or it would lie on its side. Pixels are untouched.
 *
 * @example stripped(pngOf2x3, 'image/png').length // 77
 */
export function stripped(bytes: Uint8Array, type: PictureType): Uint8Array {
  if (type === 'image/png') return strippedPng(bytes)
  if (type === 'image/webp') return strippedWebp(bytes)
  return strippedJpeg(bytes)
}

const nameAt = (bytes: Uint8Array, at: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + 4))

function strippedPng(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const kept = [bytes.subarray(0, 8)]
  let at = 8
  while (at + 12 <= bytes.length) {
    const until = at + 12 + view.getUint32(at)
    if (until > bytes.length) break
    const name = nameAt(bytes, at + 4)
    if (pngShows.has(name)) kept.push(bytes.subarray(at, until))
    at = until
    if (name === 'IEND') break
  }
  return joinedBytes(kept)
}

function strippedWebp(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const kept: Uint8Array[] = []
  let at = 12
  while (at + 8 <= bytes.length) {
    const long = view.getUint32(at + 4, true)
    const until = at + 8 + long + (long % 2)
    const name = nameAt(bytes, at)
    if (webpShows.has(name)) {
      const chunk = bytes.slice(at, Math.min(until, bytes.length))
      if (name === 'VP8X') chunk[8] &= ~(exifFlag | xmpFlag)
      kept.push(chunk)
    }
    at = until
  }
  const body = joinedBytes(kept)
  const head = bytes.slice(0, 12)
  new DataView(head.buffer).setUint32(4, 4 + body.length, true)
  return joinedBytes([head, body])
}

function strippedJpeg(bytes: Uint8Array): Uint8Array {
  const kept = [bytes.subarray(0, 2)]
  let last = 2
  for (const { marker, from, until } of segments(bytes)) {
    last = until
    if (marker === 0xe1) {
      const turned = orientationIn(bytes.subarray(from, until))
      if (turned !== undefined && turned !== 1) kept.push(orientationAs(turned))
      continue
    }
    // APP0 says how dense, APP2 holds its colours, APP14 how they are coded; the rest tells about it.
    const tells = (marker >= 0xe0 && marker <= 0xef) || marker === 0xfe
    if (!tells || [0xe0, 0xe2, 0xee].includes(marker)) kept.push(bytes.subarray(from, until))
  }
  return joinedBytes([...kept, bytes.subarray(last)])
}

const orientationTag = 0x0112

/** Which way up, of an EXIF segment; undefined where it does not say. */
function orientationIn(segment: Uint8Array): number | undefined {
  if (segment.length < 18 || nameAt(segment, 4) !== 'Exif') return undefined
  const view = new DataView(segment.buffer, segment.byteOffset + 10, segment.byteLength - 10)
  if (view.byteLength < 8) return undefined
  const little = view.getUint16(0) === 0x4949
  const first = view.getUint32(4, little)
  if (first + 2 > view.byteLength) return undefined
  const count = view.getUint16(first, little)
  for (let i = 0; i < count; i++) {
    const at = first + 2 + 12 * i
    if (at + 12 > view.byteLength) return undefined
    if (view.getUint16(at, little) === orientationTag) {
      const turned = view.getUint16(at + 8, little)
      return turned >= 1 && turned <= 8 ? turned : undefined
    }
  }
  return undefined
}

/** An EXIF segment that says nothing but which way up. */
const orientationAs = (turned: number): Uint8Array =>
  Uint8Array.from([
    0xff,
    0xe1,
    0,
    34,
    0x45,
    0x78,
    0x69,
    0x66,
    0,
    0,
    0x4d,
    0x4d,
    0,
    42,
    0,
    0,
    0,
    8,
    0,
    1,
    0x01,
    0x12,
    0,
    3,
    0,
    0,
    0,
    1,
    0,
    turned,
    0,
    0,
    0,
    0,
    0,
    0,
  ])

function joinedBytes(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of parts) {
    all.set(part, at)
    at += part.length
  }
  return all
}
