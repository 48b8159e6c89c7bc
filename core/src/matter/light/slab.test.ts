import { describe, expect, it } from 'vitest'
import {
  deltaE,
  even,
  linearOf,
  matterOf,
  mixed,
  rgbOfBands,
  type Matter,
  type Rgb,
} from '../colour/index.ts'
import { violet } from '../material/samples.ts'
import type { Look } from './look.ts'
import { strata } from './media.ts'
import { lightTable, traceLamp } from './onTable.ts'
import { clear, dosed, slab, up } from './samples.ts'
import { shade } from './shade.ts'
import { standOnTable } from './standing.ts'
import type { Optics } from './traceRay.ts'
import { traceView } from './view.ts'

const mm = 1e-3
const grounds = { white: 0.9, grey: 0.32, black: 0.025 }

/** The mean colour of a slab of these layers on a table, from above. */
const seenOn = (table: 'white' | 'grey' | 'black', layers: Look['layers'], reach = 0.1): Rgb => {
  const { levels, media } = strata(layers)
  const optics: Optics = { piece: standOnTable(slab, up), levels, index: 1.001 }
  const view = { turn: 0, lift: Math.PI / 2, width: 40, height: 40, zoom: 4 }
  const matters = layers.map(({ matter }) => matter)
  const lamp = [0, 0, 1] as const
  const light = lightTable(traceLamp(optics, lamp, 160), media, matters, reach)
  const setting = { table, lamp: 'above' } as const
  const seen = shade(traceView(optics, view), {
    media,
    layers: matters,
    things: [],
    setting,
    lamp,
    table: light,
    reach,
  })
  return [0, 1, 2].map((channel) => {
    let sum = 0
    for (let i = channel; i < seen.length; i += 3) sum += seen[i]
    return sum / (seen.length / 3)
  }) as Rgb
}

describe('a rendered slab', () => {
  // The swatch is what is seen of a tint at a dose and depth over white: light passes it twice.
  it.each(['#7b4fa3', '#24508c', '#c98a3d', '#b7d5d6'])(
    'of a swatch looks like the swatch, under ΔE 1: %s',
    (colour) => {
      const swatch = { id: 'a', colour, dose: 0.002, depth: 12 * mm }
      const tint = matterOf({ ...violet, swatches: [swatch] })
      const matter = mixed(clear, [{ matter: tint, dose: 0.002 }])
      const seen = seenOn('white', [{ matter, top: 12 * mm, join: 'crisp' }])
      expect(deltaE(seen.map((x) => x / grounds.white) as Rgb, linearOf(colour))).toBeLessThan(1)
    },
  )
})

describe('a slab that scatters', () => {
  /** Adding and doubling of a layer so thin that light scatters once in it (Stokes 1862; van de Hulst 1980, from memory). */
  const doubled = (k: number, s: number, depth: number) => {
    const steps = 24
    const thin = depth / 2 ** steps
    let [back, through] = [s * thin, 1 - (k + s) * thin]
    for (let i = 0; i < steps; i++) {
      const between = 1 - back * back
      ;[back, through] = [
        back + (through * through * back) / between,
        (through * through) / between,
      ]
    }
    return { back, through }
  }
  const milk: Matter = { k: even(2), s: even(150) }
  const lossless: Matter = { k: even(0), s: even(150) }
  const mica = mixed(clear, [{ matter: matterOf({ ...violet, form: 'mica' }), dose: 0.004 }])
  const cases = {
    milk: [milk],
    lossless: [lossless],
    mica: [mica],
    'a tint over milk': [milk, dosed(0, 5e-4)],
    'milk over mica': [mica, milk],
  }
  it.each(Object.keys(cases) as (keyof typeof cases)[])(
    'is within ΔE 1 of adding and doubling on white, grey and black: %s',
    (which) => {
      const matters = cases[which]
      const deep = 12 * mm
      const layers = matters.map((matter, i) => ({
        matter,
        top: ((i + 1) * deep) / matters.length,
        join: 'crisp' as const,
      }))
      for (const table of ['white', 'grey', 'black'] as const) {
        const bands = Float64Array.from({ length: 8 }, (_, band) =>
          matters.reduce((ground, { k, s }) => {
            const { back, through } = doubled(k[band], s[band], deep / matters.length)
            return back + (through * through * ground) / (1 - back * ground)
          }, grounds[table]),
        )
        const right = [0, 1, 2].map((channel) =>
          bands.reduce((sum, share, band) => sum + share * rgbOfBands[3 * band + channel], 0),
        ) as Rgb
        expect(deltaE(seenOn(table, layers), right)).toBeLessThan(1)
        // Tables of lengths are as fine for a piece of half a metre.
        expect(deltaE(seenOn(table, layers, 0.5), right)).toBeLessThan(1)
      }
    },
  )
})
