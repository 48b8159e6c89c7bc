import fc from 'fast-check'
import { TorusGeometry } from 'three'
import { describe, expect, it } from 'vitest'
import { bodyMatter, deltaE, even, mixed, passes, type Matter, type Rgb } from '../colour/index.ts'
import { slowEpoxy } from '../material/samples.ts'
import { buildSolid, type Solid } from '../../form/shape/index.ts'
import { traceRay, type Optics } from './traceRay.ts'
import { buried, fresnel, refracted } from './fresnel.ts'
import { LookMaker, type Look } from './look.ts'
import { mattersOf, strata } from './media.ts'
import { lightTable, traceLamp } from './onTable.ts'
import { Transmittance } from './transmittance.ts'
import { ends, PathBook } from './paths.ts'
import { clear, dosed, slab, up } from './samples.ts'
import { shade } from './shade.ts'
import { standOnTable } from './standing.ts'
import { traceView } from './view.ts'

const mm = 1e-3
const degrees = (radians: number) => (radians * 180) / Math.PI
const made = (solid: Solid) => buildSolid(solid)
const drop = made({ solid: 'drop', width: 38 * mm, height: 52 * mm, facets: 10 })
/** One medium all through. */
const one = strata([{ top: 1, join: 'crisp' }]).media

describe('a boundary', () => {
  // Fresnel; Snell; sin of the critical angle = 1/n.
  it('sends back 4.00 % straight on, 1.5 against air', () => {
    expect(fresnel(1, 1, 1.5)).toBeCloseTo(0.04, 12)
  })

  it('bends 45° to 28.13° in an index of 1.5', () => {
    expect(degrees(Math.acos(refracted(Math.SQRT1_2, 1, 1.5)!))).toBeCloseTo(28.13, 2)
  })

  it('lets nothing out from 41.81° on', () => {
    const at = (angle: number) => fresnel(Math.cos((angle * Math.PI) / 180), 1.5, 1)
    expect(at(41.8)).toBeLessThan(1)
    expect(at(41.82)).toBe(1)
    expect(refracted(Math.cos((41.82 * Math.PI) / 180), 1.5, 1)).toBeUndefined()
  })

  it('sends back alike both ways (reciprocity), and hides a thing of the same index', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1, noNaN: true }), (cosine) => {
        const inside = refracted(cosine, 1, 1.53)!
        expect(fresnel(inside, 1.53, 1)).toBeCloseTo(fresnel(cosine, 1, 1.53), 9)
      }),
    )
    expect(buried(1.53, 1.53)).toBe(0)
  })
})

describe('a ball', () => {
  // n·R / (2 (n − 1)): 1.5 R from the centre for n = 1.5.
  it('of index 1.5 focuses parallel light 1.5 radii from its middle, within 2 %', () => {
    const ball = made({ solid: 'ball', diameter: 20 * mm })
    const aside = 0.5 * mm
    const landing = (hover: number) => {
      const optics: Optics = {
        piece: standOnTable(ball, up, { hover }),
        levels: new Float64Array(),
        index: 1.5,
      }
      const book = new PathBook(1)
      traceRay(optics, book, [aside, 0, 0.1], [0, 0, -1])
      expect(book.paths.end[0]).toBe(ends.table)
      return book.paths.at[0]
    }
    const [near, far] = [1 * mm, 9 * mm]
    const focus = near + (landing(near) / (landing(near) - landing(far))) * (far - near)
    expect(Math.abs((focus + 10 * mm) / (15 * mm) - 1)).toBeLessThan(0.02)
  })
})

