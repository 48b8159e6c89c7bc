import { show, type UnitChoice } from '@mivro/core/base/units'
import type { NarrowPlace } from '@mivro/core/form/wall'
import type { CompiledLayer } from '@mivro/core/work/plan'
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

/** What a weighed cast says of its wall. */
export function sayCastWall({ mass, wall, wished }: CastWall, units: UnitChoice): string {
  const length = (metres: number) => show(metres, 'length', units)
  const found = `The last cast weighed ${show(mass, 'mass', units)}: a wall of ${length(wall)}`
  return Math.abs(wall - wished) < sameWall
    ? `${found}, as it was wished.`
    : `${found} for the ${length(wished)} that were wished.`
}

/** Nobody measures a wall finer, m. */
const sameWall = 5e-5
