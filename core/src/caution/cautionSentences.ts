import { metric, show, showDuration, type UnitChoice } from '../units/index.ts'
import type { Caution, CautionAmounts, CautionCode } from './codes.ts'

type Sentence<C extends CautionCode> = (amounts: CautionAmounts[C], choice: UnitChoice) => string

const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`

/** The one table: every caution names the thing, the amount and the way out. */
const sentences: { [C in CautionCode]: Sentence<C> } = {
  'layer-above-top': (a, u) =>
    `${a.layer} goes up to ${show(a.top, 'length', u)}, but the piece ends at ${show(a.pieceTop, 'length', u)}. Bring it down to ${show(a.pieceTop, 'length', u)} or less.`,
  'layer-out-of-order': (a, u) =>
    `${a.layer} ends at ${show(a.top, 'length', u)}, below the top of ${a.below} at ${show(a.belowTop, 'length', u)}. Raise ${a.layer}, or lower ${a.below}.`,
  'layer-overfull': (a, u) =>
    `${a.layer} asks for ${show(a.volume, 'volume', u)}, but only ${show(a.room, 'volume', u)} is left above the layer below. Take ${show(a.room, 'volume', u)} or less.`,
  'layer-thin': (a, u) =>
    `${a.layer} is only ${show(a.depth, 'length', u)} deep: surface tension pulls a film that thin into islands. Make it 1 mm or more.`,
  'layer-too-deep': (a, u) =>
    `${a.layer} is ${show(a.depth, 'length', u)} deep and the sheet of ${a.resin} allows ${show(a.limit, 'length', u)}: it can run hot, crack and smoke. Split it into ${a.pours} pours, or take a resin for deep pours.`,
  'top-left-empty': (a, u) =>
    `The last layer ends ${show(a.height, 'length', u)} below the rim, so ${show(a.volume, 'volume', u)} stays empty. Raise it if the piece should be full.`,
  'no-layers': () =>
    'Nothing is poured yet. Add a layer, then drag its surface to where it should end.',
  'inclusions-too-big': (a, u) =>
    `The inclusions take ${show(a.inclusions, 'volume', u)} and ${a.layer} holds ${show(a.volume, 'volume', u)} in all, so no resin is left to hold them. Take fewer, or make the layer deeper.`,
  'inclusion-too-thick': (a, u) =>
    `${a.inclusion}: ${show(a.thickness, 'length', u)} thick in a layer ${show(a.depth, 'length', u)} deep, so it would stick out. Deepen the layer, or lay it flat.`,
  'inclusion-sinks': (a) =>
    `${a.inclusion}: heavier than the resin, so each sinks until the gel holds it and would lie on ${a.below}. To keep them higher, split ${a.layer}: pour a base, set them on the gel, cover.`,
  'inclusion-floats': (a) =>
    `${a.inclusion}: lighter than the resin, so each rises until the gel holds it. Fix them to a gelled base of ${a.layer} with a dab of mix, then cover.`,
  'tint-over-limit': (a, u) =>
    `${a.tint} at ${show(a.asked, 'fraction', u)} is over its sheet's ${show(a.limit, 'fraction', u)}: the cast may stay soft. Take ${show(a.limit, 'fraction', u)} or less, or a stronger tint.`,
  'tint-under-scale': (a, u) =>
    `${a.tint} is ${show(a.mass, 'mass', u, { step: 1e-5 })} and the scale reads to ${show(a.step, 'mass', u, { step: a.step })}: weigh it on a finer scale, or stir 1 part into 9 of the same resin part first and weigh ${show(a.diluted, 'mass', u, { step: a.step })} of that.`,
  'batch-too-small': (a, u) =>
    `${show(a.batch, 'mass', u)} is a small batch for this scale: one step off puts the ratio out by ${show(a.error, 'fraction', u)}. From ${show(a.smallest, 'mass', u)} on it stays within ${show(a.tolerance, 'fraction', u)}: mix more, or use a finer scale.`,
  'batch-over-pot-mass': (a, u) =>
    `${show(a.batch, 'mass', u)} in one cup sets off sooner than the sheet says: the pot life of ${a.resin} was measured on ${show(a.potMass, 'mass', u)}. Split it over several cups, mixed one after the other.`,
  'batch-over-cup': (a, u) =>
    `${show(a.volume, 'volume', u)} is more than the largest cup stirs without spilling (${show(a.largest, 'volume', u)}). Mix it in ${plural(a.cups, 'cup')}.`,
  'resin-not-chosen': (a) => `${a.layer} has no resin yet. Choose one from the shelf.`,
  'resin-gone': (a) =>
    `The resin of ${a.layer} is no longer on the shelf. Choose another, or take it back there.`,
  'tint-gone': (a) =>
    `The tint of ${a.layer} is no longer on the shelf. Choose another, or take it back there.`,
  'room-outside': (a, u) =>
    `A room of ${show(a.room, 'temperature', u)} is outside the ${show(a.low, 'temperature', u)} to ${show(a.high, 'temperature', u)} where the halving rule is used: the times are a guess, and epoxy may not cure below it. Warm or cool the room.`,
  'bled-needs-same-time': (a) =>
    `A bled join wants ${a.layer} poured while the one below still runs (${showDuration(a.pourable)}), but mixing takes ${showDuration(a.wait)}. Mix both cups before pouring the first.`,
  'mesh-open': (a, u) =>
    `The surface has ${plural(a.holes, 'hole')} (${plural(a.openEdges, 'open edge')}), so the volume is only known to ± ${show(a.band, 'volume', u)}. Close it in the program it came from, or measure the mould with water.`,
  'mesh-turned': () => 'The file was inside out. It has been turned, nothing else was changed.',
  'mesh-dropped': (a) =>
    `${plural(a.dropped, 'triangle')} held no usable numbers and ${a.dropped === 1 ? 'was' : 'were'} left out. Look for a hole there.`,
  'mesh-tangled': (a) =>
    `${plural(a.edges, 'edge')} ${a.edges === 1 ? 'belongs' : 'belong'} to more than two faces, so parts touch or cross. The volume counts what overlaps twice: join the parts first.`,
  'mesh-flipped': (a) =>
    `${plural(a.edges, 'edge')} ${a.edges === 1 ? 'joins' : 'join'} faces that look to opposite sides, so the volume can't be trusted. Make all faces look outward in the program it came from.`,
  'sheet-slip': (a, u) =>
    `${a.label} of ${show(a.value, a.kind, u)} is unusual for ${a.class}: ${show(a.low, a.kind, u)} to ${show(a.high, a.kind, u)} is common. Check the number and its unit against the sheet.`,
  'gel-before-pot-life': (a) =>
    `The gel time (${showDuration(a.gel)}) is shorter than the pot life (${showDuration(a.potLife)}). One of them is off: check the sheet.`,
  'demould-before-gel': (a) =>
    `The demould time (${showDuration(a.demould)}) is shorter than the gel time (${showDuration(a.gel)}). One of them is off: check the sheet.`,
}

/** A caution as a sentence in the person's units. */
export function sayCaution<C extends CautionCode>(
  caution: Caution<C>,
  choice: UnitChoice = metric,
): string {
  return sentences[caution.code](caution.amounts, choice)
}

export const cautionCodes = Object.keys(sentences) as CautionCode[]
