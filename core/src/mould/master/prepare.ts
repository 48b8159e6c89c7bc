import type { Hazard } from '../../caution/index.ts'
import type { Silicone } from '../../material/index.ts'
import type { Substance, Surface } from '../contact/substances.ts'
import { agedPrint } from '../contact/rules.ts'

/** One thing to do to a master, and how long to wait after it. */
export interface Preparation {
  id: string
  what: string
  why: string
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
    prints.includes(substance) &&
      step(
        'wash',
        'Wash it out, dry it, cure it on from all sides',
        'What is left liquid creeps into the silicone.',
        2 * hour,
      ),
    substance === 'resin print' &&
      platinum &&
      master.cured !== 'baked' &&
      !(master.age !== undefined && master.age >= agedPrint) &&
      step(
        'bake',
        'Bake it at about 60 °C for 4 h, or age it for four weeks',
        'Drives out what stops platinum from curing. Below what the print bears.',
        4 * hour,
        ['oven'],
      ),
    (master.damp === 'damp' || substance === 'plaster') &&
      step(
        'dry',
        'Dry it until its weight stands still for a day',
        'Damp foams urethane, clouds epoxy and lifts sealers.',
        2 * day,
      ),
    !soft.includes(substance) &&
      step(
        'fill',
        'Fill pits, seams and pinholes; close openings with clay or wax',
        'Every flaw is copied into every cast: mend it once, here.',
        1 * hour,
      ),
    sanded.includes(substance) &&
      step('grit-300', 'Wet-sand with 300 grit', 'Takes off steps and ridges.', 0, [
        'sanding dust',
      ]),
    sanded.includes(substance) &&
      step(
        'guide',
        'A thin coat of primer shows what was missed; sand it again',
        'One colour makes scratches and dents visible.',
        30 * minute,
        ['aerosol', 'sanding dust'],
      ),
    sanded.includes(substance) &&
      step(
        'grit-1200',
        'Wet-sand with 1200 grit; polish where the cast should gloss',
        'A glossy mould makes a glossy cast.',
        0,
        ['sanding dust'],
      ),
    porous.includes(substance) &&
      master.finish === 'none' &&
      step(
        'seal',
        'Two coats of sealer',
        'Pores drink silicone and do not let go.',
        substance === 'card' ? 20 * minute : 2 * hour,
        ['aerosol'],
      ),
    porous.includes(substance) &&
      master.finish !== 'wax' &&
      step(
        'wax',
        'Two coats of wax, wiped off thin',
        'Lets go of silicone and hides nothing.',
        15 * minute,
      ),
    substance === 'resin print' &&
      platinum &&
      master.finish !== 'acrylic coat' &&
      step(
        'coat',
        'Two thin acrylic coats',
        'Keeps the print and platinum apart; age alone is not always enough.',
        12 * hour,
        ['aerosol'],
      ),
    silicates.includes(substance) &&
      step(
        'release',
        'Release: spray, brush it in, spray again',
        'Silicone bonds to silicates.',
        5 * minute,
        ['aerosol'],
      ),
    substance === 'sulphur clay' &&
      step(
        'chill',
        'Keep it cold until the silicone is on',
        'Soft clay smears; cold it keeps its edges.',
        0,
      ),
    soft.includes(substance) &&
      step(
        'smooth',
        'Smooth it with a soft brush and a drop of alcohol or oil',
        'Fingerprints are copied too.',
        10 * minute,
      ),
    step(
      'wipe',
      'Wipe it with alcohol and do not touch it again',
      'Fingerprints show in clear casts.',
      5 * minute,
    ),
  ]
  return steps.filter((found) => found !== false)
}

const step = (
  id: string,
  what: string,
  why: string,
  wait: number,
  hazards: Hazard[] = [],
): Preparation => ({
  id,
  what,
  why,
  wait,
  hazards,
})
