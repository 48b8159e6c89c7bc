import type { Hazard } from '../../base/caution/index.ts'

export const resinClassNames = [
  'deep epoxy',
  'coating epoxy',
  'fast urethane',
  'clear urethane',
  'polyester',
] as const
export type ResinClass = (typeof resinClassNames)[number]

/** What a cast of resin looks like before any tint. */
export const bodies = ['water clear', 'straw', 'milky', 'white'] as const
export type Body = (typeof bodies)[number]

/** What is usual for a kind of resin, to catch slips and to fill what a sheet leaves out. */
export interface ClassFacts {
  hazard: Hazard
  /** Usual pot life, s, of a pot of about 100 g to 1 kg. */
  potLife: readonly [number, number]
  /** Usual demould time, s. */
  demould: readonly [number, number]
  /** Usual density of the mix, kg/m³. */
  density: readonly [number, number]
  /** Where the sheet gives no gel time: gel = pot life × this. */
  gelPerPotLife: number
  /** From here on a clear cast yellows and crazes, K; absent where heat is no fault. */
  heatLimit?: number
  /** What it looks like where the sheet does not say. */
  body: Body
  /** Which part takes the tint where the sheet does not say. */
  tintInto: 'A' | 'B'
}

const minutes = 60
const hours = 3600

/** Common practice, no source. A sheet that says otherwise wins; these only ask and fill gaps. */
export const resinClasses: Record<ResinClass, ClassFacts> = {
  'deep epoxy': {
    hazard: 'epoxy',
    potLife: [1.5 * hours, 24 * hours],
    demould: [24 * hours, 120 * hours],
    density: [1040, 1150],
    gelPerPotLife: 1.8,
    heatLimit: 353.15,
    body: 'water clear',
    tintInto: 'A',
  },
  'coating epoxy': {
    hazard: 'epoxy',
    potLife: [15 * minutes, 2 * hours],
    demould: [8 * hours, 72 * hours],
    density: [1050, 1180],
    gelPerPotLife: 2.5,
    heatLimit: 353.15,
    body: 'water clear',
    tintInto: 'A',
  },
  'fast urethane': {
    hazard: 'urethane',
    potLife: [1 * minutes, 10 * minutes],
    demould: [8 * minutes, 3 * hours],
    density: [1000, 1150],
    gelPerPotLife: 1.6,
    body: 'white',
    tintInto: 'B',
  },
  'clear urethane': {
    hazard: 'urethane',
    potLife: [3 * minutes, 40 * minutes],
    demould: [1 * hours, 48 * hours],
    density: [1020, 1120],
    gelPerPotLife: 1.8,
    heatLimit: 373.15,
    body: 'water clear',
    tintInto: 'B',
  },
  polyester: {
    hazard: 'polyester',
    potLife: [4 * minutes, 45 * minutes],
    demould: [45 * minutes, 24 * hours],
    density: [1050, 1250],
    gelPerPotLife: 1.5,
    body: 'straw',
    tintInto: 'A',
  },
}