describe('layers along a path', () => {
  const layers = [
    { top: 4 * mm, join: 'crisp' as const },
    { top: 7 * mm, join: 'crisp' as const },
    { top: 12 * mm, join: 'crisp' as const },
  ]
  const straightDown = (index: number, least?: number) => {
    const { levels } = strata(layers)
    const book = new PathBook(1)
    traceRay(
      { piece: standOnTable(slab, up), levels, index, least },
      book,
      [1 * mm, 2 * mm, 0.1],
      [0, 0, -1],
    )
    return book.paths
  }

  it('straight through three of them pass the product of the three (Beer–Lambert, 1e-6)', () => {
    const matters = [dosed(0, 5e-4), dosed(1, 3e-4), dosed(2, 8e-4)]
    const out = new Float64Array(8)
    new Transmittance(strata(layers).media, matters, 0.1).through(straightDown(1.53), 0, out)
    const product = passes([
      { matter: matters[0], depth: 4 * mm },
      { matter: matters[1], depth: 3 * mm },
      { matter: matters[2], depth: 5 * mm },
    ])
    out.forEach((share, band) => expect(Math.abs(share - product[band])).toBeLessThan(1e-6))
  })

  it('and each boundary of the slab takes its 4.4 %; where that is not followed it is not lost', () => {
    const share = fresnel(1, 1, 1.53)
    const both = straightDown(1.53, 0)
    expect(both.weight[0]).toBeCloseTo((1 - share) ** 2, 5)
    expect(both.count).toBe(3)
    const up = [...both.weight.subarray(1, 3)].toSorted((a, b) => a - b)
    expect(up[0]).toBeCloseTo((1 - share) * share ** 2, 5)
    expect(up[1]).toBeCloseTo((1 - share) ** 2 * share, 5)
    expect(straightDown(1.53).weight[0]).toBeCloseTo(1 - share, 5)
  })

  it('lie turned over where the piece stands turned over', () => {
    const { levels } = strata(layers)
    const piece = standOnTable(slab, [0, 0, -1], { poured: up })
    const book = new PathBook(1)
    traceRay({ piece, levels, index: 1.53 }, book, [1 * mm, 2 * mm, 0.1], [0, 0, -1])
    const { medium, length } = book.paths
    expect([...medium.subarray(0, 3)]).toEqual([0, 1, 2])
    expect([...length.subarray(0, 3)].map((x) => Math.round(x / mm))).toEqual([4, 3, 5])
  })

  it('blend over a soft join, and a bled one blends wider', () => {
    const across = (join: 'soft' | 'bled') => {
      const { levels } = strata([layers[0], { top: 40 * mm, join }])
      return levels.at(-1)! - levels[0]
    }
    expect(across('soft')).toBeCloseTo(2 * mm, 9)
    expect(
      strata([
        { ...layers[0], top: 30 * mm },
        { top: 60 * mm, join: 'bled' },
      ]).levels.length,
    ).toBe(9)
    const { media } = strata([layers[0], { top: 40 * mm, join: 'soft' }])
    const [pale, deep] = [dosed(0, 1e-4), dosed(0, 9e-4)]
    const ks = mattersOf(media, [pale, deep]).map(({ k }) => k[3])
    expect([...ks].sort((a, b) => a - b)).toEqual(ks)
  })

  it('any path through the drop crosses as much as lies between its surfaces', () => {
    const piece = standOnTable(drop, up)
    const { levels } = strata([
      { top: 13 * mm, join: 'crisp' },
      { top: 52 * mm, join: 'crisp' },
    ])
    const view = { turn: 0.3, lift: 0.3, width: 24, height: 24 }
    const cut = traceView({ piece, levels, index: 1.53 }, view)
    const whole = traceView({ piece, levels: new Float64Array(), index: 1.53 }, view)
    const sum = (paths: typeof cut, i: number) =>
      paths.length.subarray(paths.starts[i], paths.starts[i + 1]).reduce((a, b) => a + b, 0)
    let crossed = 0
    for (let i = 0; i < cut.count; i++) {
      expect(sum(cut, i)).toBeCloseTo(sum(whole, i), 6)
      if (sum(cut, i) > 0) crossed++
    }
    expect(crossed).toBeGreaterThan(40)
  })
})

