import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  calibrate,
  driftFrom,
  driftIn,
  gelOf,
  learn,
  thickeningOf,
  waitFor,
} from '../cure/index.ts'
import { sheets } from '../cure/samples.ts'
import { levelCut } from '../../form/filling/index.ts'
import { axesFor, cavityOf, closureOf, measure, type Vec3 } from '../../form/mesh/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { arrange, type SetLayer } from './arrange.ts'
import { restingPath } from './settle.ts'
import { speedAtOne, speedBy } from './drift.ts'
import { prepareThings } from './prepare.ts'
import { patterns, thingShapes } from './inclusion.ts'
import { thingsMesh } from './mesh.ts'
import { isInside, wallDistance } from './region.ts'
import { clearance, scatter } from './scatter.ts'
import { sizeOf } from './thing.ts'

const mm = 1e-3
const gram = 1e-3
const up: Vec3 = [0, 0, 1]
const square = [Float64Array.of(-0.04, -0.04, 0.04, -0.04, 0.04, 0.04, -0.04, 0.04)]
const rectangle = (width: number, height: number) => [
  Float64Array.of(0, 0, width, 0, width, height, 0, height),
]
const round = (across: number) => [
  Float64Array.from({ length: 720 }, (_, i) => {
    const angle = (2 * Math.PI * Math.floor(i / 2)) / 360
    return (across / 2) * (i % 2 ? Math.sin(angle) : Math.cos(angle))
  }),
]
const stars = {
  id: 's',
  name: 'Brass stars',
  count: 10,
  mass: 0.4 * gram,
  density: 8500,
  thickness: 0.5 * mm,
}

describe('the size of a thing', () => {
  // 4/3·π·r³·ρ: a ball of 10 mm of 2500 kg/m³ weighs 1.309 g.
  it('comes from its weight and density', () => {
    expect(sizeOf({ mass: 1.309 * gram, density: 2500, shape: 'ball' }).across).toBeCloseTo(0.01, 5)
    expect(sizeOf(stars).across).toBeCloseTo(Math.sqrt((4 * 0.4e-3) / 8500 / 0.5e-3 / Math.PI), 12)
  })

  it('is what its drawn surface encloses, to the facets it is drawn with', () => {
    for (const shape of thingShapes) {
      const thing = { mass: 1 * gram, density: 2000, thickness: 1 * mm, shape }
      const mesh = thingsMesh(sizeOf(thing), [{ x: 0, y: 0, turn: 1 }], axesFor(up), [0, 0, 0], 0)
      expect(closureOf(mesh).openEdges).toBe(0)
      const share = measure(mesh).volume / (thing.mass / thing.density)
      expect(share).toBeGreaterThan(shape === 'shard' ? 0.6 : 0.93)
      expect(share).toBeLessThan(1.02)
    }
  })
})

describe('what things need before they are set in', () => {
  // Facts of the trade: organic is dried and sealed, metal degreased, stone washed.
  it('is said once for each kind, with its days', () => {
    const petal = { name: 'Petal', density: 400 }
    const found = prepareThings([petal, petal, stars, { name: 'Grit', density: 2900 }])
    expect(found.map(({ name, steps }) => [name, ...steps])).toEqual([
      ['Petal', 'dry', 'seal', 'wet'],
      ['Brass stars', 'degrease'],
      ['Grit', 'wash'],
    ])
    expect(found[0].time).toBe(8 * 24 * 3600)
  })
})

