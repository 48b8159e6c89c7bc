import { calibrate, learn, modelCure } from '../../matter/cure/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { resinClasses, type Resin } from '../../matter/material/index.ts'
import type { RunPour } from './needs.ts'

const ml = 1e-6
const mm = 1e-3

/** Stirred for half a minute, as fast ones are. */
export const stirred: Resin = { ...sheets.fast, mixTime: 30 }

export const lawOf = (resin: Resin) => learn(calibrate(resin), resin).law

/** A keycap in a fast urethane, in a small closed mould, for tests. */
export const keycap = (more: Partial<RunPour> = {}, resin: Resin = stirred): RunPour => {
  const law = lawOf(resin)
  const room = 294.15
  const { gel, demould: hard } = modelCure(calibrate(resin), {
    resin,
    room,
    mass: 0.03,
    depth: 10 * mm,
    width: 18 * mm,
    inCup: Math.min(90, resin.potLife / 2),
  })
  return {
    id: 'keycap',
    name: 'Keycap',
    casts: 14,
    cavities: 1,
    moulds: 14,
    closed: true,
    bore: 4 * mm,
    depth: 10 * mm,
    reserve: 0,
    prefills: 0,
    vents: 0,
    bands: 2,
    before: [],
    pulled: 0,
    block: { width: 40 * mm, depth: 40 * mm, height: 30 * mm, round: false },
    layers: [
      {
        name: 'Body',
        resin,
        law,
        tints: [],
        mix: resin.name,
        volume: 3 * ml,
        mass: 3.3e-3,
        wait: 0,
        gel,
        hard,
        room,
        hazards: ['any resin', resinClasses[resin.class].hazard],
        sets: [],
      },
    ],
    spots: [],
    stops: 0,
    step: 1e-4,
    ...more,
  }
}

/** The same cast as a wall in two shots, each of a quarter of what would fill it. */
export const hollowKeycap = (by: 'hands' | 'machine', more: Partial<RunPour> = {}): RunPour => {
  const pour = keycap({ casts: 3, moulds: 3, ...more })
  const [whole] = pour.layers
  const layers = [1, 2].map((shot) => ({
    ...whole,
    volume: whole.volume / 4,
    mass: whole.mass / 4,
    wait: shot === 1 ? 0 : whole.gel,
    turned: {
      shot,
      of: 2,
      by,
      turns: by === 'hands' ? 6 : 10,
      countsFrom: 0.7 * whole.gel,
      stopsAt: 0.95 * whole.gel,
    },
  }))
  return { ...pour, layers }
}
