import type { Problem, ProblemAmounts, ProblemCode } from '@mivro/core/base/problem'
import {
  imperial,
  metric,
  show,
  showDuration,
  showTimeOfDay,
  unitsOf,
  type Kind,
  type UnitChoice,
} from '@mivro/core/base/units'
import { drawingFaultWords, fileFaultWords, otherFileWords } from './fileFaults.ts'

type Sentence<C extends ProblemCode> = (amounts: ProblemAmounts[C], choice: UnitChoice) => string

const kindWords: Record<string, string> = {
  length: 'a length',
  mass: 'a weight',
  volume: 'a volume',
  temperature: 'a temperature',
  pressure: 'a pressure',
  duration: 'a time',
  density: 'a density',
  viscosity: 'a viscosity',
  fraction: 'a share',
  number: 'a number',
}

const examples: Record<string, string> = {
  length: '8 mm, 1/8 in or 1 1/2"',
  mass: '4 g or 0.5 oz',
  volume: '30 ml or 1 fl oz',
  temperature: '21 °C or 70 °F',
  pressure: '40 psi or 2.8 bar',
  duration: '45 min or 2h30',
  density: '1.1 g/ml',
  viscosity: '600 mPa·s',
  fraction: '0.2 %',
  number: '12',
}

/** Who reads inches and ounces is shown them first. */
const imperialExamples: Record<string, string> = {
  length: '1/8 in, 1 1/2" or 8 mm',
  mass: '0.5 oz or 4 g',
  volume: '1 fl oz or 30 ml',
  temperature: '70 °F or 21 °C',
}