describe('a scatter', () => {
  it('in any pattern neither overlaps nor comes too near to the wall, and is the same again', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...patterns),
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 1, max: 60 }),
        (pattern, seed, count) => {
          const half = 1.5 * mm
          const places = scatter(square, count, { pattern, seed, half })
          expect(scatter(square, count, { pattern, seed, half })).toEqual(places)
          places.forEach(({ x, y }, i) => {
            expect(isInside(square, x, y)).toBe(true)
            expect(wallDistance(square, x, y)).toBeGreaterThanOrEqual(clearance.wall + half)
            for (const other of places.slice(i + 1)) {
              const gap = Math.hypot(other.x - x, other.y - y) - 2 * half
              expect(gap).toBeGreaterThanOrEqual(clearance.thing - 1e-12)
            }
          })
        },
      ),
      { numRuns: 60 },
    )
  })

  it('says by its length how many fit', () => {
    const places = scatter(square, 400, { pattern: 'even', seed: 1, half: 5 * mm })
    expect(places.length).toBeGreaterThan(22)
    // 66 mm squared hold no more than 46 discs of 12 mm (closest packing, 0.9069).
    expect(places.length).toBeLessThan(46)
  })

  // A plain grid of 4 x 3, and rows counted by hand on paper (closest packing, Thue 1910, from
  // memory): 2 mm stay free at the wall, 1 mm between two.
  it.each([
    ['80 x 30 mm', rectangle(80 * mm, 30 * mm), 12],
    ['a coaster of 100 mm', round(100 * mm), 48],
  ])('where many are wished it holds as many discs of 11 mm as rows do: %s', (_, loops, held) => {
    const lie = scatter(loops, 200, { pattern: 'even', seed: 1, half: 5.5 * mm })
    expect(lie.length).toBeGreaterThanOrEqual(held)
    const exactly = scatter(loops, held, { pattern: 'even', seed: 1, half: 5.5 * mm })
    expect(exactly).toHaveLength(held)
    for (const places of [lie, exactly]) {
      places.forEach(({ x, y }, i) => {
        expect(wallDistance(loops, x, y)).toBeGreaterThanOrEqual(clearance.wall + 5.5 * mm)
        for (const other of places.slice(i + 1)) {
          expect(Math.hypot(other.x - x, other.y - y)).toBeGreaterThanOrEqual(12 * mm - 1e-9)
        }
      })
    }
  })

  it('an even one keeps them apart: the nearest two of twelve on a coaster', () => {
    const loops = round(100 * mm)
    const gaps = Array.from({ length: 20 }, (_, seed) => {
      const places = scatter(loops, 12, { pattern: 'even', seed, half: 2 * mm })
      return Math.min(
        ...places.flatMap((one, i) =>
          places.slice(i + 1).map((other) => Math.hypot(other.x - one.x, other.y - one.y)),
        ),
      )
    })
    // Twelve in a circle of radius 46 mm can stand 26.4 mm apart (Graham et al. 1998, from memory);
    // thrown by chance their nearest two are mostly 8 to 9 mm apart.
    const typical = gaps.toSorted((a, b) => a - b)[10]
    expect(typical).toBeGreaterThan(14 * mm)
  })

  it('another seed is another layout', () => {
    const of = (seed: number) => scatter(square, 5, { pattern: 'even', seed, half: mm })
    expect(of(1)).not.toEqual(of(2))
  })
})

describe('what is set into layers', () => {
  const slab = buildSolid({ solid: 'slab', diameter: 100 * mm, thickness: 8 * mm, bevel: 0 })
  const { mesh } = cavityOf(slab)
  const layers = (lift?: number, more = {}): SetLayer[] => [
    { id: 'base', bottom: 0, top: 3 * mm, things: [] },
    {
      id: 'cover',
      bottom: 3 * mm,
      top: 8 * mm,
      things: [{ ...stars, ...more, lift, lies: 'floor' }],
    },
  ]

  it('heavy things lie on the floor of their layer, however often it is asked', () => {
    const { things, outlines } = arrange(mesh, up, layers())
    expect(things[0]).toMatchObject({ layer: 'cover', floor: 3 * mm, over: 0, astray: 0 })
    expect(things[0].places).toHaveLength(10)
    expect(outlines.map(({ layer }) => layer)).toEqual(['base', 'cover'])
    expect(arrange(mesh, up, layers()).things).toEqual(things)
  })

  it('rest where they are wished, and never through the surface', () => {
    expect(arrange(mesh, up, layers(2 * mm)).things[0].floor).toBeCloseTo(5 * mm, 12)
    expect(arrange(mesh, up, layers(9 * mm)).things[0].floor).toBeCloseTo(7.5 * mm, 12)
  })

  it('those laid by hand stay, the others keep clear of them, and one outside is told', () => {
    const places = [
      { x: 0, y: 0, turn: 0 },
      { x: 0.06, y: 0, turn: 0 },
    ]
    const [found] = arrange(mesh, up, layers(undefined, { places })).things
    expect(found.places.slice(0, 2)).toEqual(places)
    expect(found.astray).toBe(1)
    for (const { x, y } of found.places.slice(2)) {
      expect(Math.hypot(x, y)).toBeGreaterThan(found.size.across)
    }
  })

  it('a level cut of a slab is its circle', () => {
    const [loop] = levelCut(mesh, up, 4 * mm)
    for (let i = 0; i < loop.length; i += 2) {
      const far = Math.hypot(loop[i], loop[i + 1])
      expect(far).toBeLessThanOrEqual(0.05 + 1e-9)
      // As a polygon of 192 sides comes nearest to its middle.
      expect(far).toBeGreaterThanOrEqual(0.05 * Math.cos(Math.PI / 192) - 1e-9)
    }
  })
})

