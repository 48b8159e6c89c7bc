import type { Hazard } from '../../base/caution/index.ts'
import { inOrder } from '../../base/procedure/index.ts'
import type { Silicone } from '../../matter/material/index.ts'
import type { MasterAim, Substance, Surface } from '../contact/substances.ts'
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
  | 'mask'
  | 'coat'
  | 'gloss coat'
  | 'polish'
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
 * What a master of that surface still goes through before silicone, in order, by what its casts are
 * to show: gloss gets gloss coats and a polish; a texture that is kept meets no abrasive and thin seal
 * alone; parts that fit get no coat on the faces that meet. Times are common practice, no source; a
 * sealer's or a release's own sheet wins.
 *
 * @example prepare(freshPrint, platinum)[0].does // 'wash'
 */
export function prepare(
  master: Surface,
  silicone: Pick<Silicone, 'chemistry'> | undefined,
  aim: MasterAim = 'smooth',
): Preparation[] {
  const { substance, finish } = master
  const platinum = silicone?.chemistry !== 'tin'
  const resinPrint = substance === 'resin print'
  const aged = master.age !== undefined && master.age >= agedPrint
  // What is waxed or coated already is taken for cleaned, too: alcohol would lift it.
  const bare = !soft.includes(substance) && finish !== 'wax' && finish !== 'acrylic coat'
  const abraded = sanded.includes(substance) && aim !== 'texture'
  const glossed = abraded && aim === 'gloss'
  const coated = resinPrint && platinum && finish !== 'acrylic coat'
  const sealed = porous.includes(substance) && finish === 'none'
  const steps: (Preparation | false)[] = [
    resinPrint && step('wash', 2 * hour),
    resinPrint && platinum && master.cured !== 'baked' && !aged && step('bake', 4 * hour, ['oven']),
    substance === 'plaster' ? step('dry', 7 * day) : master.damp === 'damp' && step('dry', 2 * day),
    !soft.includes(substance) && step('fill', 1 * hour),
    abraded && step('grit-300', 0, ['sanding dust']),
    abraded && step('guide', 30 * minute, ['aerosol', 'sanding dust']),
    abraded && step('grit-1200', 0, ['sanding dust']),
    bare && step('wipe', 5 * minute),
    aim === 'fit' && (coated || sealed) && step('mask', 0),
    sealed && step('seal', substance === 'card' ? 20 * minute : 2 * hour, ['aerosol']),
    // Wax dulls what is to gloss, and gloss coats keep print and platinum apart by themselves.
    porous.includes(substance) && finish !== 'wax' && !glossed && step('wax', 15 * minute),
    coated && !glossed && step('coat', 12 * hour, ['aerosol']),
    glossed && step('gloss coat', 24 * hour, ['aerosol']),
    glossed && step('polish', 0),
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
