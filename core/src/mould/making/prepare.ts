import type { Hazard } from '../../base/caution/index.ts'
import { inOrder } from '../../base/procedure/index.ts'
import type { Silicone } from '../../matter/material/index.ts'
import type { Substance, Surface } from '../contact/substances.ts'
import { agedPrint } from '../contact/rules.ts'
import { makingRules, type MakingCode } from './rules.ts'

export type PreparationId = Extract<
  MakingCode,
  | 'wash'
  | 'bake'
  | 'dry'
  | 'fill'
  | 'grit-300'
  | 'guide'
  | 'grit-1200'
  | 'wipe'
  | 'seal'
  | 'wax'
  | 'coat'
  | 'release'
  | 'chill'
  | 'smooth'
  | 'dust'
>

/** One thing to do to a master, and how long to wait after it. */
export interface Preparation {
  does: PreparationId
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
const silicates: readonly Substance[] = ['glass', 'ceramic']
const soft: readonly Substance[] = ['sulphur clay', 'sulphur-free clay', 'wax']

/**
 * What a master of that surface still goes through before silicone, in order. Times are common
 * practice, no source; a sealer's or a release's own sheet wins.
 *
 * @example prepare(freshPrint, platinum)[0].does // 'wash'
 */
export function prepare(
  master: Surface,
  silicone: Pick<Silicone, 'chemistry'> | undefined,
): Preparation[] {
  const { substance, finish } = master
  const platinum = silicone?.chemistry !== 'tin'
  const resinPrint = substance === 'resin print'
  const aged = master.age !== undefined && master.age >= agedPrint
  // What is waxed or coated already is taken for cleaned, too: alcohol would lift it.
  const bare = !soft.includes(substance) && finish !== 'wax' && finish !== 'acrylic coat'
  const steps: (Preparation | false)[] = [
    resinPrint && step('wash', 2 * hour),
    resinPrint && platinum && master.cured !== 'baked' && !aged && step('bake', 4 * hour, ['oven']),
    substance === 'plaster' ? step('dry', 7 * day) : master.damp === 'damp' && step('dry', 2 * day),
    !soft.includes(substance) && step('fill', 1 * hour),
    sanded.includes(substance) && step('grit-300', 0, ['sanding dust']),
    sanded.includes(substance) && step('guide', 30 * minute, ['aerosol', 'sanding dust']),
    sanded.includes(substance) && step('grit-1200', 0, ['sanding dust']),
    bare && step('wipe', 5 * minute),
    porous.includes(substance) &&
      finish === 'none' &&
      step('seal', substance === 'card' ? 20 * minute : 2 * hour, ['aerosol']),
    porous.includes(substance) && finish !== 'wax' && step('wax', 15 * minute),
    resinPrint && platinum && finish !== 'acrylic coat' && step('coat', 12 * hour, ['aerosol']),
    silicates.includes(substance) && step('release', 5 * minute, ['aerosol']),
    substance === 'sulphur clay' && step('chill', 0),
    soft.includes(substance) && step('smooth', 10 * minute),
    step('dust', 0),
  ]
  return inOrder(
    steps.filter((found) => found !== false),
    makingRules,
  )
}

const step = (does: PreparationId, wait: number, hazards: Hazard[] = []): Preparation => ({
  does,
  wait,
  hazards,
})
