import type { Deairing } from '@mivro/core/matter/air'
import type { Hands } from '@mivro/core/work/run'
import type { OtherTool } from '@mivro/core/studio'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'

/** What hands do, as a field of the settings names it. */
export const handWords: Record<keyof Hands, string> = {
  drawUp: 'Draw up a syringe',
  prefill: 'Prefill one place',
  fill: 'Fill one cavity',
  rock: 'Rock and tap',
  band: 'Boards and bands',
  intoPot: 'One mould into the pot',
  turnover: 'Open, clean and close one mould',
}

export const otherToolWords: Record<OtherTool['kind'], string> = {
  oven: 'Oven',
  'turning machine': 'Turning machine',
  printer: 'Printer',
  scale: 'Scale',
}

/**
 * What of the moulds fits.
 *
 * @example sayFits(['A', 'B'], 3) // 'A, B'
 */
export const sayFits = (names: readonly string[], all: number): string =>
  names.length === 0
    ? 'no mould fits'
    : names.length === all
      ? 'every mould fits'
      : names.join(', ')

/**
 * What freeing a mix of air comes to.
 *
 * @example sayDeairing({ batches: 1, pauses: 0, each: 90, takes: 90, highest: 0.7, moments: [] }) // 'In one batch, 1 min 30 s. The froth rises to 70 % of the cup.'
 */
export function sayDeairing({ batches, pauses, each, takes, highest }: Deairing): string {
  const time =
    batches === 1
      ? `In one batch, ${showDuration(takes)}.`
      : `In ${batches} batches of ${showDuration(each)}, ${showDuration(takes)} in all.`
  const froth =
    pauses === 0
      ? `The froth rises to ${Math.round(100 * highest)} % of the cup.`
      : `The froth comes to the brim: pause the pump ${pauses === 1 ? 'once' : `${pauses} times`} and let it fall.`
  return `${time} ${froth}`
}

/**
 * How many of a mould find room.
 *
 * @example sayTakes(0, 0.2, 0.25) // 'too high: 250.0 mm, there are 200.0 mm'
 */
export function sayTakes(
  count: number,
  room: number,
  height: number,
  units: UnitChoice = metric,
): string {
  if (count > 0) return `${count} at once`
  return height > room
    ? `too high: ${show(height, 'length', units)}, there are ${show(room, 'length', units)}`
    : 'too wide'
}
