import { show, type UnitChoice } from '@mivro/core/base/units'
import type { NarrowPlace, WallMap } from '@mivro/core/form/wall'
import type { CompiledLayer } from '@mivro/core/work/plan'
import type { Lie } from '@mivro/core/matter/turning'
import type { TurnedLayer } from '@mivro/core/work/run'
import type { CastWall } from '@mivro/core/work/pull'

/** How each shot of a hollow cast is turned, from its mixing on. */
export function sayTurning(
  { shell, turning, clock }: CompiledLayer,
  time: (seconds: number) => string,
  units: UnitChoice,
): string {
  const { shots, turns, turned } = shell!.fill
  const way =
    turned === 'machine'
      ? `Turn it at once, ${turns} times a minute`
      : `Turn it at once, ${turns} times a minute in all directions, and think which walls have had nothing yet`
  const until = turning
    ? `It wets the walls first; from ${time(turning.countsFrom)} after mixing what it lays stays, so nobody rests until ${time(turning.stopsAt)}.`
    : `Turn until nothing moves.`
  const stop =
    'Stop when the drip at the plug and the witness cup say so; stopped early it sags. Let it rest upright.'
  const next =
    shots > 1
      ? ` The next shot is mixed when this one has gelled, ${time(clock!.gelAt - clock!.lastPourAt)} after it was poured: ${shots} shots make ${show(shell!.to - shell!.from, 'length', units)}.`
      : ''
  return `${way}. ${until} ${stop}${next}`
}

/** Before the first shot is poured. */
export const brushing = 'work it into knobs, letters and ends with a stiff little brush'

/** Which side a mould is laid on next, as it is called out. */
export const lieWords: Record<Lie, string> = {
  face: 'On its face',
  left: 'On its left side',
  head: 'On its head',
  back: 'On its back',
  right: 'On its right side',
  foot: 'On its foot',
}

/** What turning does now; `left` until it counts. */
export const sayFilm = (
  { turns, by }: { turns: number; by: 'hands' | 'machine' },
  counts: boolean,
  left: string,
): string => {
  const rate = `${turns} turns a minute`
  if (!counts) return `${rate}. It wets the walls; in ${left} what it lays stays.`
  return by === 'machine'
    ? `${rate}. What it lays stays now: let nothing stop it.`
    : `${rate}. What it lays stays now: nobody rests.`
}

/** The same in a run: who turns, and until when, `moment` as it says one. */
export function sayTurned(
  { shot, of, by, turns, countsFrom, stopsAt }: TurnedLayer,
  moment: (seconds: number) => string,
): string {
  const which = of > 1 ? ` Shot ${shot} of ${of}.` : ''
  const how =
    by === 'machine'
      ? `Turn it by machine, ${turns} times a minute; hands are free meanwhile.`
      : `Turn it at once, ${turns} times a minute in all directions; hands do nothing else.`
  return `${how} What it lays stays from ${moment(countsFrom)}; until ${moment(stopsAt)} nobody stops. Look at the drip at the plug, then rest it upright.${which}`
}

/** Where the times of turning come from. */
export function explainTurning(
  { shell, turning }: Pick<CompiledLayer, 'shell' | 'turning'>,
  units: UnitChoice,
): string[] {
  if (!shell || !turning) return []
  const { shots, turns } = shell.fill
  const film = show((shell.to - shell.from) / shots, 'length', units)
  return [
    `A film of ${film} stays up at ${turns} turns a minute once it is as thick as ${turning.viscosity.toFixed(turning.viscosity < 10 ? 1 : 0)} Pa·s: before that it is a pool that wets the wall (a film in a cylinder that turns, Moffatt 1977, from memory). The axis is taken to lie ${show(turning.radius, 'length', units)} from the wall, half of the widest section.`,
    'It may stop when what would still run down by its own weight until the gel is less than the film itself.',
    'How it thickens is the model of its cure, in a film on silicone: an estimate, to about 15 % of the time. Surface tension and the way that hands turn are left out.',
  ]
}

/** Narrow places of a hollow cast together. @example sayNarrow([], metric) // 'nothing' */
export function sayNarrow(places: readonly NarrowPlace[], units: UnitChoice): string {
  if (places.length === 0) return 'nothing'
  const all = places.reduce((sum, { volume }) => sum + volume, 0)
  const blind = places.filter((place) => place.blind).length
  const which = blind > 0 ? `, ${blind} blind` : ''
  return `${places.length} ${places.length === 1 ? 'place' : 'places'}${which}, ${show(all, 'volume', units)}`
}

/** How even a wall comes out, in a sentence. */
export function sayMap(
  { thinnest, under, thin }: WallMap,
  wall: number,
  units: UnitChoice,
): string {
  const length = (metres: number) => show(metres, 'length', units)
  const part = show(under, 'fraction', units, { step: 0.01 })
  if (under >= worthTelling) {
    return `${part} of it comes out thinner than ${length(thin)} and breaks easily: turn it faster or longer, cast one more shot, or dab that side first.`
  }
  return thinnest.thickness >= even * wall
    ? `It comes out even: nowhere thinner than ${length(thinnest.thickness)}.`
    : `It comes out over ${length(thin)} nearly everywhere. Its thinnest place has ${length(thinnest.thickness)}: look there first when one is cut open.`
}

/** A wall with no thinner place than this share of it is even. */
const even = 0.85
/** Of the surface, less is a speck. */
const worthTelling = 0.01

/** How a map of a wall comes about, and what it leaves out. */
export function explainMap(
  { shell, turning }: Pick<CompiledLayer, 'shell' | 'turning'>,
  units: UnitChoice,
): string[] {
  if (!shell || !turning) return []
  const sides = Math.round(turning.visits.reduce((sum, visits) => sum + visits, 0))
  return [
    `The mould is held in 200 directions, spread evenly, and what lies below the level of the pool is wet. A place keeps the film of the last time that it left the pool; until the film of ${show((shell.to - shell.from) / shell.fill.shots, 'length', units)} is carried it comes to lie on another side ${sides} times.`,
    'Where two walls meet they fill what is between them. The mean is the wall that was wished.',
    'Left out: surface tension, the path of real hands, how a film levels itself once it is laid, and necks that cut a pool off. It shows where to look, not to a tenth of a millimetre.',
  ]
}

/** What a weighed cast says of its wall. */
export function sayCastWall({ by, mass, wall, wished }: CastWall, units: UnitChoice): string {
  const length = (metres: number) => show(metres, 'length', units)
  const found =
    by === 'cut'
      ? `The last cast that was cut open had a wall of ${length(wall)}`
      : `The last cast weighed ${show(mass, 'mass', units)}: a wall of ${length(wall)}`
  return Math.abs(wall - wished) < sameWall
    ? `${found}, as it was wished.`
    : `${found} for the ${length(wished)} that were wished.`
}

/** Nobody measures a wall finer, m. */
const sameWall = 5e-5
