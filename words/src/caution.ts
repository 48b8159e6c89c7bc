import {
  metric,
  show,
  showArea,
  showDuration,
  showTimeOfDay,
  showTiny,
  type UnitChoice,
} from '@mivro/core/base/units'
import type { Caution, CautionAmounts, CautionCode, SlipField } from '@mivro/core/base/caution'
import type { ResinClass, Silicone, Tint } from '@mivro/core/matter/material'
import { displayStep } from '@mivro/core/matter/mix'
import { sayThinned } from './colour.ts'
import { resinClassWords, tintFormWords } from './material.ts'

type Sentence<C extends CautionCode> = (amounts: CautionAmounts[C], choice: UnitChoice) => string

const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`

/** Fields of a sheet as a sentence names them. */
const sheetWords: Record<string, string> = {
  ratio: 'the mix ratio',
  densityA: 'the density of part A',
  densityB: 'the density of part B',
  potLife: 'the pot life',
  potMass: 'the pot it was measured on',
  demould: 'the demould time',
  mixTime: 'the mixing time',
  sheetTemperature: 'the temperature of the sheet',
}

const slipWords: Record<SlipField, string> = {
  potLife: 'A pot life',
  demould: 'A demould time',
  densityA: 'A density of part A',
  densityB: 'A density of part B',
  shrinkage: 'A shrinkage',
  limit: 'A limit',
}
/** What a sheet is of. */
const kindWords: Record<ResinClass | `${Silicone['chemistry']} silicone` | Tint['form'], string> = {
  ...resinClassWords,
  'platinum silicone': 'a platinum silicone',
  'tin silicone': 'a tin silicone',
  ...tintFormWords,
}

function listed(words: readonly string[]): string {
  const all = words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words.at(-1)}` : words[0]
  return all.charAt(0).toUpperCase() + all.slice(1)
}

const ofHalf = (half: 'whole' | 'first' | 'second') =>
  half === 'whole' ? '' : ` of the ${half} half`

/** What would make do with the silicone that is there. */
function enough({ chunks, line, tight }: CautionAmounts['silicone-short'], u: UnitChoice): string {
  const ways = [
    chunks === null ? '' : `${show(chunks, 'volume', u, { step: 1e-6 })} of chunks of old moulds`,
    line === null ? '' : `a fill line at ${show(line, 'length', u)}`,
    tight === null ? '' : `a box that follows the outline (saves ${show(tight, 'volume', u)})`,
  ].filter(Boolean)
  const more = 'Or have the rest weighed before you begin, and pour it while the first still runs.'
  return ways.length > 0 ? `This makes it do: ${ways.join(', or ')}. ${more}` : more
}

