import type { Hazard } from '../../base/caution/index.ts'
import type { Silicone } from '../../matter/material/index.ts'
import type { Substance, Surface } from '../contact/substances.ts'
import { agedPrint } from '../contact/rules.ts'

export type PreparationId =
  | 'wash'
  | 'bake'
  | 'dry'
  | 'fill'
  | 'grit-300'
  | 'guide'
  | 'grit-1200'
  | 'seal'
  | 'wax'
  | 'coat'
  | 'release'
  | 'chill'
  | 'smooth'
  | 'wipe'

/** One thing to do to a master, and how long to wait after it. */
export interface Preparation {
  id: PreparationId
  /** s; 0 where nothing has to wait. */
  wait: number
  hazards: Hazard[]
}

const minute = 60
const hour = 3600
const day = 24 * hour

const porous: readonly Substance[] = ['plaster', 'card', 'wood']
const sanded: readonly Substance[] = [
  'resin print',
  'filament print',
  'wood',
  'plaster',
  'hard plastic',
  'epoxy cast',
  'urethane cast',
]
const prints: readonly Substance[] = ['resin print', 'filament print']
const silicates: readonly Substance[] = ['glass', 'ceramic']
const soft: readonly Substance[] = ['sulphur clay', 'sulphur-free clay', 'wax']

/**
 * What a master of that surface still goes through before silicone, in order. Times are common
 * practice, no source; a sealer's or a release's own sheet wins.
 *
 * @example prepare(freshPrint, platinum)[0].id // 'wash'
 */
export function prepare(
  master: Surface,
  silicone: Pick<Silicone, 'chemistry'> | undefined,
): Preparation[] {
  const { substance } = master
  const platinum = silicone?.chemistry !== 'tin'
  const steps: (Preparation | false)[] = [
    prints.includes(substance) && step('wash', 2 * hour),
    substance === 'resin print' &&
      platinum &&
      master.cured !== 'baked' &&
      !(master.age !== undefined && master.age >= agedPrint) &&
      step('bake', 4 * hour, ['oven']),
    (master.damp === 'damp' || substance === 'plaster') && step('dry', 2 * day),
    !soft.includes(substance) && step('fill', 1 * hour),
    sanded.includes(substance) && step('grit-300', 0, ['sanding dust']),
    sanded.includes(substance) && step('guide', 30 * minute, ['aerosol', 'sanding dust']),
    sanded.includes(substance) && step('grit-1200', 0, ['sanding dust']),
    porous.includes(substance) &&
      master.finish === 'none' &&
      step('seal', substance === 'card' ? 20 * minute : 2 * hour, ['aerosol']),
    porous.includes(substance) && master.finish !== 'wax' && step('wax', 15 * minute),
    substance === 'resin print' &&
      platinum &&
      master.finish !== 'acrylic coat' &&
      step('coat', 12 * hour, ['aerosol']),
    silicates.includes(substance) && step('release', 5 * minute, ['aerosol']),
    substance === 'sulphur clay' && step('chill', 0),
    soft.includes(substance) && step('smooth', 10 * minute),
    step('wipe', 5 * minute),
  ]
  return steps.filter((found) => found !== false)
}

const step = (id: PreparationId, wait: number, hazards: Hazard[] = []): Preparation => ({
  id,
  wait,
  hazards,
})
