import { describe, expect, it } from 'vitest'
import { cavityOf, type Vec3 } from '../../form/mesh/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { arrange, type SetLayer } from './arrange.ts'
import { setMoment, dabSets } from './hold.ts'
import { layingList } from './layingList.ts'
import { outlineOf } from './mesh.ts'
import { prepareThings } from './prepare.ts'
import { boundsOf } from './region.ts'
import { spreadOver } from './spread.ts'
import { placementTemplate } from './template.ts'

const mm = 1e-3
const up: Vec3 = [0, 0, 1]
const stars = {
  id: 's',
  name: 'Brass stars',
  count: 10,
  mass: 0.1e-3,
  density: 8500,
  thickness: 0.5 * mm,
}
const { mesh } = cavityOf(
  buildSolid({ solid: 'slab', diameter: 100 * mm, thickness: 10 * mm, bevel: 0 }),
)
const laid = (more: object) => {
  const things = [{ ...stars, ...more, lies: 'floor' as const }]
  const layers: SetLayer[] = [{ id: 'a', bottom: 0, top: 10 * mm, things }]
  return arrange(mesh, up, layers).things[0]
}

describe('a layout along a drawn line', () => {
  it('keeps to the line, from its first point to its last', () => {
    const line: [number, number][] = [
      [-30 * mm, 0],
      [30 * mm, 0],
    ]
    const { places } = laid({ pattern: 'line', line, count: 6 })
    expect(places).toHaveLength(6)
    for (const { y } of places) expect(y).toBe(0)
    const across = places.map(({ x }) => x)
    expect(across).toEqual(across.toSorted((a, b) => a - b))
  })
})

describe('falling sizes', () => {
  it('go down evenly in the order of the layout, and need less room', () => {
    const { places } = laid({ smallest: 0.4, pattern: 'ring' })
    expect(places[0].size).toBeUndefined()
    expect(places[9].size).toBeCloseTo(0.4, 12)
    const over = (count: number, smallest?: number) => laid({ count, mass: 0.4e-3, smallest }).over
    expect(over(70)).toBeGreaterThan(over(70, 0.3))
    expect(over(500)).toBeGreaterThanOrEqual(over(500, 0.3))
  })
})

describe('a spread over the depth', () => {
  // Density that thins evenly to none has its middle at 1 − √½ of the depth.
  it('dense below has half of its things under 0.293 of the depth', () => {
    const of = spreadOver({ count: 1000, spread: 'dense below' }, 1)
    const heights = Array.from({ length: 1000 }, (_, i) => of(i))
    const half = heights.filter((height) => height < 1 - Math.SQRT1_2).length
    expect(half).toBeGreaterThan(490)
    expect(half).toBeLessThan(510)
    const turned = spreadOver({ count: 1000, spread: 'dense above' }, 1)
    expect(of(7) + turned(7)).toBeCloseTo(1, 12)
  })

  it('in the middle third keeps clear of floor and surface', () => {
    const of = spreadOver({ count: 500, spread: 'middle third' }, 0.009)
    const heights = Array.from({ length: 500 }, (_, i) => of(i)).toSorted((a, b) => a - b)
    expect(heights[0]).toBeGreaterThanOrEqual(0.003)
    expect(heights[499]).toBeLessThanOrEqual(0.006)
    expect(heights[250]).toBeCloseTo(0.0045, 4)
  })

  it('keeps all within the layer, and lets one pass over another', () => {
    const { places, over, size } = laid({ count: 400, mass: 0.4e-3, spread: 'even' })
    for (const { up = 0 } of places) {
      expect(up).toBeGreaterThanOrEqual(0)
      expect(up + size.thickness).toBeLessThanOrEqual(10 * mm)
    }
    expect(over).toBeLessThan(laid({ count: 400, mass: 0.4e-3 }).over)
  })
})

describe('things laid by hand', () => {
  it('that meet are counted, one above the other are not', () => {
    const two = (higher?: number) => [
      { x: 0, y: 0, turn: 0 },
      { x: 1 * mm, y: 0, turn: 0, up: higher },
    ]
    expect(laid({ count: 2, places: two() }).meeting).toBe(2)
    expect(laid({ count: 2, places: two(3 * mm) }).meeting).toBe(0)
  })
})

describe('the laying-out list', () => {
  it('counts as the template does, mirrored with it', () => {
    const things = [laid({ count: 3, places: [{ x: 10 * mm, y: 5 * mm, turn: 1 }] })]
    const [first, ...rest] = layingList(things, 0, 'from above')
    expect(first).toMatchObject({ number: 1, right: 10 * mm, away: 5 * mm, turn: 1, height: 0 })
    expect(rest.map(({ number }) => number)).toEqual([2, 3])
    expect(layingList(things, 0, 'mirrored')[0]).toMatchObject({ right: -10 * mm, turn: -1 })
    const svg = placementTemplate([], things, { seen: 'from above', check: '50 mm' })
    expect(svg.match(/<text/g)).toHaveLength(3 + 1)
  })
})