describe('how a thing moves until the gel', () => {
  // Stokes: 2/9·(ρ − ρ0)·g·r²/η.
  it('a ball by Stokes', () => {
    const ball = { mass: (4 / 3) * Math.PI * mm ** 3 * 2000, density: 2000, shape: 'ball' as const }
    expect(speedAtOne(ball, 1000)).toBeCloseTo((-2 / 9) * 1000 * 9.80665 * mm ** 2, 9)
  })

  // Happel & Brenner 1965: a disc broadside on meets 16·η·a·v.
  it('a disc broadside on, where weight less buoyancy is its drag', () => {
    const speed = speedAtOne(stars, 1100)
    const half = sizeOf(stars).across / 2
    const weight = (8500 - 1100) * (stars.mass / stars.density) * 9.80665
    expect(16 * half * -speed).toBeCloseTo(weight, 12)
  })

  // Schiller & Naumann 1933 (in Clift, Grace & Weber 1978), each measured point from their standard
  // drag curve: Re 1 → 1.15 times creeping drag, Re 10 → 1.73, Re 100 → 4.55.
  it.each([
    [1, 1.15],
    [10, 1.73],
    [100, 4.55],
  ])('at Re %d its drag is %f times that of creeping flow', (reynolds, more) => {
    const ball = { mass: (4 / 3) * Math.PI * mm ** 3 * 8000, density: 8000, shape: 'ball' as const }
    const speed = speedBy(ball, 1000)
    const creeping = speedAtOne(ball, 1000)
    // The viscosity at which it falls with that Reynolds number, by halving.
    let [thin, thick] = [1e-4, 1e3]
    for (let i = 0; i < 80; i++) {
      const middle = Math.sqrt(thin * thick)
      if ((1000 * Math.abs(speed(middle)) * 2 * mm) / middle > reynolds) thin = middle
      else thick = middle
    }
    expect(creeping / thin / speed(thin)).toBeCloseTo(more, 2)
  })

  it('leaf is carried, and what is lighter rises', () => {
    expect(speedAtOne({ ...stars, mass: 2e-5, thickness: 1e-6 }, 1100)).toBe(0)
    expect(speedAtOne({ mass: gram, density: 400 }, 1100)).toBeGreaterThan(0)
  })

  const laws = Object.values(sheets).map(
    (sheet) => [sheet, learn(calibrate(sheet), sheet).law] as const,
  )

  it('what is left of a way ends with the gel', () => {
    for (const [, law] of laws) {
      const { time, left } = driftIn(thickeningOf(law, 296.15), speedBy(stars, 1100))
      expect(left[left.length - 1]).toBe(0)
      expect(time[time.length - 1] / gelOf(law, 296.15)).toBeCloseTo(1, 2)
    }
  })

  // Facts of the trade: thin slow resin lets flakes sink for most of its gel time, a fast urethane hardly.
  it('mica of 300 µm waits longest in a deep epoxy, then in a coating epoxy, then in a fast urethane', () => {
    const mica = { mass: Math.PI * 150e-6 ** 2 * 5e-6 * 2900, density: 2900, thickness: 5.01e-6 }
    const [deep, coating, fast] = (['deep', 'coating', 'fast'] as const).map((name) => {
      const { law } = learn(calibrate(sheets[name]), sheets[name])
      const wait = waitFor(driftIn(thickeningOf(law, 296.15), speedBy(mica, 1120)), 0.5 * mm)
      return { wait, share: wait / gelOf(law, 296.15) }
    })
    expect(deep.wait).toBeGreaterThan(coating.wait)
    expect(coating.wait).toBeGreaterThan(fast.wait)
    for (const { share } of [deep, coating, fast]) {
      expect(share).toBeGreaterThan(0.4)
      expect(share).toBeLessThan(0.97)
    }
  })

  it('what floats ends with its top at the surface, what sinks on the floor', () => {
    const path = (moved: number) => ({
      path: [
        { at: 0, moved: 0 },
        { at: 60, moved },
      ],
    })
    const layer = { depth: 10 * mm, thickness: 3 * mm }
    const ends = (moved: number, lift?: number) =>
      restingPath(path(moved), { ...layer, lift }).map(({ height }) => height / mm)
    expect(ends(20 * mm)).toEqual([expect.closeTo(3.5, 9), expect.closeTo(7, 9)])
    expect(ends(-20 * mm)).toEqual([expect.closeTo(3.5, 9), 0])
    expect(ends(mm, 9 * mm)).toEqual([expect.closeTo(7, 9), expect.closeTo(7, 9)])
  })

  it('waiting so long leaves no more than that', () => {
    const [, law] = laws[0]
    const way = driftIn(thickeningOf(law, 296.15), speedBy(stars, 1100))
    const wait = waitFor(way, mm)
    expect(Math.abs(driftFrom(way, wait))).toBeCloseTo(mm, 6)
    expect(Math.abs(driftFrom(way, 0))).toBeGreaterThan(mm)
    expect(driftFrom(way, 1e9)).toBe(0)
  })
})
