import { displayStep } from '@mivro/core/matter/mix'
import { readableBand, type TaskOf, type Weighed } from '@mivro/core/work/bench'
import { figure, metric, scaleUnits, type UnitChoice } from '@mivro/core/base/units'

/** A mass as the scale shows it. */
export const grams = (mass: number, task: TaskOf<'weigh'>, units: UnitChoice = metric): string =>
  `${gramsOnly(mass, task, units)} ${scaleUnits(task.step, units).mass}`

/** The same without its unit. */
export const gramsOnly = (
  mass: number,
  { step }: TaskOf<'weigh'>,
  units: UnitChoice = metric,
): string =>
  figure(mass, 'mass', scaleUnits(step, units), { step: displayStep(Math.abs(mass) || step, step) })

/** What stands under the large figure of a weighing. */
export function sayWeighed(
  { target, inCup, state }: Weighed,
  task: TaskOf<'weigh'>,
  units: UnitChoice = metric,
): string {
  const { low, high } = readableBand(target, task.step)
  const from = low < high ? `Anything from ${gramsOnly(low, task, units)} to ` : ''
  const band = `${from}${grams(high, task, units)} is good.`
  if (state === 'past') {
    return `${grams(inCup, task, units)} of ${grams(target.mass, task, units)}: past the mark. Nothing is taken out.`
  }
  return `${gramsOnly(inCup, task, units)} of ${grams(target.mass, task, units)}. ${band}`
}

/** A scale whose step puts the ratio out by itself, and the way out. */
export const sayCoarse = (task: TaskOf<'weigh'>, units: UnitChoice = metric): string =>
  `Half a step of this scale is ${Math.round((50 * task.step) / task.mass)} % of ${grams(task.mass, task, units)}, more than the ratio bears. Take a finer scale, or plan a bigger batch.`

/** A part that was too little makes fewer moulds: how many, and how all of them are still made. */
export function sayShort(
  { moulds, mass, more }: NonNullable<Weighed['short']>,
  task: TaskOf<'weigh'>,
  units: UnitChoice = metric,
): string {
  const then = more.map(({ name, mass: of }) => `${grams(of, task, units)} more ${name}`)
  return `That makes ${moulds} of ${task.moulds} ${task.moulds === 1 ? 'mould' : 'moulds'}. For all of them pour on to ${grams(mass, task, units)}; ${then.join(' and ')} then goes in.`
}

/** What past the mark costs. */
export function sayPast(
  { past, fills }: Weighed,
  task: TaskOf<'weigh'>,
  units: UnitChoice = metric,
): string {
  if (!past) return ''
  const more = past.more.map(({ name, mass }) => `${grams(mass, task, units)} more ${name}`)
  const fits = past.fits
    ? 'The cup holds it.'
    : 'This cup no longer stirs it: pour all into a larger one first.'
  return `It takes ${more.join(' and ')}. ${fits} ${Math.floor(fills)} moulds are filled all the same.`
}
