import type { SafetyId, SafetyLine } from '@mivro/core/base/caution'

/**
 * The one table of safety sentences. They are the usual ones of the trade (common practice, no
 * source) and replace neither the data sheet nor local rules, which `deferring` says.
 */
const sentences: Record<SafetyId, string> = {
  sanding: 'Sand wet, or with a fitting dust mask and extraction: fine dust stays in the lungs.',
  aerosol:
    'Primer, coats and release sprays burn and are not to be breathed: outdoors or under extraction, no flame, no sparks, nothing hot near.',
  oven: 'An oven for prints or moulds is never one for food; ventilate, stay below what print and mould bear, heat no closed vessel.',
  'build-blade':
    'Cut boards with a fresh blade along a steel rule, fingers behind it, away from you.',
  'hot-glue':
    'Hot glue burns and sticks to skin: set it down on its stand, cold water within reach.',
  'silicone-hands':
    'Gloves (nitrile: latex stops platinum), eyes covered, moving air; spilled silicone makes floors slippery.',
  'tin-catalyst':
    'Tin catalysts are harmful and give off alcohol while they cure: off the skin, air the room, no flame.',
  vacuum:
    'Only a vessel made for vacuum, looked over for cracks each time: glass and thin plastic implode. Eyes covered, a foam trap before the pump, air let back gently.',
  pressure:
    'Only a vessel marked for the pressure used, its relief valve working, every clamp of the lid checked; a paint tank changed for casting is not certified for it. Let the pressure out slowly; never open it under pressure. Licensed practice and local rules decide.',
  release:
    'Compressor off first, then the valve, slowly. The clamps stay shut until the gauge shows nothing and no air is heard: a lid that is opened under pressure flies.',
  'cut-open':
    'A fresh blade slips less: cut away from you and from the hand that holds the block, stretch the cut open, stop as soon as the piece is free.',
  gloves: 'Nitrile gloves, eye protection and moving air before a bottle is opened.',
  bystanders: 'Children, animals and bystanders out of the room; food and drink off the bench.',
  amine: 'Epoxy hardener sensitises the skin for life: off with a splashed glove at once.',
  isocyanate:
    'Isocyanates sensitise the lungs: extraction on, and a fitting respirator where the sheet asks for one.',
  peroxide:
    'Peroxide catalyst blinds: goggles on. Never let accelerator and peroxide meet directly.',
  dusting:
    'Metal powder is dusted with a mask on, in the closed mould, away from any flame or spark: it burns, and harms the lungs. What lies about is wiped up wet.',
  dust: 'Fine powder: a dust mask while it is weighed, no draught, wiped up wet; metal dust burns: no flame near it.',
  'smoking-cup':
    'If a cup smokes, do not carry it or breathe over it: clear the room and ventilate. Spread leftovers thin, never pool them in a bin.',
  damp: 'Keep water and damp sticks away: damp foams urethane and can push a closed bottle open.',
  styrene: 'Styrene fumes are harmful and burn: extraction on, no flame, no sparks.',
  deep: "A mass this deep makes its own heat: keep the sheet's greatest depth, leave it in the open, stay near until it has cooled.",
  exotherm:
    'This much resin heats itself enough to burn skin and boil off fumes: a heat-proof board under the cup, nothing that burns near, ventilate, and do not lean over it.',
  'hot-mould':
    "A warmed mould burns, and resin in it gives off more fumes and sets off at once: heat-proof gloves, extraction on, only where the resin's sheet allows it, warmed in no oven used for food.",
  flame:
    'A flame or heat gun over resin only where the sheet allows it, never near solvent, aerosol or polyester.',
  hands: 'Set inclusions with tweezers, not with gloved fingers over liquid resin.',
  magnets:
    'Magnets that are swallowed kill: cast in only what no child can break free, and keep them from pacemakers.',
  'no-battery': 'Never seal a battery, a cell or anything under voltage into a casting.',
  uncured: 'Fresh casts are not yet fully cured: keep the gloves on, and wet-sand or wear a mask.',
  'turn-gloves':
    'A mould that leaks while it is turned keeps resin on the skin for minutes: wear long gloves and sleeves, and wipe the seam.',
  'turn-plug':
    'A plugged mould that warms builds pressure: hold the plug towards nobody, and ease it before it is opened.',
  'turn-warm':
    'Hold a warmed mould with heat gloves, in moving air; an oven that has warmed moulds never bakes food again.',
  brittle: 'Work a blade away from you, and air jets away from faces: a brittle piece can shatter.',
  food: 'Casting resin is not approved for food, skin or toys unless its sheet says so.',
}

/** A line of safety as a sentence. @example saySafety({ id: 'sanding' }).startsWith('Sand wet') // true */
export const saySafety = ({ id }: Pick<SafetyLine, 'id'>): string => sentences[id]

/** What stands under every list of safety lines. */
export const deferring =
  "The product's safety data sheet and your local rules come first; this list does not replace them."
