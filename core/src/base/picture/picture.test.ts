import { describe, expect, it } from 'vitest'
import { inspectPicture, largestPicture } from './inspect.ts'
import { jpeg, png, webp } from './samples.ts'
import { stripped } from './strip.ts'

const place = 'GPS 48.1 N 11.5 E'
const holds = (bytes: Uint8Array, text: string) =>
  new TextDecoder('latin1').decode(bytes).includes(text)

describe('a picture', () => {
  it.each([
    ['image/png', png(20, 30)],
    ['image/jpeg', jpeg(20, 30)],
    ['image/webp', webp(20, 30)],
  ] as const)('is known by its bytes: %s, 20 by 30', (type, bytes) => {
    expect(inspectPicture(bytes)).toEqual({ type, width: 20, height: 30 })
  })

  it.each([
    ['nothing', new Uint8Array()],
    ['words', new TextEncoder().encode('<html>a page</html>')],
    ['a drawing that runs scripts', new TextEncoder().encode('<svg xmlns="x"><script/></svg>')],
    ['one that ends in its head', png(20, 30).subarray(0, 20)],
    ['one of no size', png(0, 30)],
    ['one of a hundred thousand by a hundred thousand', png(3, 3).fill(1, 16, 24)],
  ])('is not one: %s', (_, bytes) => {
    expect(() => inspectPicture(bytes)).toThrow('picture-not-one')
  })

  it('that lies about its type is refused, and too large a one before it is looked at', () => {
    expect(() => inspectPicture(png(2, 2), { claims: 'image/jpeg' })).toThrow('picture-other')
    expect(() => inspectPicture(new Uint8Array(largestPicture + 1))).toThrow('file-too-large')
  })

  it.each([
    ['image/png', png(8, 8, place)],
    ['image/jpeg', jpeg(8, 8, { told: place })],
    ['image/webp', webp(8, 8, place)],
  ] as const)('%s keeps its size and loses where it was taken', (type, bytes) => {
    expect(holds(bytes, place)).toBe(true)
    const bare = stripped(bytes, type)
    expect(holds(bare, place)).toBe(false)
    expect(inspectPicture(bare)).toEqual(inspectPicture(bytes))
    expect(stripped(bare, type)).toEqual(bare)
  })

  it('a JPEG still knows which way up it was taken', () => {
    const bare = stripped(jpeg(8, 8, { told: place, turned: 6 }), 'image/jpeg')
    expect(holds(bare, 'Exif')).toBe(true)
    expect(holds(bare, place)).toBe(false)
    // Twice stripped it still says so.
    expect(stripped(bare, 'image/jpeg')).toEqual(bare)
  })

  it('picture data are untouched', () => {
    const bare = stripped(jpeg(8, 8, { told: place }), 'image/jpeg')
    expect([...bare.slice(-5)]).toEqual([1, 2, 3, 0xff, 0xd9])
  })
})

/** Every place of a file where something can be told besides the picture. */
const told = new TextEncoder().encode(place)
const both = (...parts: (Uint8Array | number[])[]) =>
  Uint8Array.from(parts.flatMap((one) => [...one]))
const within = (whole: Uint8Array, at: number, ...parts: (Uint8Array | number[])[]) =>
  both(whole.subarray(0, at), ...parts, whole.subarray(at))
const letters = (text: string) => new TextEncoder().encode(text)

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
const places: [string, 'image/jpeg' | 'image/png' | 'image/webp', Uint8Array][] = [
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

describe(`where a picture was taken is gone from each of ${places.length} places`, () => {
  it.each(places)('%s of %s', (_, type, bytes) => {
    expect(holds(bytes, place)).toBe(true)
    const bare = stripped(bytes, type)
    expect(holds(bare, place)).toBe(false)
    expect(inspectPicture(bare)).toEqual({ type, width: 8, height: 8 })
    expect(stripped(bare, type)).toEqual(bare)
  })

  it('one that ends in its middle is refused', () => {
    expect(() => stripped(plain.png.subarray(0, 40), 'image/png')).toThrow('picture-not-one')
    expect(() => stripped(plain.jpeg.subarray(0, 30), 'image/jpeg')).toThrow('picture-not-one')
  })
})