const word = (kind: string) => kindWords[kind] ?? 'a number'
const example = (kind: string, choice: UnitChoice) => {
  const own =
    kind in choice && choice[kind as keyof UnitChoice] === imperial[kind as keyof UnitChoice]
  return (own ? imperialExamples[kind] : undefined) ?? examples[kind] ?? 'a number'
}
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const megabytes = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${Math.round(bytes / 1e6)} MB`
const damageWords: Record<ProblemAmounts['store-damaged']['reason'], string> = {
  empty: 'its file is empty',
  'no database': 'its file is no store of Mivro',
  pages: 'parts of its file can’t be read any more',
  disk: 'its disk does not give it back',
}
const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
const count = (n: number) => n.toLocaleString('en').replace(/,/g, ' ')

/** A bound in the unit it is about; a count or a bare number stays as it is. */
function amount(value: number, kind: string, choice: UnitChoice): string {
  return kind === 'number' ? String(value) : show(value, kind as Kind, choice)
}

/** The one table: every problem names the thing, the amount and the way out. */
const sentences: { [C in ProblemCode]: Sentence<C> } = {
  'nothing-typed': (a, u) => `Write ${word(a.kind)}, such as ${example(a.kind, u)}.`,
  'not-a-number': (a, u) =>
    `"${a.text}" does not read as ${word(a.kind)}. Write it like ${example(a.kind, u)}.`,
  'ambiguous-comma': (a) =>
    `"${a.text}" can be a thousand or a decimal. Write ${a.text.replace(/(\d),(\d{3})/, '$1$2')} or ${a.text.replace(/(\d),(\d{3})/, '$1.$2')}.`,
  'unknown-unit': (a) =>
    `"${a.unit}" is not a unit of ${word(a.kind).replace(/^an? /, '')} known here. Use ${unitsOf(a.kind as Kind).join(', ')}.`,
  'other-kind': (a, u) =>
    `"${a.unit}" is ${word(a.isA)}, and ${word(a.kind)} is wanted here, such as ${example(a.kind, u)}.`,
  'bare-ounce': (a) =>
    `An ounce alone is a weight, and a volume is wanted here. Write "${a.number} fl oz" for volume, or give it in ml.`,
  'colon-duration': (a) => `"${a.text}" reads as a time of day. Write a duration as 2h30 or 150 s.`,
  'not-a-time': (a) => `"${a.text}" is no time of day. Write it as 9:30, 21:30 or 9:30 pm.`,
  'zero-denominator': (a) => `"${a.text}" divides by zero. Write a fraction such as 1/8.`,
  'angle-out-of-range': (a) =>
    `${a.value}° is more than a thing can be tilted: from −${a.most}° to ${a.most}°.`,
  'instrument-unit': (a) =>
    `The ${a.instrument} speaks in "${a.unit}", which is no unit of ${a.quantity}. Set it to one, or go on by hand.`,
  'pot-under-pressure': (a, u) =>
    `The pot still stands at ${show(a.gauge, 'pressure', u)}: its lid stays shut. Open the valve, let it off slowly, and wait until the gauge shows nothing.`,
  'scale-empty': () => 'There is no cup on the scale. Put one on it first.',
  'picture-not-one': (a) =>
    `${a.name} is no picture that can be kept. Take a PNG, a JPEG or a WebP.`,
  'picture-other': (a) =>
    `It is called ${a.claims} and is ${a.is}. Save it anew as what it is, or choose the original.`,
  'pin-outside': (a, u) =>
    `That is ${show(a.miss, 'length', u)} beside the piece. Pin the fault on the piece itself.`,
  'pin-beside': () => 'That is beside the piece. Pin the fault on the piece itself.',
  'passphrase-needed': () => 'This bench asks for its passphrase.',
  'passphrase-wrong': (a) =>
    `That is not the passphrase. Try again in ${showDuration(a.wait, 'second')}.`,
  'pressure-over-mark': (a, u) =>
    `${show(a.gauge, 'pressure', u, { step: 1e3 })} is over what the pot is marked for, ${show(a.marked, 'pressure', u, { step: 1e3 })}. A vessel is never taken over its mark.`,
  'window-too-short': (a, u) =>
    `From ${showTimeOfDay(a.from, u)} to ${showTimeOfDay(a.until, u)} is too short: a stay at the bench takes a quarter of an hour at least.`,
  'pressure-ends-first': (a) =>
    `The pressure would end ${showDuration(a.until)} after mixing, before it begins at ${showDuration(a.from)}.`,
  'vacuum-over-air': (a, u) =>
    `${show(a.gauge, 'pressure', u, { step: 1000 })} is more than there is air: ${Math.round(a.altitude)} m above the sea it presses with ${show(a.air, 'pressure', u, { step: 1000 })}.`,
  'vacuum-over-pump': (a, u) =>
    `With that leak the pump reaches ${show(a.reaches, 'pressure', u, { step: 1000 })} at most, not ${show(a.gauge, 'pressure', u, { step: 1000 })}. Grease the seal, or a pump that takes more.`,
  'not-a-recipe': (a) =>
    `"${a.text}" does not read as a tint with its share. Write it like "Violet dye 0.15 %", with a semicolon between two.`,
  'not-a-ratio': (a) => `"${a.text}" does not read as a mix ratio. Write it like 2:1 or 100:82.`,
  'ratio-zero': (a) =>
    `A ratio of "${a.text}" leaves one part out, and nothing would cure. Write both parts, such as 2:1.`,
  'out-of-range': (a, u) =>
    `${capital(amount(a.value, a.kind, u))} is outside what makes sense here: ${amount(a.min, a.kind, u)} to ${amount(a.max, a.kind, u)}. Check the number and its unit.`,
  'not-whole': (a) => `${a.value} has to be a whole number from ${a.min} to ${a.max}.`,
  'missing-text': (a) => `Give it a ${a.field}.`,
  malformed: (a) => `This part can't be read: ${a.message}.`,
  'nothing-poured': () =>
    'No layer holds resin yet, so nothing gets warm. Give a layer its resin and a height first.',
  'unknown-kind': (a) =>
    `"${a.text}" is no kind of material. Write resin, silicone, tint, inclusion or recipe.`,
  'table-too-long': (a) =>
    `The table has ${count(a.rows)} rows; up to ${count(a.limit)} materials are read at once. Split it, or leave out what is no material.`,
  'day-too-short': (a, u) =>
    `The bench would open at ${showTimeOfDay(a.from, u)} and close at ${showTimeOfDay(a.until, u)}. Let it close at least an hour after it opens.`,

  'file-too-large': (a) =>
    `The file has ${megabytes(a.bytes)} and ${megabytes(a.limit)} is the most taken here. Save it smaller (a shape with fewer triangles, a picture with fewer pixels), and choose it again.`,
  'file-empty': () => 'The file is empty. Export it again and choose it once more.',
  'stl-truncated': (a) =>
    `The file announces ${count(a.claimed)} triangles and ends after ${count(a.held)}: it was cut off. Copy or export it again.`,
  'stl-count': (a) =>
    `The file announces ${count(a.claimed)} triangles and holds ${count(a.held)}, so its count is wrong. Export it again.`,
  'stl-not-stl': (a) =>
    `This is not an STL file (${count(a.bytes)} bytes, no triangles found). Export the shape as STL, binary or text.`,
  'stl-text-broken': (a) =>
    `Line ${a.line} of the text STL can't be read: "${a.text}". Export it again, best as binary STL.`,
  'mesh-no-triangles': (a) =>
    a.dropped
      ? `None of the ${count(a.dropped)} triangles holds usable numbers (not a number, or infinite). Export it again.`
      : 'The file holds no triangles. Export the shape again.',
  'mesh-no-volume': (a) =>
    `The surface of ${count(a.triangles)} triangles encloses no volume: it is flat or folded onto itself. Give it thickness and export it again.`,
  'mesh-too-small': (a, u) =>
    `In this unit the piece would be ${show(a.largest, 'length', u)} at its longest, too small to cast. Choose a larger unit.`,
  'mesh-too-large': (a, u) =>
    `In this unit the piece would be ${show(a.largest, 'length', u)} at its longest, too large for the bench. Choose a smaller unit.`,
  'volume-over-sides': (a, u) =>
    `${show(a.volume, 'volume', u)} do not fit into sides that hold ${show(a.box, 'volume', u)}. Measure again: the sides from edge to edge, the volume without air bubbles.`,
  'file-gone': () =>
    'The file was moved or changed since it was chosen, so it can no longer be read. Choose it again.',
  'file-not-shape': (a) =>
    `This is ${otherFileWords[a.is]}, whatever its name says, and not a shape. Export the shape as STL, OBJ, PLY or 3MF; a drawing as SVG goes under Outline.`,
  'mesh-too-fine': (a) =>
    `The file builds ${count(a.triangles)} triangles; up to ${count(a.limit)} are read. Simplify the model, or export fewer copies of its parts.`,
  'drawing-too-large': (a) =>
    `The drawing holds ${count(a.elements)} shapes; up to ${count(a.limit)} are read. Join or delete some in the program it came from.`,
  'drawing-broken': (a) =>
    `The drawing can't be read: ${drawingFaultWords[a.fault](a.found ?? '')}. Save it again as plain SVG, best with its shapes as paths.`,
  'file-broken': (a) =>
    `This ${a.format} file can't be read: ${fileFaultWords[a.fault](a.found ?? '')}. Export it again from the program it came from.`,
  'zip-too-large': (a) =>
    `The archive would unpack to ${megabytes(a.bytes)}; up to ${megabytes(a.limit)} are read. Simplify the model, or export it as STL.`,
  'outline-crosses': (a, u) =>
    `The outline crosses itself at ${show(a.x, 'length', u)}, ${show(a.y, 'length', u)}. Join the shapes into one in the program it came from.`,
  'outline-open': (a, u) =>
    `A line of the outline is open: its ends lie ${show(a.gap, 'length', u)} apart. Close it in the program it came from.`,
  'outline-empty': () =>
    'The drawing holds no closed shape. Draw the outline as a path, a circle or a rectangle.',
  'outline-too-fine': (a) =>
    `The outline has ${count(a.points)} points; up to ${count(a.limit)} are read. Simplify its curves.`,
  'wall-too-thick': (a, u) =>
    `A wall of ${show(a.wall, 'length', u)} leaves no room inside: at most ${show(a.limit, 'length', u)}. Make it thinner.`,
  'profile-falls': (a, u) =>
    `This point at ${show(a.height, 'length', u)} lies below the one before at ${show(a.below, 'length', u)}. Give the heights from the bottom up.`,
  'profile-closes': (a, u) =>
    `A radius of 0 at ${show(a.height, 'length', u)} cuts the piece in two. Only the ends may come to a point.`,
  'profile-flat': () => 'The profile has no height or no width. Give two heights and a radius.',
  'mesh-too-open': (a, u) =>
    `${show(a.share, 'fraction', u)} of the surface is missing, so inside and outside can't be told apart. Close the holes in the program it came from, or have them closed here.`,
  'box-too-small': (a, u) =>
    `The box is ${show(a.box, 'length', u)} in ${a.side} and the piece needs ${show(a.piece, 'length', u)}. Take a larger box, or turn the piece in it.`,
  'cup-without-size': () =>
    'A cup needs its sizes: measure its rim, its foot and its height inside.',
  'shell-too-thin': (a, u) =>
    `A wall of ${show(a.wall, 'length', u)} can't be printed: at least ${show(a.least, 'length', u)}. Make it thicker.`,
  'solid-failed': (a) =>
    `It can't be built from this surface (${a.reason}). Close its holes first, or simplify it.`,
  'opening-misses': (a, u) =>
    `This opening ends ${show(a.miss, 'length', u)} away from the piece, so nothing could flow through it. Drag it onto the surface.`,
  'not-a-direction': () => 'Which way is up? All three numbers are zero. Give one that is not.',
  'bevel-too-large': (a, u) =>
    `A bevel of ${show(a.bevel, 'length', u)} does not fit: at most ${show(a.limit, 'length', u)} for this slab. Make it smaller.`,
  'dome-too-tall': (a, u) =>
    `A dome of this width is at most ${show(a.limit, 'length', u)} tall (a half ball), not ${show(a.height, 'length', u)}. Lower it, or widen it.`,
  'not-found': (a) =>
    `This ${a.kind} is not here. It may have been deleted: look under Settings, Deleted.`,
  'id-taken': (a) =>
    `Something else is kept under this name of the store (${a.id}). Nothing was changed; try again, and it gets a name of its own.`,
  'revision-stale': (a) =>
    `This ${a.kind} was changed elsewhere meanwhile (version ${a.current}, yours began from ${a.basedOn}). Nothing was overwritten: compare both and choose.`,
  'database-newer': (a) =>
    `This database was written by a newer Mivro (it knows "${a.unknown}"). Update Mivro, or restore a backup made with this version. Nothing was changed.`,
  'backup-unreadable': (a) =>
    `This file is not a whole Mivro backup: ${a.reason}. Nothing was changed.`,
  'backup-newer': (a) =>
    `This backup has format ${a.version} and this Mivro reads up to ${a.reads}. Update Mivro first. Nothing was changed.`,
  'body-too-large': (a) => `That is more than the ${megabytes(a.limit)} taken in one go here.`,
  'picture-missing': () =>
    'That picture is not in this studio any more. Add it again from its file.',
  'mesh-missing': () => 'The shape of this piece is not in the store. Upload its file again.',
  'parent-deleted': (a) => `What this ${a.kind} belongs to was deleted. Take that back first.`,
  'demo-not-empty': (a) =>
    `There ${a.pieces === 1 ? 'is 1 piece' : `are ${a.pieces} pieces`} here already, so the demo studio was not added. Start it with "npm run demo": it has a store of its own.`,
  'backup-of-large-store': (a) =>
    `This backup unpacks to ${megabytes(a.bytes)}; up to ${megabytes(a.limit)} are taken back. Nothing was changed.`,
  'backup-damaged': (a) => {
    const what = [
      a.shapes > 0 && plural(a.shapes, 'shape'),
      a.pictures > 0 && plural(a.pictures, 'picture'),
      a.documents > 0 && plural(a.documents, 'document'),
      a.versions > 0 && plural(a.versions, 'earlier version'),
    ].filter((part) => part !== false)
    const whose = a.names === '' ? '' : ` (of ${a.names})`
    return `The disk no longer gives back ${what.join(', ')}${whose}. All else can be read: save a backup without it, and look after this disk.`
  },
  'backup-busy': () =>
    'One backup is being worked on and another waits. Try again when they are done.',
  'backup-gone': () =>
    'Mivro was started anew meanwhile, or this lies too long back, so it was given up. Nothing was changed; try again.',
  'backup-stalled': (a) =>
    `Nothing moved for ${showDuration(a.after, 'second')}, so it was given up: the disk may be slow or failing. Nothing was changed; try again.`,
  'disk-too-small': (a) =>
    `It takes up to ${megabytes(a.bytes)} on the disk, and ${megabytes(a.free)} are free there. Free some space and try again. Nothing was changed.`,
  'store-replaced': () =>
    'A backup was restored since this page was opened, so what it shows is no longer what is kept. Reload the page; nothing was overwritten.',
  'store-in-use': (a) =>
    `Another Mivro (process ${a.process}) has this store open: ${a.file}. Close it first, or choose another store with --database.`,
  'store-locked': () =>
    'Another program is using the store, so this could not be kept yet. It is tried again.',
  'store-full': () =>
    'The disk is full, so nothing can be kept. Free some space; what you changed here is sent again by itself.',
  'store-read-only': (a) =>
    `The store can be read but not written: ${a.file}. Allow writing to the file and its folder; what you changed here is sent again by itself.`,
  'store-gone': (a) =>
    `The store was deleted, moved or replaced while Mivro was open: ${a.file}. Put it back and start Mivro again; what you changed here is sent again by itself.`,
  'store-damaged': (a) =>
    `The store is damaged: ${damageWords[a.reason]} (${a.file}). Put the file aside and start Mivro again, then restore your newest backup under Settings.`,
  'wrong-request': (a) => `The server can't use this request: ${a.reason}.`,
  'browser-storage': (a) =>
    `This browser can't put changes aside (${a.reason}), so what is not saved yet would be lost if you closed this page. Leave it open until it says Saved, and free some space in the browser.`,
  'work-failed': (a) =>
    `The calculation stopped (${a.job}: ${a.reason}). Nothing you entered is lost; change something or reload to try again.`,
  'work-too-long': (a, u) =>
    `The calculation was stopped after ${show(a.limit, 'duration', u)} (${a.job}). Simplify the shape and try again.`,
  'view-not-fetched': () =>
    'This view could not be fetched: the server is away, or Mivro was renewed since this page was opened. What was saved is safe; reload the page.',
  'page-fault': (a) =>
    `Something went wrong on this page (${a.message}). What was saved is safe; reload the page if it does not go on.`,
  'server-away': () =>
    'The server does not answer. What you changed is kept here and sent as soon as it is back.',
  'server-fault': (a) =>
    `Something went wrong in the server (${a.reference}). What was saved is safe; try again.`,
}

/** A problem as a sentence in the person's units. */
export function sayProblem<C extends ProblemCode>(
  problem: Problem<C>,
  choice: UnitChoice = metric,
): string {
  return sentences[problem.code](problem.amounts, choice)
}

export const problemCodes = Object.keys(sentences) as ProblemCode[]

const list = new Intl.ListFormat('en-GB')

/**
 * Of fields whose last good values nobody meant: nothing is made of them.
 *
 * @example sayInRed(['Width']) // 'Width stands in red: mend it, or press Esc there to take the last good size back. Nothing was made.'
 */
export function sayInRed(labels: readonly string[]): string {
  const [stand, it] = labels.length === 1 ? ['stands', 'it'] : ['stand', 'them']
  return `${list.format(labels)} ${stand} in red: mend ${it}, or press Esc there to take the last good size back. Nothing was made.`
}