describe('a round thing on the template', () => {
  it.each([5, 32, 80, 200])('of %i mm lies within 0.05 mm of its circle', (across) => {
    const [loop] = outlineOf({ shape: 'disc', across: across * mm, thickness: mm })
    loop.forEach(([x, y], i) => {
      const [nx, ny] = loop[(i + 1) % loop.length]
      const middle = Math.hypot((x + nx) / 2, (y + ny) / 2) * across
      expect(Math.abs(middle - across / 2)).toBeLessThan(0.0501)
    })
  })
})

describe('when things are set in', () => {
  const clock = { pourAt: 7200, gelAt: 12_000 }

  it.each([
    ['on the first floor', {}, undefined, 'on the mould', 0, 7200],
    ['on a gel', {}, 5000, 'on the gel', 5000, 7200],
    ['dabbed', { held: 'dab' }, 5000, 'dab', 5000, 7200 - dabSets],
    ['in a jig', { held: 'jig' }, 5000, 'jig', 7200, 12_000],
    ['anywhere else', { onFloor: false }, 5000, 'with the pour', 7200, 12_000],
    ['rising', { onFloor: false, holdsFrom: 11_000 }, 5000, 'once it holds', 11_000, 12_000],
    ['no minute', { onFloor: false, holdsFrom: 11_950 }, 5000, 'with the pour', 7200, 12_000],
  ] as const)('%s', (_, more, belowGels, how, from, until) => {
    expect(setMoment({ onFloor: true, ...clock, belowGels, ...more })).toEqual({ how, from, until })
  })
})

describe('what things need before, by what is known of them', () => {
  // Facts of the trade: organic dried, sealed, wetted; what bleeds sealed; what is hollow filled; oil taken off.
  it.each([
    ['porous', 2000, ['dry', 'seal', 'wet']],
    ['damp', 2000, ['dry', 'seal', 'wet']],
    ['bleeds', 2000, ['seal', 'wash']],
    ['hollow', 2000, ['fill', 'wash']],
    ['oily', 2000, ['degrease']],
    ['magnetic', 7500, ['degrease']],
  ] as const)('%s', (trait, density, steps) => {
    expect(prepareThings([{ name: 'x', density, traits: [trait] }])[0].steps).toEqual(steps)
  })
})

describe('things in the hollow of a mould', () => {
  const bowl = cavityOf(buildSolid({ solid: 'ball', diameter: 60 * mm })).mesh
  const grit = { id: 'g', name: 'Grit', count: 40, mass: 0.1e-3, density: 2900 }
  const lay = (top: number) =>
    arrange(bowl, up, [{ id: 'a', bottom: 0, top, things: [{ ...grit, lies: 'floor' }] }]).things[0]

  it('lie on its wall where the floor has no room for more', () => {
    const { places, over, size } = lay(25 * mm)
    expect(over).toBe(0)
    // Where the ball is that wide: h = R − √(R² − r²).
    for (const { x, y, up = 0 } of places) {
      const wall = 30 * mm - Math.sqrt((30 * mm) ** 2 - (x * x + y * y))
      expect(up + size.thickness).toBeGreaterThan(wall)
    }
    expect(places.some(({ up = 0 }) => up > 2 * mm)).toBe(true)
  })

  it('no thing stands out of the outline it is drawn in, and its own level is dashed', () => {
    const layers: SetLayer[] = [
      { id: 'a', bottom: 0, top: 25 * mm, things: [{ ...grit, lies: 'floor' }] },
    ]
    const { outlines, things } = arrange(bowl, up, layers)
    const [{ loops, levels }] = outlines
    const reach = (all: readonly Float64Array[]) => boundsOf(all).high[0]
    // By Pythagoras: the ball 0.5 mm under the top of the layer, and 0.5 mm above its floor.
    expect(reach(loops)).toBeCloseTo(Math.sqrt(0.03 ** 2 - 0.0055 ** 2), 4)
    expect(levels.map(reach)).toEqual([expect.closeTo(Math.sqrt(0.03 ** 2 - 0.0295 ** 2), 4)])
    for (const { x, y } of things[0].places) {
      expect(Math.hypot(x, y) + things[0].size.across / 2).toBeLessThan(reach(loops))
    }
    const svg = placementTemplate(loops, things, { seen: 'from above', check: '50 mm', levels })
    expect(svg.match(/stroke-dasharray/g)).toHaveLength(1)
  })

  it('on a flat floor none hangs above it', () => {
    const flat = laid({ count: 600, mass: 0.4e-3 })
    expect(flat.over).toBeGreaterThan(0)
    expect(flat.places.every(({ up }) => up === undefined)).toBe(true)
  })
})