/** Who sets the limit, and what happens above it. */
function stake(
  { limit, by, inside }: Pick<CautionAmounts['layer-runs-hot'], 'limit' | 'by' | 'inside'>,
  u: UnitChoice,
): string {
  const at = show(limit, 'temperature', u)
  if (by === 'inside') return `${inside} inside bears no more than ${at}.`
  if (by === 'plan') return `you set ${at} as the limit.`
  return `from ${at} on a clear cast yellows and crazes${by === 'sheet' ? ', by its sheet' : ''}.`
}

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
  'layer-over-shell': (a) =>
    `${a.layer} is poured level, but ${a.below} under it is hollow: there is nothing for it to lie on. Put it before ${a.below}, or make it a wall too.`,
  'cast-wall-fills': (a, u) =>
    `${a.layer}: a wall of ${show(a.wall, 'length', u)} fills the piece, whose deepest place lies ${show(a.deepest, 'length', u)} from its surface. Take a thinner wall, or pour it solid.`,
  'cast-wall-thin': (a, u) =>
    `${a.layer}: a wall of ${show(a.wall, 'length', u)} breaks easily when it comes out. Figures are cast with ${show(0.002, 'length', u)} or more.`,
  'cast-wall-thick': (a, u) =>
    `${a.layer}: a wall of ${show(a.wall, 'length', u)} gets hot and costs as much as it saves. ${show(0.003, 'length', u)} to ${show(0.005, 'length', u)} is enough for a large figure.`,
  'skin-no-powder': (a) =>
    `${a.layer} is to have a metal skin, of no powder yet: choose a metal powder from Materials.`,
  'skin-not-metal': (a) =>
    `${a.layer}: ${a.powder} is no metal powder. Mica and pigments in clear resin never look like metal; take real metal, fine as flour.`,
  'skin-not-outer': (a) =>
    `${a.layer} lies on another wall: a metal skin is dusted on the mould, before the first shot.`,
  'skin-too-thick': (a, u) =>
    a.most > 0
      ? `${a.layer}: with ${show(a.share, 'fraction', u)} of powder for its resin the face mix no longer runs off a stick. ${show(a.most, 'fraction', u)} still pours.`
      : `${a.layer}: this resin is so thick that it pours no powder at all. Dust the mould alone, or take a thinner resin.`,
  'hollow-jacket': (a) =>
    `${a.layer} is turned in a mould that bands hold together: they press it out of shape as it rolls. Boards on all sides, or a cradle that the hands hold, keep it true.`,
  'hollow-vents': (a) =>
    `${a.layer} is turned, and the mould has ${a.vents === 1 ? 'a vent' : `${a.vents} vents`} that it would run out of. Plug ${a.vents === 1 ? 'it' : 'them'}: a mould for hollow casts has one port and no vents.`,
  'hollow-port': (a) =>
    `${a.layer} needs one port to go in by, and the mould has none. Set a gate where the piece is broad, and keep its plug as the stopper.`,
  'turns-by-hand': (a) =>
    `${a.layer}: ${a.turns} turns a minute are more than hands keep up. Turn it up to ${a.most} times a minute, or take a machine.`,
  'turned-one-by-one': (a) =>
    `${a.layer}: by hand one mould is turned at a time, and this mix is for ${a.copies} copies. Mix for each of them by itself, or take a machine.`,
  'turns-for-long': (a) =>
    `${a.layer} is turned until it gels, ${showDuration(a.gel)} after mixing: too long for hands. Take a faster resin or a machine, or warm the mould as far as its sheet allows.`,
  'turns-too-few': (a) =>
    `${a.layer} runs until it is nearly gel: only ${Math.max(0, a.turned).toFixed(1)} turns are left once its film stays up, and with fewer than ${a.fewest} the wall is thick where it lay last. ${a.shots === null ? 'Turn it faster, or take a thinner wall.' : `Cast it in ${a.shots} shots, or turn it faster.`}`,
  'layer-too-deep': (a, u) =>
    `${a.layer} is ${show(a.thick, 'length', u)} ${a.thick < a.depth * 0.99 ? 'thick where it keeps its heat' : 'deep'} and the sheet of ${a.resin} allows ${show(a.limit, 'length', u)}: it can run hot, crack and smoke. The Heat lens finds into how many pours to split it; or take a resin for deep pours.`,
  'layers-slant': (a) =>
    `The piece is held tilted while it is poured: its layers lie level then, and slant by ${Math.round((a.angle * 180) / Math.PI)}° on the finished piece.`,
  'copies-over-cavities': (a) =>
    `${a.copies} copies of one mix need ${a.copies} cavities, and the moulds on hand have ${a.cavities}. Pour ${a.cavities} at a time, or make more moulds.`,
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
  'inclusion-carried': (a) =>
    `${a.inclusion}: so thin that the pour carries it wherever it flows. Lay it on the tacky gel to keep it flat, or stir it in to let it drift.`,
  'inclusion-organic': (a, u) =>
    `${a.inclusion}: dry it through, seal it (two thin coats), and keep it below ${show(a.limit, 'temperature', u)}, or it browns and gives off bubbles.`,
  'inclusion-drinks': (a, u) =>
    `${a.inclusion}: porous, so it drinks about ${show(a.volume, 'volume', u)} beyond what it displaces; that is weighed out with the rest. Wet it with resin first, lay it in thin lots, and poke the air out.`,
  'inclusion-bleeds': (a) =>
    `${a.inclusion}: its colour runs into resin. Seal it with two thin coats, and try one in a spoonful of mix first.`,
  'mouth-narrow': (a, u) =>
    `The mould is open at the top, and there the piece has only ${show(a.share, 'fraction', u)} of the surface of its widest place: resin hardly gets in, and the cast does not come out.`,
  'inclusion-face': (a) =>
    a.mould === 'open'
      ? `${a.inclusion}: lay it face down, since the floor of an open mould is the face of the piece.`
      : `${a.inclusion}: mind which side its face looks to; the template shows it mirrored as the face does.`,
  'inclusion-magnetic': (a) =>
    `${a.inclusion}: magnetic, so they pull to one another and to anything of iron while the resin is liquid. Hold each with a dab, far enough apart.`,
  'inclusion-load': (a, u) =>
    `${a.inclusion}: it is to carry load, so it sits at least ${show(a.deep, 'length', u)} deep and straight. Hold it in a jig between pouring and gel.`,
  'dab-no-time': (a) =>
    `${a.inclusion}: a dab holds after about ${showDuration(a.sets)}, and ${a.layer} is poured ${showDuration(a.short)} too soon for that. Pour it later, while the join still allows.`,
  'covered-before-set': (a) =>
    `${a.inclusion}: ${a.layer} holds them only ${showDuration(a.early)} after ${a.over} is poured over it. Give ${a.over} a crisp join, or pour a base, set them on its gel, and cover.`,
  'inclusion-floats': (a) =>
    `${a.inclusion}: lighter than the resin, so each rises until the gel holds it. Fix them to a gelled base of ${a.layer} with a dab of mix, then cover.`,
  'things-no-room': (a) =>
    `${a.fit} of ${a.asked} ${a.inclusion} find room in ${a.layer}, 1 mm apart and 2 mm from the wall. Take fewer or smaller ones, or spread them over two layers.`,
  'things-meet': (a) =>
    `${a.count} of ${a.inclusion} ${a.count === 1 ? 'meets' : 'meet'} another that lies there. Move ${a.count === 1 ? 'it' : 'them'} apart.`,
  'things-astray': (a, u) =>
    `${a.count} of ${a.inclusion} ${a.count === 1 ? 'lies' : 'lie'} out of the piece or nearer than ${show(a.wall, 'length', u)} to its wall. Move ${a.count === 1 ? 'it' : 'them'} inward.`,
  'tint-over-limit': (a, u) =>
    `${a.tint} at ${show(a.asked, 'fraction', u)} is over its sheet's ${show(a.limit, 'fraction', u)}: ${
      a.dry
        ? 'the mix thickens, keeps its bubbles, and what is too much settles'
        : 'the cast may stay soft'
    }. Take ${show(a.limit, 'fraction', u)} or less, or a stronger tint.`,
  'tint-under-scale': (a, u) => {
    const mass = (kg: number) => show(kg, 'mass', u, { step: displayStep(kg, a.step) })
    return `${a.tint} is ${mass(a.mass)} and the scale reads to ${show(a.step, 'mass', u, { step: a.step })}: take ${sayThinned(a, mass)}, in the part that it goes into, or weigh it on a finer scale.`
  },
  'batch-too-small': (a, u) =>
    `${show(a.batch, 'mass', u)}${a.cups > 1 ? ' in each cup' : ''} is little for this scale: one step off puts the ratio out by ${show(a.error, 'fraction', u)}. From ${show(a.smallest, 'mass', u)} on it stays within ${show(a.tolerance, 'fraction', u)}: mix more${a.cups > 1 ? ', in fewer cups' : ''}, or use a finer scale.`,
  'cups-part': (a) =>
    `${a.layer}: the last of ${a.cups} cups comes ${showDuration(a.later)} after the first, which runs only for ${showDuration(a.runs)}. Fewer cups, two pairs of hands, or a slower resin.`,
  'batch-over-pot-mass': (a, u) =>
    `${show(a.batch, 'mass', u)} in one cup sets off sooner than the sheet says: the pot life of ${a.resin} was measured on ${show(a.potMass, 'mass', u)}. Split it over several cups, mixed one after the other.`,
  'batch-over-cup': (a, u) =>
    `${show(a.volume, 'volume', u)} is more than the largest cup stirs without spilling (${show(a.largest, 'volume', u)}). Mix it in ${plural(a.cups, 'cup')}.`,
  'sheet-assumed': (a) =>
    `${listed(a.fields.map((field) => sheetWords[field] ?? field))} of ${a.resin} ${a.fields.length === 1 ? 'is' : 'are'} assumed, not from its sheet: weights and times follow from ${a.fields.length === 1 ? 'it' : 'them'}. Type what the sheet says.`,
  'resin-not-chosen': (a) => `Choose the resin of ${a.layer}: then it is weighed and timed.`,
  'resin-gone': (a) =>
    `The resin of ${a.layer} is no longer among your materials. Choose another, or restore it in Settings.`,
  'tint-water': (a) =>
    `${a.tint} is thinned with water, and water spoils ${a.resin}: it stays soft and cloudy. Take a dye or paste made for resin.`,
  'tint-solvent': (a) =>
    `${a.tint} holds solvent: no flame or heat gun near it, and no vacuum until it has gone off. Its data sheet says how.`,
  'mica-unbacked': (a) =>
    `${a.tint} in ${a.layer} lets light through with nothing opaque behind it, so gold comes out as amber and silver as smoke. Pour an opaque layer of its hue behind it, or dust the mould with it first.`,
  'tint-gone': (a) =>
    `The tint of ${a.layer} is no longer among your materials. Choose another, or restore it in Settings.`,
  'room-outside': (a, u) =>
    `A room of ${show(a.room, 'temperature', u)} is outside the ${show(a.low, 'temperature', u)} to ${show(a.high, 'temperature', u)} where the halving rule is used: the times are a guess, and epoxy may not cure below it. Warm or cool the room.`,
  'join-missed': (a) =>
    `${a.layer} comes ${showDuration(a.late)} after ${a.below} stopped bonding. Scuff and wipe it first (a line may show), or pour sooner.`,
  'post-cure-hot': (a, u) =>
    `A post-cure at ${show(a.temperature, 'temperature', u)} is hotter than the ${show(a.limit, 'temperature', u)} that ${a.inside === '' ? 'the resin' : a.inside.toLowerCase()} bears. Hold it cooler, and longer.`,
  'pour-at-night': (a, u) =>
    `${a.layer} would be poured at ${showTimeOfDay(a.at, u)}, and your bench is open from ${showTimeOfDay(a.from, u)} to ${showTimeOfDay(a.until, u)}. ${
      a.begin === null
        ? 'No hour to begin keeps every pour within it: let the lower layer set hard overnight and scuff it, or take other resins.'
        : `Begin at ${showTimeOfDay(a.begin, u)} and every pour falls within it.`
    }`,
  'layer-runs-away': (a, u) =>
    `${a.layer}, ${show(a.depth, 'length', u)} deep, would run away: about ${show(a.peak, 'temperature', u)} (up to ${show(a.high, 'temperature', u)}). It cracks, yellows and smokes. See the Heat lens for the ways out.`,
  'layer-runs-hot': (a, u) =>
    `${a.layer} would reach about ${show(a.peak, 'temperature', u)} (up to ${show(a.high, 'temperature', u)}), and ${stake(a, u)} See the Heat lens for the ways out.`,
  'layer-may-run-hot': (a, u) =>
    `${a.layer} would reach about ${show(a.peak, 'temperature', u)}, but it could be ${show(a.high, 'temperature', u)}, and ${stake(a, u)} Pour it shallower, or keep the room cool and watch it.`,
  'fast-resin-warm': (a, u) =>
    `${a.layer} gets warm inside, about ${show(a.peak, 'temperature', u)}: usual for ${a.resin}, and no harm to silicone. Let it cool before it comes out, or it bends; the top may sink a little.`,
  'cup-runs-hot': (a, u) =>
    `${show(a.mass, 'mass', u)} left in one cup would reach about ${show(a.peak, 'temperature', u)} after ${showDuration(a.after)}: pour it out in time, split it over several cups, and never pool leftovers.`,
  'gels-in-cup': (a) =>
    `After ${showDuration(a.standing)} in the cup ${a.layer} has gelled (at ${showDuration(a.gel)}), so it can't be poured any more. Shorten the wait, make the cup smaller, or take a slower resin.`,
  'cure-stalls': (a, u) =>
    `At ${show(a.room, 'temperature', u)} ${a.layer} is still not hard after ${a.days} days. Warm the room, at least for the last part of the cure.`,
  'mould-hot': (a, u) =>
    `In a mould of ${show(a.mould, 'temperature', u)} it stays open for about ${showDuration(a.pourable)} and gels after ${showDuration(a.gel)}: everything laid out first, one quick pour.`,
  'damp-blush': (a, u) =>
    `Air at ${Math.round(a.humidity * 100)} % leaves a greasy blush on ${a.resin} (dew point ${show(a.dewPoint, 'temperature', u)}). Dry the air, or wipe each layer with warm water and dry it before the next.`,
  'damp-foam': (a) =>
    `Air at ${Math.round(a.humidity * 100)} % can foam ${a.resin}: close the bottles at once, keep cups and sticks dry, dry the air.`,
  'damp-on-cold': (a, u) =>
    `The ${a.what} at ${show(a.temperature, 'temperature', u)} ${a.what === 'parts' ? 'lie' : 'lies'} below the dew point of ${show(a.dewPoint, 'temperature', u)}: water settles on it and spoils ${a.resin}. Let it warm up closed, or dry the air.`,
  'near-dew-point': (a, u) =>
    `The ${a.what} at ${show(a.temperature, 'temperature', u)} ${a.what === 'parts' ? 'are' : 'is'} within 3 degrees of the dew point (${show(a.dewPoint, 'temperature', u)}): water may settle on it. Warm it a little first.`,
  'bled-needs-same-time': (a) =>
    `A bled join wants ${a.layer} poured while the one below still runs (${showDuration(a.pourable)}), but mixing takes ${showDuration(a.wait)}. Mix both cups before pouring the first.`,
  'run-empty': () => 'Nothing is cast yet: choose a piece, and how many of it.',
  'run-no-tool': (a) =>
    a.tool === 'pot'
      ? 'There is no pressure pot in Equipment: add the one you have, or cast without pressure.'
      : 'There is no vacuum vessel in Equipment: add the one you have, or cast without vacuum.',
  'run-piece-stops': (a) =>
    `${a.piece}: its pour has ${plural(a.stops, 'stop')}. Mend ${a.stops === 1 ? 'it' : 'them'} in its Pour first; until then it is left out.`,
  'run-turned-pot': (a) =>
    `${a.piece} is cast hollow: it is turned until it gels, and that can’t be done in a pot. Cast it without pressure, in a run of its own.`,
  'run-piece-unpoured': (a) =>
    `${a.piece} has no layer with a height and a resin yet: give it one in its Pour.`,
  'run-over-pot': (a, u) =>
    `The mould of ${a.piece} finds no room in the pot: it stands ${show(a.height, 'length', u)} high, the pot is ${show(a.inside, 'length', u)} high inside. A lower mould, a wider pot, or without pressure.`,
  'run-too-slow': (a) =>
    a.by === 'pouring'
      ? `${a.piece}: even one mould alone is full only after ${showDuration(a.needs)}, and the mix pours for ${showDuration(a.has)}. A slower resin, a cooler room, chilled parts, a smaller mould, or a second pair of hands.`
      : `${a.piece}: even with one mould alone the pot is at pressure only after ${showDuration(a.needs)}; at 80 % of its gel time, ${showDuration(a.has)}, it has to be. A slower resin, a cooler room, a smaller pot, or a stronger compressor.`,
  'run-tight': (a) =>
    `${a.piece}: ${showDuration(a.spare)} to spare ${a.by === 'lid' ? 'until the pot is at pressure' : 'until its last mould is full'}. One mould less in each mix makes it calm.`,
  'run-too-long': (a) =>
    `Only the first ${a.loads} loads are planned: ${a.casts} of ${a.wanted} casts. Make it several runs, or take more moulds.`,
  'run-outside-hours': (a) =>
    a.loads === 1
      ? `No hour keeps all of load ${a.load} within the hours of the bench. Open it longer, or begin at another time.`
      : `No hour keeps load ${a.load} and ${plural(a.loads - 1, 'other')} within the hours of the bench. Open it longer, or begin at another time.`,
  'run-begin-moved': (a, u) =>
    `The first mix was to be at ${showTimeOfDay(a.asked, u)}; the hours of the bench move it to ${showTimeOfDay(a.at, u)}. Open the bench longer, or begin then.`,
  'run-over-vessel': (a, u) =>
    `${show(a.volume, 'volume', u)} at once froths over: the vessel takes ${show(a.takes, 'volume', u)}. It is freed of air in several batches, one after the other.`,
  'mesh-open': (a, u) =>
    `The surface has ${plural(a.holes, 'hole')} (${plural(a.openEdges, 'open edge')}), so the volume is only known to ± ${show(a.band, 'volume', u)}. Close it in the program it came from, or measure the mould with water.`,
  'mesh-joined': (a) =>
    `${plural(a.joined, 'corner')} lay a hair apart and ${a.joined === 1 ? 'was' : 'were'} joined. Nothing else was changed.`,
  'mesh-reoriented': (a) =>
    `${plural(a.turned, 'face')} looked inward and ${a.turned === 1 ? 'was' : 'were'} turned. Nothing else was changed.`,
  'mesh-holes-closed': (a, u) =>
    `${plural(a.closed, 'hole')} ${a.closed === 1 ? 'was' : 'were'} closed with ${showArea(a.area, u)} of new skin. Look at the cut: over a large hole the skin is a guess.`,
  'mesh-parts': (a) =>
    `The file holds ${a.parts} separate pieces. They are measured and moulded as one: split the file if each gets a mould of its own.`,
  'mesh-united': (a, u) =>
    `${a.parts} parts of the file overlap. They were joined into one: it holds ${show(a.filled, 'volume', u)}, where adding the parts up would give ${show(a.counted, 'volume', u)}.`,
  'mesh-in-cells': (a, u) =>
    `Parts of the file overlap and have holes, so they can't be joined into one surface. What they hold together was counted in small cells: ${show(a.filled, 'volume', u)}, give or take ${show(a.band, 'volume', u)} (adding them up would give ${show(a.counted, 'volume', u)}). Close the holes in the program they came from for an exact figure.`,
  'mesh-far': (a, u) =>
    `The file places the piece ${show(a.distance, 'length', u)} from its origin. It was moved to it; nothing else was changed.`,
  'mesh-coarse': (a, u) =>
    `The piece lies so far from the file's origin that its corners are only known to ${show(a.step, 'length', u)}, at a size of ${show(a.size, 'length', u)}. Move it to the origin in the program it came from and export it again: volume and levels are rough until then.`,
  'mesh-void': (a, u) =>
    `${plural(a.voids, 'void')} of ${show(a.volume, 'volume', u)} inside can't be reached by resin, so ${a.voids === 1 ? 'it is' : 'they are'} not left free in a cast: the cast takes ${show(a.volume, 'volume', u)} more.`,
  'shape-measured': (a, u) =>
    `There is no shape on file, only ${show(a.volume, 'volume', u)} by measuring and its three sides. A box around it fits and amounts in all are right; levels between bottom and top are a guess, and air, undercuts and thin places can't be judged.`,
  'mesh-turned': () => 'The file was inside out. It has been turned, nothing else was changed.',
  'mesh-dropped': (a) =>
    `${plural(a.dropped, 'triangle')} held no usable numbers and ${a.dropped === 1 ? 'was' : 'were'} left out. Look for a hole there.`,
  'mesh-tangled': (a) =>
    `${plural(a.edges, 'edge')} ${a.edges === 1 ? 'belongs' : 'belong'} to more than two faces, so parts touch or cross. The volume counts what overlaps twice: join the parts first.`,
  'mesh-flipped': (a) =>
    `${plural(a.edges, 'edge')} ${a.edges === 1 ? 'joins' : 'join'} faces that look to opposite sides, so the volume can't be trusted. Make all faces look outward in the program it came from.`,
  'air-stays': (a, u) =>
    `${showTiny(a.volume, u)} of air stays up to ${show(a.top, 'length', u)}: the way out closes when the resin stands at ${show(a.saddle, 'length', u)}. Vent its top, prefill it, or tilt the mould.`,
  'air-never-filled': (a, u) =>
    `${showTiny(a.volume, u)} has no gate and is never filled. Give it a gate of its own, or join it to the rest.`,
  'ceiling-level': (a, u) =>
    `${showArea(a.area, u)} of ceiling lies level, where a film of air can stay. Tilt the mould by a few degrees, or rub resin into it first.`,
  undercut: (a, u) =>
    `${show(a.volume, 'volume', u)} of silicone has to stretch over edges at this parting. Least is blocked when it lies ${show(a.from, 'length', u) === show(a.to, 'length', u) ? 'at' : `between ${show(a.from, 'length', u)} and`} ${show(a.to, 'length', u)}.`,
  'undercut-inner': (a, u) =>
    `${show(a.volume, 'volume', u)} of silicone lies between parts of the piece, so no level parting frees it. Cut the mould, make a core, or fill the gap in the master.`,
  'undercut-open': (a, u) =>
    `${show(a.volume, 'volume', u)} of silicone lies under edges and has to stretch as the cast comes out upward. Take a soft silicone, or cut one side.`,
  'silicone-tongue': (a, u) =>
    `A tongue of silicone thinner than 2 mm reaches ${show(a.reach, 'length', u)} into the piece and tears on the first pulls. Fill the gap in the master, or widen it.`,
  'silicone-pin': (a, u) =>
    `A pin of silicone thinner than 2 mm runs ${show(a.reach, 'length', u)} deep through a hole and tears. Fill the hole and drill each cast, or widen it.`,
  'wall-thin': (a) =>
    `${plural(a.places, 'place')} of the piece ${a.places === 1 ? 'is' : 'are'} thinner than 1.2 mm: slow to fill and easily broken. Thicken them in the master, or take a tough, thin resin.`,
  'no-gate': () =>
    'There is no gate yet, so nothing can be poured. Drag one onto the highest part, or where its scar hides.',
  'opening-through-piece': (a, u) =>
    `The ${a.what} lies with ${show(a.through, 'length', u)} of the piece above it, so its channel would run through the cast. The piece was turned: move it to where the top is now, or take it out.`,
  'opening-over-edge': (a, u) =>
    `The ${a.what} is ${show(a.bore, 'length', u)} wide and stands over an edge: only ${showArea(a.touches, u)} of it touches the piece. Make it narrower than the wall, or move it.`,
  'vent-below-gate': (a, u) =>
    `${plural(a.vents, 'vent')} ${a.vents === 1 ? 'lies' : 'lie'} up to ${show(a.below, 'length', u)} below the gate: carry the channel up as high as the gate's mouth, or plug it when resin shows, or resin runs out there.`,
  'gate-narrow': (a, u) =>
    `A gate of ${show(a.bore, 'length', u)} lets thick resin through drop by drop. Make it 3 mm or more.`,
  'inclusion-over-gate': (a, u) =>
    `${a.inclusion}: each asks for ${show(a.needs, 'length', u)}, and the gate is ${show(a.bore, 'length', u)} wide. Widen it, or lay them in before the mould is closed.`,
  'silicone-not-chosen': () => 'Choose the silicone: then it is weighed and timed.',
  'silicone-gone': () =>
    'The silicone of this mould is no longer among your materials. Choose another, or restore it in Settings.',
  'silicone-short': (a, u) =>
    `${show(a.missing, 'mass', u, { step: 1e-3 })} short: what there is would stand at ${show(a.level, 'length', u)}${a.sticksOut > 0 ? `, with ${show(a.sticksOut, 'length', u)} of the master sticking out` : ''}. Check first whether the master has moved. ${enough(a, u)}`,
  'batch-outlives-pot': (a) =>
    `Mixing, vacuum and pouring of one batch${ofHalf(a.half)} take about ${showDuration(a.time)}, and the pot life is ${showDuration(a.potLife)}. Make the batches smaller, leave the vacuum out, or take a slower silicone.`,
  'batches-part': (a, u) =>
    `${a.batches} batches${ofHalf(a.half)}: each has to meet the one before while it still runs (${showDuration(a.potLife)}), and comes ${showDuration(a.gap)} after it. ${a.cup === null ? '' : `A cup of ${show(a.cup, 'volume', u, { step: 1e-6 })} takes fewer. `}Two pairs of hands, a slower silicone, or let one cure clean and pour the next on it, where no line on the cavity matters.`,
  'master-unweighed': (a, u) =>
    `Weigh the master: lighter than ${show(a.mass, 'mass', u, { step: 1e-4 })} it rises through this silicone and has to be fixed.`,
  'dents-under-pressure': () =>
    'Neither vacuum nor pressure: bubbles stay in the silicone, and a cast cured under pressure would show them as pimples. Cure it under pressure if the casts will be.',
  'master-floats': (a, u) =>
    `The master rises with ${a.force.toFixed(1)} N. Glue or screw it down, or lay ${show(a.weight, 'mass', u, { step: 1e-2 })} on top.`,
  'master-held-down': (a) =>
    `Silicone that creeps under the flat back would lift it with ${a.force.toFixed(1)} N: glue or wax it to the floor all round.`,
  'risen-master': (a, u) =>
    `A master that has risen looks like a shortage: risen by ${show(a.rise, 'length', u)} it leaves no cover. Look whether it has moved before you mix more.`,
  'wall-bulges': (a, u) =>
    `The walls give ${show(a.bulge, 'length', u)} under ${(a.pressure / 1000).toFixed(2)} kPa at the foot. Brace each wall in ${plural(a.braces, 'place')}, or tie bands around the box.`,
  'box-thin': (a, u) =>
    `Only ${show(a.clearance, 'length', u)} of silicone stands beside the piece: below ${show(a.wanted, 'length', u)} the mould sags and tears. Widen the box.`,
  'box-large': (a, u) =>
    `A box that follows the outline would save ${show(a.saved, 'volume', u)} of silicone; chunks of old moulds in the corners save it too.`,
  'shell-thin': (a, u) =>
    `A shell wall of ${show(a.wall, 'length', u)} is thinner than printers lay reliably (${show(a.least, 'length', u)}). Make it thicker.`,
  'coats-few': (a) =>
    `${plural(a.coats, 'coat')} last about ${plural(a.pulls, 'pull')}, and ${a.copies} are wanted. One coat more gives about six pulls more.`,
  'sheet-slip': (a, u) =>
    `${slipWords[a.field]} of ${show(a.value, a.kind, u)} is unusual for ${kindWords[a.of as keyof typeof kindWords]}: ${show(a.low, a.kind, u)} to ${show(a.high, a.kind, u)} is common. Check the number and its unit against the sheet.`,
  'same-name': (a) =>
    `Another material is called ${a.name} too. Delete one, or add the lot to its name, so that plans don't mix them up.`,
  'pot-mass-assumed': (a, u) =>
    `The sheet names no mass for its pot life, so ${show(a.mass, 'mass', u)} in a cup is assumed. If it was measured on more, the resin is slower than estimated.`,
  'recoat-before-gel': (a) =>
    `The recoat time (${showDuration(a.recoat)}) ends before the gel (${showDuration(a.gel)}), when nothing could be poured on it yet. One of them is off: check the sheet.`,
  'peak-impossible': (a, u) =>
    `A peak of ${show(a.stated, 'temperature', u)} does not go with this pot life and kind of resin: ${show(a.mass, 'mass', u)} in a cup comes to ${show(a.reached, 'temperature', u)} at most or at least. Check the peak, the mass, and the kind.`,
  'demould-early': (a) =>
    `The sheet's demould time of ${showDuration(a.demould)} comes early for its pot life: a thin film is ${Math.round(a.reached * 100)} % cured by then, and ${Math.round(a.wanted * 100)} % is usual. The clock waits for the usual; shape bends easily before.`,
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