describe('energy', () => {
  it('out of a pixel never exceeds what went in', () => {
    const white = bodyMatter({ class: 'fast urethane' })
    const { levels, media } = strata([
      { top: 13 * mm, join: 'crisp' },
      { top: 52 * mm, join: 'soft' },
    ])
    const optics: Optics = { piece: standOnTable(drop, up), levels, index: 1.53 }
    const light = new Float64Array(8)
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 0.05, max: 1.5, noNaN: true }),
        (turn, lift) => {
          const paths = traceView(optics, { turn, lift, width: 16, height: 16 })
          const transmittance = new Transmittance(media, [dosed(0, 5e-4), white], 0.12)
          const behind = { light, sent: new Float64Array(8), ground: new Float64Array(8) }
          for (let i = 0; i < paths.count; i++) {
            expect(paths.weight[i] + paths.sheen[i]).toBeLessThanOrEqual(1 + 1e-6)
            light.fill(1)
            behind.sent.fill(0)
            behind.ground.fill(0)
            transmittance.behind(paths, i, behind, 1)
            expect(Math.max(...light)).toBeLessThanOrEqual(1 + 1e-6)
          }
        },
      ),
      { numRuns: 20 },
    )
  })

  // The white furnace: in light that is even all around, what loses none cannot be seen.
  const ball = made({ solid: 'ball', diameter: 30 * mm })
  const gem = made({ solid: 'stepCut', width: 30 * mm, depth: 20 * mm, height: 14 * mm })
  // Light leaves a ring and enters it again.
  const ring = new TorusGeometry(20 * mm, 8 * mm, 32, 64)
  const figure = {
    positions: Float64Array.from(ring.attributes.position.array),
    triangles: Uint32Array.from(ring.index!.array),
  }
  it.each([
    ['a ball', ball],
    ['a step-cut gem', gem],
    ['a drop', drop],
    ['a figure', figure],
  ])('of a white furnace is 1 ± 0.02 everywhere: %s', (_, mesh) => {
    const optics: Optics = {
      piece: standOnTable(mesh, up),
      levels: new Float64Array(),
      index: 1.53,
    }
    const milk: Matter = { k: even(0), s: even(300) }
    for (const matter of [clear, milk]) {
      const paths = traceView(optics, { turn: 0.4, lift: 0.4, width: 48, height: 48 })
      const seen = new Float64Array(paths.rays)
      const transmittance = new Transmittance(one, [matter], 0.1)
      for (let i = 0; i < paths.count; i++) {
        const behind = {
          light: new Float64Array(8).fill(1),
          sent: new Float64Array(8),
          ground: new Float64Array(8),
        }
        transmittance.behind(paths, i, behind, 1)
        seen[paths.ray[i]] += paths.weight[i] * behind.light[3] + paths.sheen[i]
      }
      for (const light of seen) expect(Math.abs(light - 1)).toBeLessThan(0.02)
    }
  })

  // Ray tracing with every branch down to a thousandth of the light, in a tinted gem.
  it('goes where it would if every part of it were followed, within ΔE 1 on the mean', () => {
    const lamp = [0.3, 0.5, 0.81] as const
    const seen = (followed: Pick<Optics, 'least' | 'splits'>) => {
      const optics: Optics = {
        piece: standOnTable(gem, up),
        levels: new Float64Array(),
        index: 1.53,
        ...followed,
      }
      const paths = traceView(optics, { turn: 0.4, lift: 0.6, width: 60, height: 60 })
      const matter = dosed(1, 3e-4)
      const table = lightTable(traceLamp(optics, lamp, 160), one, [matter], 0.1)
      const setting = { table: 'wood', lamp: 'behind' } as const
      return shade(paths, {
        media: one,
        layers: [matter],
        things: [],
        setting,
        lamp,
        table,
        reach: 0.1,
      })
    }
    const [usual, all] = [seen({}), seen({ least: 1e-3, splits: 12 })]
    const away: number[] = []
    for (let i = 0; i < usual.length; i += 3) {
      const [a, b] = [usual, all].map((of) => [of[i], of[i + 1], of[i + 2]] as Rgb)
      if (a.join() !== b.join()) away.push(deltaE(a, b))
    }
    expect(away.length).toBeGreaterThan(500)
    expect(away.reduce((sum, x) => sum + x, 0) / away.length).toBeLessThan(1)
  })

  it('of a shadow is the same from few rays as from many, within 1 %', () => {
    const optics: Optics = {
      piece: standOnTable(drop, up),
      levels: new Float64Array(),
      index: 1.53,
    }
    const deep: Matter = { k: even(400), s: even(0) }
    const mean = (side: number) => {
      const { bands } = lightTable(traceLamp(optics, [0.5, 0.3, 0.81], side), one, [deep], 0.1)
      return bands.reduce((sum, share) => sum + share, 0) / bands.length
    }
    expect(Math.abs(mean(64) / mean(320) - 1)).toBeLessThan(0.01)
  })

  it('of the lamp on the table is no more than an empty table gets', () => {
    const optics: Optics = {
      piece: standOnTable(drop, up),
      levels: new Float64Array(),
      index: 1.53,
    }
    const lamp = traceLamp(optics, [0, 0, 1], 64)
    const { bands } = lightTable(lamp, one, [clear], 0.1)
    const mean = bands.reduce((sum, share) => sum + share, 0) / bands.length
    expect(mean).toBeLessThanOrEqual(1 + 1e-3)
    expect(Math.max(...bands)).toBeGreaterThan(1.2)
  })
})

