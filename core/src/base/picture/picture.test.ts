import { describe, expect, it } from 'vitest'
import { inspectPicture, largestPicture } from './inspect.ts'
import { jpeg, png, webp } from './samples.ts'
import { stripped } from './strip.ts'
import { holds, place, places } from './telling.ts'

const plain = { jpeg: jpeg(8, 8), png: png(8, 8), webp: webp(8, 8) }

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
