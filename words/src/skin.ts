import type { CompiledSkin, MetalSkin, SkinFace } from '@mivro/core/work/plan'
import { show, type UnitChoice } from '@mivro/core/base/units'

/** The schools of a metal skin. */
export const skinWords: Record<'none' | MetalSkin['school'], { label: string; hint: string }> = {
  none: { label: 'None', hint: 'The resin itself is seen' },
  dusted: {
    label: 'Dusted',
    hint: 'Metal powder clings to the dry mould, resin alone behind it: cheaper and lighter',
  },
  filled: {
    label: 'Dusted and filled',
    hint: 'Powder in half of the first shot too: a skin that bears more burnishing',
  },
}

/** Before the parts meet. @example saySkinBefore({ powder: 'Bronze', dust: 0.002 }, metric).startsWith('Shake') // true */
export function saySkinBefore(
  { powder, dust }: Pick<CompiledSkin, 'powder' | 'dust'>,
  units: UnitChoice,
): string {
  const step = { step: 1e-4 }
  return `Shake ${powder} about in the dry, closed mould until it clings to all walls, its seams taped: about ${show(dust, 'mass', units, step)} stays; tip the rest out and keep it. Black pigment goes first into the part that takes tints, never into an isocyanate: black behind lets thin places pass as patina.`
}

/** How the first shot's face is mixed. */
export function saySkinFace({ powder, face }: CompiledSkin, units: UnitChoice): string | undefined {
  return face && sayFace({ name: powder, ...face }, units)
}

/** The same for a face of a mix. */
export function sayFace(
  face: { name: string } & Pick<SkinFace, 'powder' | 'resin'> &
    Partial<Pick<SkinFace, 'share' | 'viscosity'>>,
  units: UnitChoice,
): string {
  const { name, powder, resin, share, viscosity } = face
  const thick =
    viscosity === undefined ? '' : `, as thick as ${show(viscosity, 'viscosity', units)}`
  const part =
    share === undefined
      ? ''
      : `: ${show(share, 'fraction', units, { step: 0.01 })} of its volume${thick}`
  return `Half of the first shot, ${show(resin, 'mass', units)}, takes ${show(powder, 'mass', units)} of ${name} in portions${part}. It goes in first, by a syringe; judge it by how it runs off the stick.`
}

/** Once it is hard. */
export const saySkinAfter =
  'Warm overnight, then peel the mould, do not tear. Rub with a fine pad, shortly, until the metal comes up, and stop: too long goes through. Polish, then wax. Dark spots are a thin or rubbed-through skin.'

/** A grain in a film that is still, mm a minute. */
export const saySinks = (speed: number, units: UnitChoice): string =>
  `${show(speed * minute, 'length', units, { step: 1e-5 })} a minute`

const minute = 60

/** Where the figures of a skin come from. */
export const explainSkin = (): string[] => [
  'What clings: 15 mg on a square centimetre, the start for bronze of 30 to 45 µm (common practice, no source). Weigh the powder before and after, and yours is known.',
  'How thick the mix gets: Krieger and Dougherty 1959, from memory, with grains packed at 60 % of the volume. It pours up to 8 Pa·s (common practice, no source).',
  'How much it warms itself: metal gives no heat and takes its part of it, 3.2 MJ to the cubic metre and kelvin as bronze, iron and copper have (from memory).',
  'How fast a grain sinks: Stokes, held back by the others after Richardson and Zaki 1954, from memory.',
]
