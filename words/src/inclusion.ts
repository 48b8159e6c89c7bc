import {
  leastToSetIn,
  unseen,
  type Holder,
  type Pattern,
  type SetHow,
  type Settling,
  type Spread,
  type ThingPreparation,
  type ThingShape,
  type ThingStep,
  type ThingTrait,
} from '@mivro/core/matter/inclusion'
import type { ClearThing } from '@mivro/core/matter/material'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'

export const thingShapeWords: Record<ThingShape, string> = {
  ball: 'Ball',
  disc: 'Disc',
  star: 'Star',
  ring: 'Ring',
  shard: 'Shard',
  own: 'Own shape',
}

export const thingTraitWords: Record<ThingTrait, string> = {
  porous: 'Porous',
  damp: 'Damp',
  oily: 'Oily',
  bleeds: 'Bleeds colour',
  hollow: 'Hollow',
  conducts: 'Conducts',
  magnetic: 'Magnetic',
  'has a face': 'Has a face',
  'carries load': 'Carries load',
}

export const clearThingWords: Record<ClearThing, string> = {
  acrylic: 'Acrylic',
  glass: 'Glass',
  quartz: 'Quartz',
  topaz: 'Topaz',
  sapphire: 'Sapphire or ruby',
  zirconia: 'Zirconia',
  opal: 'Opal',
  ice: 'Water or ice',
}

export const spreadWords: Record<Spread, string> = {
  even: 'Through its depth',
  'dense below': 'Dense below, thin above',
  'middle third': 'In the middle third',
  'dense above': 'Dense above, thin below',
}

export const holderWords: Record<Holder, string> = { dab: 'A dab', jig: 'A jig' }

/** What is done with things when their moment comes. */
const settingWords: Record<SetHow, string> = {
  'on the mould': 'Lay on the floor of the mould',
  'on the gel': 'Lay on the tacky gel',
  dab: 'Fix to the gel with a dab',
  jig: 'Hang in the jig and leave there until the gel',
  'with the pour': 'Set into the fresh pour',
  'once it holds': 'Set in once it holds them',
}

/** The same in a few words. */
export const setHowWords: Record<SetHow, string> = {
  'on the mould': 'on the floor of the mould',
  'on the gel': 'on the gel',
  dab: 'with a dab',
  jig: 'in the jig',
  'with the pour': 'with the pour',
  'once it holds': 'once it holds',
}

/**
 * The step of setting things in, without its times.
 *
 * @example saySettingIn('on the gel', ['Stars, 14 in each copy']) // 'Lay on the tacky gel: Stars, 14 in each copy.'
 */
export const saySettingIn = (how: SetHow, things: readonly string[]): string =>
  `${settingWords[how]}: ${things.join('; ')}.`

export const patternWords: Record<Pattern, string> = {
  even: 'Even',
  cluster: 'Cluster',
  ring: 'Ring',
  spiral: 'Spiral',
  line: 'Along a line',
}

/** What is done to a thing before it is set in. */
const stepWords: Record<ThingStep, string> = {
  dry: 'press and dry it through',
  seal: 'seal it with two thin coats',
  wet: 'wet it with resin before it goes in',
  degrease: 'degrease it with alcohol and touch it no more',
  wash: 'wash it and dry it through',
  fill: 'fill its hollow with resin and let that harden',
}

/** One of them. @example sayThingStep('degrease') // 'degrease it with alcohol and touch it no more' */
export const sayThingStep = (step: ThingStep): string => stepWords[step]

/**
 * What a thing needs before the day of the pour.
 *
 * @example sayPreparation({ name: 'Stars', steps: ['degrease'], time: 1800 }) // 'Stars: degrease it with alcohol and touch it no more (30 min).'
 */
export const sayPreparation = ({ name, steps, time }: ThingPreparation): string =>
  `${name}: ${steps.map((step) => stepWords[step]).join(', ')} (${showDuration(time)}).`

/**
 * What becomes of a thing until the gel in a layer so deep, in the person's units; `how` is the way
 * in which it is planned to get in.
 *
 * @example saySettling({ drift: 0, holdsFrom: 0, gel: 3600 }, 0.01) // 'The pour carries it; it neither sinks nor rises.'
 */
export function saySettling(
  { drift, holdsFrom, gel }: Pick<Settling, 'drift' | 'holdsFrom' | 'gel'>,
  depth: number,
  choice: UnitChoice = metric,
  how?: SetHow,
): string {
  if (drift === 0) return 'The pour carries it; it neither sinks nor rises.'
  const far = show(Math.abs(drift), 'length', choice)
  const through = Math.abs(drift) >= depth
  if (Math.abs(drift) < unseen) return `Stays where it is set: it moves ${far} until the gel.`
  const way =
    drift < 0
      ? `sink ${through ? 'to the floor of its layer' : far}`
      : `rise ${through ? 'to the surface' : far}`
  const from = `Set in with the pour it would ${way} before the gel`
  if (how === 'on the gel' || how === 'on the mould') {
    return `${from}: laid ${setHowWords[how]} before the pour it stays.`
  }
  const [holds, gels] = [showDuration(holdsFrom), showDuration(gel)]
  return gel - holdsFrom < leastToSetIn
    ? `${from}, and it holds only when the layer gels, ${gels} after mixing: pour a base, lay it on that when it has gelled, and cover it.`
    : `${from}; set in from ${holds} until the gel, ${gels} after mixing, it stays.`
}
