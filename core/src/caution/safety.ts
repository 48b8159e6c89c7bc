/** The steps of making a mould that can hurt someone, in their order. */
export const mouldSteps = ['prepare', 'build', 'silicone', 'vacuum', 'pressure', 'open'] as const
export type MouldStep = (typeof mouldSteps)[number]

/** The steps of a pour that can hurt someone, in their order. */
export const pourSteps = ['weigh', 'mix', 'pour', 'demould'] as const
export type PourStep = (typeof pourSteps)[number]

export type Step = MouldStep | PourStep

/** What lies on the bench, as far as safety asks. */
export const hazards = [
  'any resin',
  'epoxy',
  'urethane',
  'polyester',
  'powder',
  'deep pour',
  'exotherm',
  'hot mould',
  'inclusion',
  'sanding dust',
  'aerosol',
  'oven',
  'blade',
  'hot glue',
  'any silicone',
  'tin silicone',
  'vacuum vessel',
  'pressure vessel',
] as const
export type Hazard = (typeof hazards)[number]

export interface SafetyLine {
  id: string
  step: Step
  hazard: Hazard
  sentence: string
}

/**
 * The one table of safety cautions. They are the usual ones of the trade (common practice,
 * no source) and replace neither the data sheet nor local rules, which `deferring` says.
 */
