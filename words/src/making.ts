import type { MakingStage, Phrase, PhraseAmounts, PhraseCode } from '@mivro/core/mould'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'
import { preparationWords } from './prepare.ts'

type Sentence<C extends PhraseCode> = (amounts: PhraseAmounts[C], choice: UnitChoice) => string

const master = (masters: number) => (masters > 1 ? `the ${masters} masters` : 'the master')
const across = (
  { width, depth, round }: { width: number; depth: number; round: boolean },
  u: UnitChoice,
) => {
  const length = (x: number) => show(x, 'length', u)
  return round ? `${length(width)} across` : `${length(width)} by ${length(depth)}`
}
const halves = { whole: 'silicone', first: 'first half', second: 'second half' }
const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

/** The one table: what each step of making a mould says. */
const sentences: { [C in PhraseCode]: Sentence<C> } = {
  prepare: ({ id }) => preparationWords[id].what,
  'prepare-why': ({ id }) => preparationWords[id].why,

  'fix-on-board': () => 'Fix the master on a board',
  'print-shell': () => 'Print the shell, seal its seams',
  'print-halves': (a) =>
    `Print both halves of ${a.shells > 1 ? `the ${a.shells} shells` : 'the shell'}, supports off, seams sealed`,
  'clip-width': () => 'Try its clips: they open as wide as both flanges are thick.',
  'bed-in-shell': (a, u) =>
    `Bed ${master(a.masters)} in the lower half of ${a.masters > 1 ? 'its shell' : 'the shell'}: ${show(a.clay, 'volume', u)} of clay up to the parting, ${show(a.height, 'length', u)} above the lowest point`,
  'close-shell': (a) =>
    a.parted === 'upper'
      ? 'Put the upper half of the shell on and clip it all round'
      : 'Put the lower half of the shell back on and clip it all round',
  'shut-tight': () =>
    'A thin string of clay along the flange, pressed in from outside, keeps it tight.',
  'clay-skirt': () => 'A skirt of clay around it catches what runs.',
  'ready-box': (a, u) => `Set the existing box ready, ${across(a, u)} inside`,
  'build-box': (a, u) =>
    `Build the box, ${across(a, u)} inside, walls ${show(a.walls, 'length', u)} tall`,
  'seal-seams': () => 'Seal every seam inside and out; put the board level both ways.',
  'fill-line': (a, u) => `Mark the fill line ${show(a.height, 'length', u)} above the floor.`,
  brace: (a) => `Brace each wall in ${plural(a.places, 'place')}, or tie bands around.`,
  'bed-master': (a, u) =>
    `Bed ${master(a.masters)} in ${show(a.clay, 'volume', u)} of clay up to the parting, ${show(a.height, 'length', u)} above the floor`,
  'bed-climbing': (a, u) =>
    `Bed ${master(a.masters)} in ${show(a.clay, 'volume', u)} of clay that climbs with the outline, from ${show(a.from, 'length', u)} to ${show(a.to, 'length', u)} above the floor`,
  'press-clay': (a) =>
    `Press the clay clean against ${master(a.masters)}, cut the edge sharp, dent keys along it.`,
  'press-keys': (a, u) =>
    `Press ${plural(a.count, 'key')} of ${show(a.width, 'length', u)} into it, half as deep, where the template shows them; one is twice as long, so that the halves close one way only.`,
  'fix-master': (a) =>
    `Fix ${master(a.masters)}: ${a.masters > 1 ? 'together they pull' : 'it pulls'} up with ${a.uplift.toFixed(1)} N`,
  'stand-masters': (a, u) =>
    a.masters > 1
      ? `Stand ${master(a.masters)} in a row, ${show(a.apart, 'length', u)} apart, as on the template`
      : 'Stand the master in its place',
  'hold-down': (a, u) =>
    `Glue, wax or screw it, or lay ${show(a.mass, 'mass', u, { step: 1e-2 })} on top.`,
  'weigh-first': () =>
    'Weigh it first: what is lighter than the silicone it pushes aside floats, and is glued, waxed or screwed down.',
  'stays-down': () => 'It is heavier than the silicone.',
  'held-above': (a, u) =>
    `It is ${show(a.under, 'length', u)} above the floor: let it stand on its gate, fixed to the board, or hang it by its rods from a bar across the walls. A ring of soft clay alone does not hold it.`,
  'set-rods': (a) => `Set ${plural(a.count, 'rod')} for gates and vents`,
  'wax-rod': (a, u) =>
    `Wax on one of ${show(a.bore, 'length', u)} for the ${a.what}${a.each ? ' of each' : ''}.`,

  cure: (a) => `Let it cure ${showDuration(a.time)}, longer when it is cold`,
  'leftover-cup': () => 'A leftover cup tells when. Level, and not moved.',
  mix: (a, u) =>
    `Mix the ${halves[a.half]}${a.batches > 1 ? `, in ${a.batches} batches of ${show(a.each, 'mass', u, { step: 1e-3 })}` : ''}`,
  stir: (a) =>
    `Stir ${showDuration(a.mixTime)}, scrape sides and bottom, into a second clean cup, stir again. Pot life ${showDuration(a.potLife)}.`,
  'next-batch': (a) =>
    `What stands below is one batch: mix the next as soon as this one is poured, within ${showDuration(a.potLife)} of its mixing.`,
  'de-air': (a) =>
    `De-air ${a.batches > 1 ? 'each batch' : 'it'}: the vessel at most ${Math.round(a.full * 100)} % full`,
  pump: () =>
    'Pump, let it rise and fall, pump again; let air in gently, the inlet not over the cup.',
  'pour-silicone': (a) =>
    `Pour the ${halves[a.half]}${a.several ? ', each batch as soon as it is mixed' : ''}`,
  'brush-details': () =>
    'Brush or drizzle it first into letters, creases and deep wells, and under knobs and stems.',
  'thin-stream': () =>
    'Then pour a thin high stream into one low corner and let it climb. Cover it against dust.',
  'by-the-hole': () =>
    'A thin stream through its hole, the shell a little tilted so that air leaves ahead of it, until silicone stands in hole and vents. Top it up once it has settled.',
  vibrate: () =>
    'It is thick: vibrate it 1 to 3 min after each batch, or let it rest 10 to 20 min.',

  coat: (a, u) =>
    `Coat ${a.number}: ${show(a.mass, 'mass', u, { step: 1e-3 })}, ${show(a.thickness, 'length', u)} thick`,
  'first-coat': (a, u) =>
    `The first coat takes only part of the thickener, ${show(a.thickener, 'mass', u, { step: 1e-4 })}, so that it wets every corner and slumps slowly; a soft brush.`,
  'next-coat': (a, u) =>
    `Stir in ${show(a.thickener, 'mass', u, { step: 1e-4 })} of thickener and another colour than the coat below, so that thin places show; pull it down evenly.`,
  'coat-follows': () => 'The next one goes on while this one is still tacky.',
  'last-coat': () =>
    'Fill undercuts along the way the shell is drawn off, and leave the outside smooth.',
  talc: () =>
    'Talc over the outside, so that the shell lets go and the rubber slides over itself when it is rolled off.',
  'rigid-shell': () =>
    'Lay a rigid shell over it: bandage in two halves, three or more overlapping plies each',
  'shell-halves': () =>
    'Petroleum jelly or wax between the halves of the shell. An hour before they are parted.',

  'turn-over': () =>
    'Turn it over, all clay off, cold, to the last crumb, and the film under the keys cut',
  'lift-lower': () =>
    'The lower half of the shell comes off with it; the first half of the silicone stays in its own.',
  'release-half': (a) =>
    a.hinged
      ? 'Release over all silicone but a strip along the back edge: there the halves grow together'
      : 'Release over every bit of silicone',
  'thin-jelly': () =>
    'Aerosol jelly light and even, petroleum jelly thinned and brushed, or paste wax: what is missed, bonds.',
  'wipe-master': () => 'Then wipe it off the master with a cotton bud: it prints on every cast.',
  'press-flush': () =>
    'Press the turned half flush with the board, or it sags under what is poured on it.',
  'into-pot': (a, u) =>
    `Into the pot at ${show(a.pressure, 'pressure', u)}, closed before the pot life of ${showDuration(a.potLife)} is over`,
  'held-in-pot': () => 'Held until it has cured; the pressure goes off slowly.',
  'cut-openings': (a) =>
    `Cut ${plural(a.count, 'opening')} by the template: needle, knife or drill.`,
  'cut-open': () => 'Cut it open in a wave, straight at the piece, only as far as frees it',
  'open-hinge': () => 'Open it like a book, lift the master out, trim the flash',
  'roll-off': () => 'Shell off in its halves, card and pins out; roll the silicone off the master',
  'part-halves': () => 'Part the halves, lift the master out, trim the flash',
  'take-out': () => 'Take the master out',
  'together-again': () => 'Put it together again while it rests, so that it keeps its shape.',
  'lay-flat': () => 'Lay it flat while it rests.',
  nested: () => 'Nest it in its shell again: there it rests, is kept and is closed for each pull.',
  rest: () => 'Let the new mould rest overnight before its first pull',
  'first-pull': () =>
    'It gives it its full life; an hour or two when it is urgent. The first pull carries out crumbs and is a trial: plaster, or what is left of another mix.',
}

