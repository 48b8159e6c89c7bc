/** Small pictures by hand, for tests. */
const ascii = (text: string) => [...text].map((letter) => letter.charCodeAt(0))
const long = (n: number) => [(n >>> 24) & 255, (n >>> 16) & 255, (n >>> 8) & 255, n & 255]
const little = (n: number) => long(n).reverse()

const crcTable = Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c >>> 0
})
const crc = (bytes: number[]) =>
  (bytes.reduce((c, byte) => crcTable[(c ^ byte) & 255] ^ (c >>> 8), 0xffffffff) ^ 0xffffffff) >>> 0

const pngChunk = (name: string, data: number[]) => {
  const body = [...ascii(name), ...data]
  return [...long(data.length), ...body, ...long(crc(body))]
}

/** Stored, not packed: a zlib stream of one block. */
const zlibStored = (data: number[]) => {
  let [a, b] = [1, 0]
  for (const byte of data) {
    a = (a + byte) % 65521
    b = (b + a) % 65521
  }
  const n = data.length
  return [0x78, 1, 1, n & 255, n >> 8, ~n & 255, (~n >> 8) & 255, ...data, ...long(b * 65536 + a)]
}

/** A grey PNG; `told` is put in as words that show nothing. */
export function png(width: number, height: number, told?: string): Uint8Array {
  const rows = Array.from({ length: height }, () => [0, ...Array<number>(width).fill(128)]).flat()
  return Uint8Array.from([
    0x89,
    ...ascii('PNG\r\n\u001a\n'),
    ...pngChunk('IHDR', [...long(width), ...long(height), 8, 0, 0, 0, 0]),
    ...(told === undefined ? [] : pngChunk('tEXt', ascii(`Comment\0${told}`))),
    ...pngChunk('IDAT', zlibStored(rows)),
    ...pngChunk('IEND', []),
  ])
}

const segment = (marker: number, data: number[]) => [
  0xff,
  marker,
  (data.length + 2) >> 8,
  (data.length + 2) & 255,
  ...data,
]

/** The frame of a JPEG with EXIF that names a place and which way up; no picture data. */
export const jpeg = (width: number, height: number, { told = '', turned = 1 } = {}): Uint8Array =>
  Uint8Array.from([
    0xff,
    0xd8,
    ...segment(0xe0, [...ascii('JFIF\0'), 1, 1, 0, 0, 1, 0, 1, 0, 0]),
    ...segment(0xe1, [
      ...ascii('Exif\0\0'),
      ...ascii('MM'),
      0,
      42,
      ...long(8),
      0,
      1,
      0x01,
      0x12,
      0,
      3,
      ...long(1),
      0,
      turned,
      0,
      0,
      ...long(0),
      ...ascii(told),
    ]),
    ...segment(0xfe, ascii(told)),
    ...segment(0xc0, [8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0]),
    ...segment(0xda, [1, 1, 0, 0, 63, 0]),
    1,
    2,
    3,
    0xff,
    0xd9,
  ])

/** An extended WebP with EXIF behind its picture. */
export function webp(width: number, height: number, told = ''): Uint8Array {
  const whole = (n: number) => [(n - 1) & 255, ((n - 1) >> 8) & 255, ((n - 1) >> 16) & 255]
  const chunk = (name: string, data: number[]) => [
    ...ascii(name),
    ...little(data.length),
    ...data,
    ...(data.length % 2 ? [0] : []),
  ]
  const body = [
    ...chunk('VP8X', [0x08, 0, 0, 0, ...whole(width), ...whole(height)]),
    ...chunk('VP8L', [0x2f, 0, 0, 0, 0]),
    ...chunk('EXIF', ascii(told)),
  ]
  return Uint8Array.from([...ascii('RIFF'), ...little(4 + body.length), ...ascii('WEBP'), ...body])
}