export const safetyTable: readonly SafetyLine[] = [
  {
    id: 'sanding',
    step: 'prepare',
    hazard: 'sanding dust',
    sentence: 'Sand wet, or with a fitting dust mask and extraction: fine dust stays in the lungs.',
  },
  {
    id: 'aerosol',
    step: 'prepare',
    hazard: 'aerosol',
    sentence:
      'Primer, coats and release sprays burn and are not to be breathed: outdoors or under extraction, no flame, no sparks, nothing hot near.',
  },
  {
    id: 'oven',
    step: 'prepare',
    hazard: 'oven',
    sentence:
      'An oven for prints or moulds is never one for food; ventilate, stay below what print and mould bear, heat no closed vessel.',
  },
  {
    id: 'build-blade',
    step: 'build',
    hazard: 'blade',
    sentence: 'Cut boards with a fresh blade along a steel rule, fingers behind it, away from you.',
  },
  {
    id: 'hot-glue',
    step: 'build',
    hazard: 'hot glue',
    sentence:
      'Hot glue burns and sticks to skin: set it down on its stand, cold water within reach.',
  },
  {
    id: 'silicone-hands',
    step: 'silicone',
    hazard: 'any silicone',
    sentence:
      'Gloves (nitrile: latex stops platinum), eyes covered, moving air; spilled silicone makes floors slippery.',
  },
  {
    id: 'tin-catalyst',
    step: 'silicone',
    hazard: 'tin silicone',
    sentence:
      'Tin catalysts are harmful and give off alcohol while they cure: off the skin, air the room, no flame.',
  },
  {
    id: 'vacuum',
    step: 'vacuum',
    hazard: 'vacuum vessel',
    sentence:
      'Only a vessel made for vacuum, looked over for cracks each time: glass and thin plastic implode. Eyes covered, a foam trap before the pump, air let back gently.',
  },
  {
    id: 'pressure',
    step: 'pressure',
    hazard: 'pressure vessel',
    sentence:
      'Only a vessel marked for the pressure used, its relief valve working, every clamp of the lid checked; a paint tank changed for casting is not certified for it. Let the pressure out slowly; never open it under pressure. Licensed practice and local rules decide.',
  },
  {
    id: 'cut-open',
    step: 'open',
    hazard: 'blade',
    sentence:
      'A fresh blade slips less: cut away from you and from the hand that holds the block, stretch the cut open, stop as soon as the piece is free.',
  },
  {
    id: 'gloves',
    step: 'weigh',
    hazard: 'any resin',
    sentence: 'Nitrile gloves, eye protection and moving air before a bottle is opened.',
  },
  {
    id: 'bystanders',
    step: 'weigh',
    hazard: 'any resin',
    sentence: 'Children, animals and bystanders out of the room; food and drink off the bench.',
  },
  {
    id: 'amine',
    step: 'weigh',
    hazard: 'epoxy',
    sentence: 'Epoxy hardener sensitises the skin for life: off with a splashed glove at once.',
  },
  {
    id: 'isocyanate',
    step: 'weigh',
    hazard: 'urethane',
    sentence:
      'Isocyanates sensitise the lungs: extraction on, and a fitting respirator where the sheet asks for one.',
  },
  {
    id: 'peroxide',
    step: 'weigh',
    hazard: 'polyester',
    sentence:
      'Peroxide catalyst blinds: goggles on. Never let accelerator and peroxide meet directly.',
  },
  {
    id: 'dust',
    step: 'weigh',
    hazard: 'powder',
    sentence:
      'Fine powder: a dust mask while it is weighed, no draught, and metal dust away from flame.',
  },
  {
    id: 'smoking-cup',
    step: 'mix',
    hazard: 'any resin',
    sentence:
      'If a cup smokes, do not carry it or breathe over it: clear the room and ventilate. Spread leftovers thin, never pool them in a bin.',
  },
  {
    id: 'damp',
    step: 'mix',
    hazard: 'urethane',
    sentence:
      'Keep water and damp sticks away: damp foams urethane and can push a closed bottle open.',
  },
  {
    id: 'styrene',
    step: 'mix',
    hazard: 'polyester',
    sentence: 'Styrene fumes are harmful and burn: extraction on, no flame, no sparks.',
  },
  {
    id: 'deep',
    step: 'pour',
    hazard: 'deep pour',
    sentence:
      "A mass this deep makes its own heat: keep the sheet's greatest depth, leave it in the open, stay near until it has cooled.",
  },
  {
    id: 'exotherm',
    step: 'mix',
    hazard: 'exotherm',
    sentence:
      'This much resin heats itself enough to burn skin and boil off fumes: a heat-proof board under the cup, nothing that burns near, ventilate, and do not lean over it.',
  },
  {
    id: 'hot-mould',
    step: 'pour',
    hazard: 'hot mould',
    sentence:
      "A warmed mould burns, and resin in it gives off more fumes and sets off at once: heat-proof gloves, extraction on, only where the resin's sheet allows it, warmed in no oven used for food.",
  },
  {
    id: 'flame',
    step: 'pour',
    hazard: 'any resin',
    sentence:
      'A flame or heat gun over resin only where the sheet allows it, never near solvent, aerosol or polyester.',
  },
  {
    id: 'hands',
    step: 'pour',
    hazard: 'inclusion',
    sentence: 'Set inclusions with tweezers, not with gloved fingers over liquid resin.',
  },
  {
    id: 'uncured',
    step: 'demould',
    hazard: 'any resin',
    sentence:
      'Fresh casts are not yet fully cured: keep the gloves on, and wet-sand or wear a mask.',
  },
  {
    id: 'brittle',
    step: 'demould',
    hazard: 'any resin',
    sentence:
      'Work a blade away from you, and air jets away from faces: a brittle piece can shatter.',
  },
  {
    id: 'food',
    step: 'demould',
    hazard: 'any resin',
    sentence: 'Casting resin is not approved for food, skin or toys unless its sheet says so.',
  },
]

/** What stands under every list of safety lines. */
export const deferring =
  "The product's safety data sheet and your local rules come first; this list does not replace them."

/**
 * The safety lines to show before a step, for what is on the bench, in the table's order.
 *
 * @example safetyFor('weigh', ['epoxy']).map((line) => line.id) // ['gloves', 'bystanders', 'amine']
 */
export function safetyFor(step: Step, present: Iterable<Hazard>): SafetyLine[] {
  const there = new Set<Hazard>([...present, 'any resin'])
  return safetyTable.filter((line) => line.step === step && there.has(line.hazard))
}
