import { jpeg, png, webp } from './samples.ts'

/** Pictures that tell where they were taken, for tests. */
export const place = 'GPS 48.1 N 11.5 E'
export const holds = (bytes: Uint8Array, text: string) =>
  new TextDecoder('latin1').decode(bytes).includes(text)

const letters = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0))
const told = letters(place)
const both = (...parts: (Uint8Array | number[])[]) =>
  Uint8Array.from(parts.flatMap((one) => [...one]))
const within = (whole: Uint8Array, at: number, ...parts: (Uint8Array | number[])[]) =>
  both(whole.subarray(0, at), ...parts, whole.subarray(at))

const segment = (code: number, head = '') => {
  const long = 2 + head.length + told.length
  return both([0xff, code, long >> 8, long & 255], letters(head), told)
}
const chunk = (name: string, data: Uint8Array = told) =>
  both([0, 0, 0, data.length], letters(name), data, [0, 0, 0, 0])
const riff = (name: string, data: Uint8Array = told) =>
  both(letters(name), [data.length, 0, 0, 0], data, data.length % 2 ? [0] : [])
const grown = (whole: Uint8Array) => {
  const copy = whole.slice()
  new DataView(copy.buffer).setUint32(4, copy.length - 8, true)
  return copy
}

const plain = { jpeg: jpeg(8, 8), png: png(8, 8), webp: webp(8, 8) }
/** A scan follows the first: its head and one byte. */
const anotherScan = [0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0, 7]
/** A picture with a place told in each part of its file where something can be told besides it. */
export const places: [string, 'image/jpeg' | 'image/png' | 'image/webp', Uint8Array][] = [
  ...Array.from({ length: 16 }, (_, n): [string, 'image/jpeg', Uint8Array] => [
    `APP${n}`,
    'image/jpeg',
    within(plain.jpeg, 2, segment(0xe0 + n)),
  ]),
  ...(['JFIF\0', 'JFXX\0', 'Exif\0\0', 'ICC_PROFILE\0', 'MPF\0', 'Adobe'] as const).flatMap(
    (head) =>
      [0xe0, 0xe1, 0xe2, 0xee].map((code): [string, 'image/jpeg', Uint8Array] => [
        `${head.replace(/\0/g, '')} in APP${code - 0xe0}`,
        'image/jpeg',
        within(plain.jpeg, 2, segment(code, head)),
      ]),
  ),
  ['a comment', 'image/jpeg', within(plain.jpeg, 2, segment(0xfe))],
  [
    'between scans',
    'image/jpeg',
    within(plain.jpeg, plain.jpeg.length - 2, segment(0xe1), anotherScan),
  ],
  ['behind the end', 'image/jpeg', both(plain.jpeg, told)],
  ['a second picture behind it', 'image/jpeg', both(plain.jpeg, jpeg(4, 4, { told: place }))],
  ...[
    'tEXt',
    'zTXt',
    'iTXt',
    'eXIf',
    'iCCP',
    'tIME',
    'sPLT',
    'hIST',
    'prVt',
    'gAMA',
    'pHYs',
    'bKGD',
    'acTL',
    'fdAT',
  ].map((name): [string, 'image/png', Uint8Array] => [
    name,
    'image/png',
    within(plain.png, 33, chunk(name)),
  ]),
  ['behind the end', 'image/png', both(plain.png, told)],
  ...['EXIF', 'XMP ', 'ICCP', 'ANIM', 'prVt'].map((name): [string, 'image/webp', Uint8Array] => [
    name,
    'image/webp',
    grown(both(plain.webp, riff(name))),
  ]),
  [
    'within a moving picture',
    'image/webp',
    grown(both(plain.webp, riff('ANMF', both(new Uint8Array(16), riff('EXIF'))))),
  ],
  ['behind the end', 'image/webp', both(plain.webp, told)],
]
