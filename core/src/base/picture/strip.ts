import { Problem } from '../problem/index.ts'
import type { PictureType } from './inspect.ts'

/**
 * The same picture without what it tells besides: place, device, words, pictures within it. Only
 * parts on a short list go through, each no longer than its kind is, and nothing behind the end.
 * Which way up it was taken is kept of a JPEG, or it would lie on its side. Pixels are untouched.
 *
 * Throws `Problem` picture-not-one, where its parts do not follow one another as they should.
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

const refuse = (): never => {
  throw new Problem('picture-not-one', { name: 'It' })
}

/** Chunks of a PNG that show something, and the most that they hold, bytes (W3C PNG, 11). */
const pngShows: Record<string, number> = {
  IHDR: 13,
  PLTE: 768,
  IDAT: Infinity,
  IEND: 0,
  tRNS: 256,
  gAMA: 4,
  cHRM: 32,
  sRGB: 1,
  sBIT: 4,
  bKGD: 6,
  pHYs: 9,
}

function strippedPng(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const kept = [bytes.subarray(0, 8)]
  for (let at = 8; at + 12 <= bytes.length;) {
    const long = view.getUint32(at)
    const until = at + 12 + long
    if (until > bytes.length) refuse()
    const name = nameAt(bytes, at + 4)
    if (long <= (pngShows[name] ?? -1)) kept.push(bytes.subarray(at, until))
    if (name === 'IEND') return joinedBytes(kept)
    at = until
  }
  return refuse()
}

/** Of a WebP: the picture, its alpha, how it moves; and the most that they hold, bytes. */
const webpShows: Record<string, number> = {
  'VP8 ': Infinity,
  VP8L: Infinity,
  VP8X: 10,
  ALPH: Infinity,
  ANIM: 6,
  ANMF: Infinity,
}
/** Of one of its moving pictures, after where it stands and how long. */
const frameShows: Record<string, number> = { 'VP8 ': Infinity, VP8L: Infinity, ALPH: Infinity }
const frameHead = 16

/** Flags in the head of an extended WebP: colours, and data about it, follow. */
const tellingFlags = 0x20 | 0x08 | 0x04

function strippedWebp(bytes: Uint8Array): Uint8Array {
  const size = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(4, true)
  const body = chunksOf(bytes.subarray(12, Math.min(bytes.length, 8 + size)), webpShows)
  const head = bytes.slice(0, 12)
  new DataView(head.buffer).setUint32(4, 4 + body.length, true)
  return joinedBytes([head, body])
}

/** Chunks of a RIFF that are on a list. */
function chunksOf(bytes: Uint8Array, shows: Record<string, number>): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const kept: Uint8Array[] = []
  for (let at = 0; at + 8 <= bytes.length;) {
    const long = view.getUint32(at + 4, true)
    const until = at + 8 + long
    if (until > bytes.length) refuse()
    const name = nameAt(bytes, at)
    if (long <= (shows[name] ?? -1)) {
      let data: Uint8Array = bytes.slice(at + 8, until)
      if (name === 'VP8X') data[0] &= ~tellingFlags
      if (name === 'ANMF') {
        const inner = chunksOf(data.subarray(frameHead), frameShows)
        data = joinedBytes([data.subarray(0, frameHead), inner])
      }
      kept.push(chunk(bytes.subarray(at, at + 4), data))
    }
    at = until + (long % 2)
  }
  return joinedBytes(kept)
}

function chunk(name: Uint8Array, data: Uint8Array): Uint8Array {
  const made = new Uint8Array(8 + data.length + (data.length % 2))
  made.set(name)
  new DataView(made.buffer).setUint32(4, data.length, true)
  made.set(data, 8)
  return made
}

/** Markers of a JPEG (ITU-T T.81, table B.1). */
const marker = { start: 0xd8, end: 0xd9, scan: 0xda, exif: 0xe1, jfif: 0xe0, adobe: 0xee } as const
/** Tables of quantisation and Huffman and arithmetic codes, restarts, the number of lines. */
const tables = [0xdb, 0xc4, 0xcc, 0xdd, 0xdc]
/** Starts of frames, of any coding. */
const isFrame = (code: number) => code >= 0xc0 && code <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(code)
/** Stands within the data of a scan: a byte of 255, or a restart. */
const isData = (code: number) => code === 0 || (code >= 0xd0 && code <= 0xd7)

/** That components are luminance and two colours; density and a small picture left out. */
const plainJfif = Uint8Array.from([
  0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 1, 0, 0, 1, 0, 1, 0, 0,
])

function strippedJpeg(bytes: Uint8Array): Uint8Array {
  const kept: Uint8Array[] = []
  let turned: number | undefined
  let jfif = false
  let at = 2
  for (;;) {
    if (at + 4 > bytes.length && bytes[at + 1] !== marker.end) return refuse()
    if (bytes[at] !== 0xff) return refuse()
    const code = bytes[at + 1]
    if (code === 0xff) {
      at++
      continue
    }
    if (code === marker.end) break
    const until = at + 2 + bytes[at + 2] * 256 + bytes[at + 3]
    if (until > bytes.length) return refuse()
    const whole = bytes.subarray(at, until)
    if (code === marker.exif) turned ??= orientationIn(whole)
    if (code === marker.jfif) jfif ||= nameAt(whole, 4) === 'JFIF'
    if (isFrame(code) && until - at !== 10 + 3 * bytes[at + 9]) return refuse()
    // How its colours are coded: twelve bytes, of which five are its name.
    const adobe = code === marker.adobe && whole.length === 16 && nameAt(whole, 4) === 'Adob'
    if (isFrame(code) || tables.includes(code) || adobe) kept.push(whole)
    at = until
    if (code !== marker.scan) continue
    while (at + 1 < bytes.length && (bytes[at] !== 0xff || isData(bytes[at + 1]))) at++
    kept.push(bytes.subarray(until - whole.length, at))
  }
  const start = Uint8Array.from([0xff, marker.start])
  const end = Uint8Array.from([0xff, marker.end])
  const up = turned === undefined || turned === 1 ? [] : [orientationAs(turned)]
  return joinedBytes([start, ...(jfif ? [plainJfif] : []), ...up, ...kept, end])
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