describe('a look', () => {
  const look: Look = {
    up,
    stands: up,
    layers: [
      { top: 13 * mm, join: 'crisp', matter: dosed(1, 4e-4) },
      { top: 52 * mm, join: 'soft', matter: mixed(bodyMatter(slowEpoxy), []) },
    ],
    things: [],
    setting: { table: 'white', lamp: 'behind' },
    view: { turn: 0.4, lift: 0.4, width: 40, height: 30 },
  }

  it('in bands of rows is the same picture', () => {
    const whole = new LookMaker(drop).pixels(look)
    const bands = [
      [0, 11],
      [11, 30],
    ] as const
    const parts = bands.flatMap((rows) => [...new LookMaker(drop).pixels({ ...look, rows })])
    expect(parts).toEqual([...whole])
  })

  it('of another dose comes from the same trace as anew', () => {
    const maker = new LookMaker(drop)
    maker.pixels(look)
    const redosed = {
      ...look,
      layers: [{ ...look.layers[0], matter: dosed(0, 8e-4) }, look.layers[1]],
    }
    const again = maker.pixels(redosed)
    expect([...again]).toEqual([...new LookMaker(drop).pixels(redosed)])
    expect([...again]).not.toEqual([...new LookMaker(drop).pixels(look)])
  })

  const size = { shape: 'ball', across: 9 * mm, thickness: 9 * mm } as const
  const bead = { size, floor: 18 * mm, places: [{ x: 0, y: 0, turn: 0 }], colour: '#000000' }
  const seenWith = (things: Look['things']) =>
    new LookMaker(drop).linear({ ...look, layers: [], things, view: { ...look.view, lift: 0.2 } })
  const farthest = (a: Float32Array, b: Float32Array) =>
    a.reduce((most, x, i) => Math.max(most, Math.abs(x - b[i])), 0)

  // Fresnel: (n1 − n2)² / (n1 + n2)², so a clear thing of the resin's own index vanishes.
  it('shows nothing of a clear thing whose index is the resin’s, and bends light by another', () => {
    const without = seenWith([])
    expect(farthest(seenWith([{ ...bead, index: 1.53 }]), without)).toBeLessThan(0.02)
    expect(farthest(seenWith([{ ...bead, index: 1.9 }]), without)).toBeGreaterThan(0.3)
  })

  it('in a gold mount is gold below, and lets no light through there', () => {
    const held = (mount: 'gold' | 'none') =>
      new LookMaker(drop).linear({ ...look, setting: { ...look.setting, mount } })
    const [free, gold] = [held('none'), held('gold')]
    const yellow = (rgb: Float32Array) => {
      let count = 0
      for (let i = 0; i < rgb.length; i += 3) if (rgb[i] > 1.5 * rgb[i + 2]) count++
      return count
    }
    expect(yellow(gold)).toBeGreaterThan(yellow(free) + 30)
  })

  it('shows what is set in by its own colour', () => {
    const plain = { ...look, layers: [], view: { ...look.view, lift: 0.2 } }
    const dark = (pixels: Uint8ClampedArray) =>
      pixels.filter((byte, i) => i % 4 < 3 && byte < 70).length
    const [without, within] = [[], [bead]].map((things) =>
      new LookMaker(drop).pixels({ ...plain, things }),
    )
    expect(dark(within)).toBeGreaterThan(dark(without) + 20)
  })
})