/**
 * What a step says, in the person's units.
 *
 * @example sayMaking({ code: 'brace', amounts: { places: 2 } }) // 'Brace each wall in 2 places, or tie bands around.'
 */
export const sayMaking = <C extends PhraseCode>(
  { code, amounts }: Phrase<C>,
  choice: UnitChoice = metric,
): string => sentences[code](amounts, choice)

/**
 * What of a mould is there, in words: for whoever does not see its drawing.
 *
 * @example sayStage({ master: true, bed: true, coats: 0 }) // 'The master in its bed of clay.'
 */
export function sayStage({
  master,
  walls,
  bed,
  rods,
  first,
  second,
  coats,
  shell,
  jacket,
  turned,
  released,
  open,
}: MakingStage): string {
  if (open) return 'Open, the master out.'
  if (!master) return 'Together again, at rest.'
  const there = [
    coats > 0 ? `under ${plural(coats, 'coat')}` : '',
    shell || jacket === 'both' ? 'in its shell' : '',
    jacket === 'lower' && !bed ? 'beside the printed shell' : '',
    jacket === 'upper' ? 'in the upper half of its shell' : '',
    bed ? 'in its bed of clay' : '',
    first && turned ? 'in its first half, turned over' : first ? 'under silicone' : '',
    second ? 'the second half poured' : released ? 'release on' : '',
    rods && !first ? 'rods set' : '',
    walls && !first ? 'walls round it' : '',
  ].filter(Boolean)
  return there.length > 0 ? `The master ${there.join(', ')}.` : 'The master by itself.'
}
