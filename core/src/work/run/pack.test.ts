import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart, fitsPot, packPlate, type PackedPlace } from './pack.ts'

const square = (side: number) => ({ width: side, depth: side, round: false })
const disc = (across: number) => ({ width: across, depth: across, round: true })
const inside = ({ x, y, width, depth, round }: PackedPlace, radius: number) =>
  round
    ? Math.hypot(x, y) + width / 2 <= radius + 1e-6
    : Math.hypot(Math.abs(x) + width / 2, Math.abs(y) + depth / 2) <= radius + 1e-6
const meet = (a: PackedPlace, b: PackedPlace) =>
  a.round && b.round
    ? Math.hypot(a.x - b.x, a.y - b.y) < (a.width + b.width) / 2 + apart - 1e-6
    : Math.abs(a.x - b.x) < (a.width + b.width) / 2 + apart - 1e-6 &&
      Math.abs(a.y - b.y) < (a.depth + b.depth) / 2 + apart - 1e-6

describe('moulds on a plate', () => {
  it('never overlap nor stand over the rim, whatever they are', () => {
    const size = fc.double({ min: 0.01, max: 0.09, noNaN: true })
    const item = fc.record({ width: size, depth: size, round: fc.boolean() })
    const even = item.map((one) => (one.round ? { ...one, depth: one.width } : one))
    fc.assert(
      fc.property(fc.array(even, { minLength: 1, maxLength: 14 }), (items) => {
        const places = packPlate(items, 0.28)
        for (const [i, place] of places.entries()) {
          expect(inside(place, 0.14)).toBe(true)
          for (const other of places.slice(i + 1)) expect(meet(place, other)).toBe(false)
        }
        expect(new Set(places.map(({ item: of }) => of)).size).toBe(places.length)
      }),
      { numRuns: 60 },
    )
  })

  // Known: seven equal circles fill one of three times their diameter; a square fits its circle.
  it('seven discs in a plate of three, a square in its circle', () => {
    const across = 0.05
    expect(
      packPlate(Array(9).fill(disc(across)), 3 * (across + apart)).length,
    ).toBeGreaterThanOrEqual(7)
    expect(packPlate([square(0.1)], Math.SQRT2 * 0.1).length).toBe(1)
    expect(packPlate([square(0.1)], Math.SQRT2 * 0.1 - 0.001).length).toBe(0)
  })

  // Graham, Lubachevsky, Nurmela and Östergård 1998: the circle that holds n equal ones, in their
  // radii. Three thousandths wider all of these are found.
  it.each([
    [2, 2],
    [3, 2.1547],
    [4, 2.4142],
    [5, 2.7013],
    [7, 3],
    [8, 3.3048],
    [19, 4.8637],
  ])('%i discs stand in a plate of %f of their radii', (n, ratio) => {
    const across = 0.05
    const plate = ratio * 1.003 * (across + apart) - apart
    const places = packPlate(Array(n + 3).fill(disc(across)), plate)
    expect(places).toHaveLength(n)
    for (const [i, place] of places.entries()) {
      expect(inside(place, plate / 2)).toBe(true)
      for (const other of places.slice(i + 1)) expect(meet(place, other)).toBe(false)
    }
  })

  // As many as those circles hold with 4 mm between them: 4.44, 2.73 and 2.06 of their radii.
  it.each([
    [14, 60, 280],
    [5, 100, 280],
    [2, 90, 190],
  ])('%i round moulds of %i mm stand on a plate of %i mm', (n, across, plate) => {
    expect(packPlate(Array(20).fill(disc(across / 1e3)), plate / 1e3)).toHaveLength(n)
  })

  it('a mould that is too high does not fit, however wide the pot', () => {
    const block = { width: 0.05, depth: 0.05, height: 0.2, round: false }
    expect(fitsPot([block], { diameter: 0.3, height: 0.21 })).toBe(true)
    expect(fitsPot([block], { diameter: 0.3, height: 0.2 })).toBe(false)
  })
})
