import type {
  Offer,
  RunPour,
  RunStep,
  RunStepName,
  Run,
  TaskName,
  TimedLoad,
} from '@mivro/core/work/run'
import { comesOutHollow, cupsOf, dab, faceOf, handsAt, inRoom, wetsFor } from '@mivro/core/work/run'
import { metric, show, showDuration, showTimeOfDay, type UnitChoice } from '@mivro/core/base/units'
import { sayCondition } from './conditioning.ts'
import { saySettingIn } from './inclusion.ts'
import { sayFace } from './skin.ts'
import { sayBetween } from './sheet.ts'
import { brushing, sayTurned } from './turning.ts'

const day = 24 * 3600
const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`

/** What hands do, as a lane of the clock names it. */
export const taskWords: Record<TaskName, string> = {
  stir: 'Stir',
  vacuum: 'Vacuum',
  face: 'Stir in metal',
  prefill: 'Prefill',
  wet: 'Wet the walls',
  fill: 'Fill',
  rock: 'Rock and tap',
  plug: 'Plug the port',
  turn: 'Turn',
  band: 'Close and band',
  pot: 'Into the pot',
  lid: 'Lid and clamps',
  pressure: 'To pressure',
}

export const runStepWords: Record<RunStepName, string> = {
  'lay out': 'Lay out',
  condition: 'Before the pull',
  close: 'Close and band',
  weigh: 'Weigh',
  mix: 'Mix',
  vacuum: 'Vacuum',
  face: 'Stir in metal',
  prefill: 'Prefill',
  fill: 'Pour',
  turn: 'Turn',
  set: 'Set in',
  'into pot': 'Into the pot',
  pressure: 'Pressure',
  clean: 'Clean',
  demould: 'Demould',
}

/**
 * What is done to tools before the resin on them is hard; `vessel` where resin was under vacuum.
 *
 * @example sayCleaning(false).startsWith('Wipe') // true
 */
export const sayCleaning = (vessel: boolean): string =>
  `Wipe ${vessel ? 'the vessel and its seal first, then ' : ''}scale, bench and tools with a dry cloth, then with alcohol, gloves on and away from flames: what is hard does not come off. Cups and sticks stand until they are hard and go into the bin; a cup that held one part alone is kept for that part. Nothing goes down a drain.`

/**
 * A run in one line.
 *
 * @example sayRun({ casts: 14, mixes: 4, loads: [], days: 1 }) // '14 casts · 4 mixes · 0 loads · 1 day'
 */
export const sayRun = ({
  casts,
  mixes,
  loads,
  days,
}: {
  casts: number
  mixes: number
  loads: readonly unknown[]
  days: number
}): string =>
  [
    plural(casts, 'cast'),
    plural(mixes, 'mix', 'mixes'),
    plural(loads.length, 'load'),
    plural(days, 'day'),
  ].join(' · ')

/** @example sayLoad({ index: 0, at: 34200, day: 0 }) // 'Load 1, 09:30' */
export const sayLoad = (
  { index, at, day: on }: Pick<TimedLoad, 'index' | 'at' | 'day'>,
  units: UnitChoice = metric,
): string =>
  `Load ${index + 1}, ${showTimeOfDay(at - on * day, units)}${on > 0 ? `, day ${on + 1}` : ''}`

/**
 * A layer as a cup of a run makes it.
 *
 * @example nameOfPoured({ name: 'Wall', turned: { shot: 1, of: 2 } }) // 'Wall, shot 1 of 2'
 */
export const nameOfPoured = ({
  name,
  turned,
}: {
  name: string
  turned?: { shot: number; of: number }
}): string => (turned && turned.of > 1 ? `${name}, shot ${turned.shot} of ${turned.of}` : name)

/**
 * Something that a calendar names.
 *
 * @example sayStay({ step: 'demould', load: { index: 1 } }) // 'load 2 comes out'
 */
export function sayStay({
  step,
  load,
  mix,
  set,
}: Pick<RunStep, 'step' | 'mix' | 'set'> & { load: Pick<TimedLoad, 'index'> }): string {
  const which = `load ${load.index + 1}`
  if (step === 'demould') return `${which} comes out`
  if (step === 'set') return `${which}, set in ${set!.name}`
  if (step === 'mix') return `${which}, ${nameOfPoured(mix!.moulds[0].pour.layers[mix!.layer])}`
  return which
}

/**
 * How much time a load has to spare, and where it is shortest.
 *
 * @example saySpare({ spare: 12, tight: undefined }) // '12 s to spare'
 */
export function saySpare({ spare, tight }: Pick<TimedLoad, 'spare' | 'tight'>): string {
  const time = showDuration(spare)
  if (!tight) return `${time} to spare`
  return tight.by === 'lid'
    ? `${time} to spare until the pot has to be at pressure`
    : `${time} to spare when the last mould is full`
}

/**
 * Where a mould is prefilled and vented, by heights above its lowest point.
 *
 * @example saySpots({ spots: [{ what: 'prefill', across: 0, height: 0.03 }] }) // ['Prefill (yellow) at 30.0 mm']
 */
export function saySpots({ spots }: Pick<RunPour, 'spots'>, units: UnitChoice = metric): string[] {
  const at = (what: string) =>
    spots
      .filter((spot) => spot.what === what)
      .map(({ height }) => show(height, 'length', units))
      .join(', ')
  return [
    at('prefill') && `Prefill (yellow) at ${at('prefill')}`,
    at('vent') && `Vents (dashed) at ${at('vent')}`,
    at('gate') && `Gate at ${at('gate')}`,
  ].filter(Boolean)
}

const offerWords: Record<Offer['what'], (offer: Offer, units: UnitChoice) => string> = {
  'cooler room': ({ amount }, u) => `The room at ${show(amount, 'temperature', u)}`,
  'chilled parts': ({ amount }, u) =>
    `Parts chilled to ${show(amount, 'temperature', u)}, dry and closed`,
  'second pair': () => 'A second pair of hands',
  'longer bench': ({ amount }, u) => `The bench open until ${showTimeOfDay(amount, u)}`,
  'slower resin': ({ name }) => `In ${name}`,
  'stronger compressor': () => 'A compressor twice as strong',
}

/**
 * What a change makes of a run.
 *
 * @example sayOffer({ what: 'second pair', amount: 2, then: { perMix: 5, mixes: 3, loads: 3, casts: 14, days: 1, until: 0 } }) // 'A second pair of hands: 14 casts in 3 mixes and 3 loads, 1 day.'
 */
export const sayOffer = (offer: Offer, units: UnitChoice = metric): string => {
  const { casts, mixes, loads, days } = offer.then
  return `${offerWords[offer.what](offer, units)}: ${plural(casts, 'cast')} in ${plural(mixes, 'mix', 'mixes')} and ${plural(loads, 'load')}, ${plural(days, 'day')}.`
}

/**
 * What prefilling costs, by the way it is done.
 *
 * @example sayPrefill(70, 'from the cup') // 'Prefilling and closing take 1 min 10 s of the time that the cup pours.'
 */
export const sayPrefill = (costs: number, way: NonNullable<Run['prefill']>): string => {
  const takes = `Prefilling and closing take ${showDuration(costs, 'second')}`
  return way === 'from the cup'
    ? `${takes} of the time that the cup pours.`
    : `${takes} of a small cup’s time, before the one that fills is mixed.`
}

/** From so long after the first mix on a moment is said by the clock too, s. */
const byTheClock = 900

/** A moment of a load: minutes and seconds after its first mix, and by the clock what is far off. */
const momentIn = (
  { at: begins }: Pick<TimedLoad, 'at'>,
  seconds: number | undefined,
  units: UnitChoice,
): string => {
  if (seconds === undefined || seconds < 1) return 'at the start'
  const after = `${showDuration(seconds, seconds < byTheClock ? 'second' : 'minute')} after the first mix`
  return seconds < byTheClock ? after : `${showTimeOfDay(begins + seconds, units)}, ${after}`
}

const capital = (words: string): string => words[0].toUpperCase() + words.slice(1)

const those = (moulds: readonly unknown[]): string =>
  moulds.length === 1 ? 'the mould' : `all ${moulds.length} moulds`

/** What to do in a step of a run, in sentences. */
export function sayRunStep(
  { step, load, at, mix, moulds, weighing, set, condition, flat }: RunStep,
  run: Pick<Run, 'way' | 'room'>,
  { gauge, vacuum }: { gauge?: number; vacuum?: number },
  units: UnitChoice = metric,
): string {
  const moment = (seconds: number | undefined) => momentIn(load, seconds, units)
  const names = [...new Set(moulds.map(({ pour }) => pour.name))].join(' and ')
  const prefills = moulds.reduce((sum, { pour }) => sum + pour.prefills, 0)
  const vents = moulds.some(({ pour }) => pour.vents > 0)
  switch (step) {
    case 'lay out': {
      const tools = [
        `${plural(moulds.length, 'mould')} of ${names}, a level place for each`,
        prefills > 0 ? `a syringe with a fine tip for ${plural(prefills, 'place')}` : '',
        moulds.some(({ pour }) => pour.bands > 0)
          ? `boards and ${plural(
              moulds.reduce((sum, { pour }) => sum + pour.bands, 0),
              'band',
            )}`
          : '',
        plural(cupsOf(load), 'cup'),
        run.way === 'pressure' || run.way === 'both' ? 'the pot open, its valve shut' : '',
        'timer, gloves, paper',
      ]
      return `Lay out: ${tools.filter(Boolean).join('; ')}.`
    }
    case 'condition':
      return sayCondition(condition!, units)
    case 'weigh':
      if (mix!.dabs) {
        return `Weigh a small first cup, for the tight places alone${sayBetween(weighing!)}.`
      }
      return `Weigh for ${plural(moulds.length, 'mould')} of ${names}${sayBetween(weighing!)}.`
    case 'mix': {
      const pours = showDuration(mix!.cup.poursUntil, 'second')
      if (mix!.dabs) {
        return `${capital(moment(at))}: mix the small cup. Scrape sides and bottom. It pours for ${pours}; the last place is dabbed after ${showDuration(mix!.poured, 'second')}.`
      }
      return `${capital(moment(at))}: mix. Scrape sides and bottom. It pours for ${pours}; the last mould is full after ${showDuration(mix!.poured, 'second')}.`
    }
    case 'vacuum':
      return `${capital(moment(at))}: into the vacuum vessel, to ${show(vacuum ?? 0, 'pressure', units)}. Pause when the froth comes to the brim; let air in gently.`
    case 'face':
      return `${capital(moment(at))}: ${sayFace(faceOf(mix!)!, units)}`
    case 'close': {
      const how = 'keys or wave home, no step at the lip; boards, and many light bands all round'
      if (!mix) return `Before anything is mixed: close ${those(moulds)}, ${how}.`
      if (mix.dabs) {
        return `${capital(moment(at))}: close what is prefilled, ${how}. The cup that fills them is mixed afterwards.`
      }
      const costs = `That takes ${showDuration(handsAt(mix, 'band'), 'second')} of the ${showDuration(mix.cup.poursUntil, 'second')} that it pours`
      return `${capital(moment(at))}: close what is prefilled, ${how}. ${costs}.`
    }
    case 'prefill':
      return `${capital(moment(at))}: with ${those(moulds)} still open, a dab of about ${show(dab, 'volume', units)} into each tight place, ${prefills} in all.`
    case 'fill': {
      const stand = vents ? ' until resin stands in every vent for 5 to 10 s' : ''
      const wet = moulds.some((mould) => wetsFor(mould) > 0)
        ? ' a third, turn it until all of the wall is wet, then pour on'
        : ' pour'
      const turned = moulds.map(({ pour }) => pour.layers[mix!.layer].turned)
      if (turned.every(Boolean)) {
        const brush = turned.some((one) => one!.shot === 1) ? ` ${brushing} first, then` : ''
        return `${capital(moment(at))}: in this order,${brush} pour, and turn it at once.`
      }
      return `${capital(moment(at))}: in this order,${wet}${stand}, rock and tap.`
    }
    case 'turn': {
      const { turned } = inRoom(moulds[0].pour.layers[mix!.layer], run)
      const plug = moulds.some(({ pour }) => pour.closed) ? 'plug the port. ' : 'it stays open. '
      return `${capital(moment(at))}: ${plug}${sayTurned(turned!, (s) => moment(mix!.begins + s))}`
    }
    case 'set': {
      const { name, count, how, until } = set!
      return `${saySettingIn(how, [`${name}, ${count} in all`])} From ${moment(at)} until ${moment(until)}.`
    }
    case 'into pot':
      return `${capital(moment(at))}: into the pot, each on its board, level.`
    case 'pressure':
      return `${capital(moment(at))}: lid on and clamped, to ${show(gauge ?? 0, 'pressure', units)} by ${showDuration(load.atPressure!, 'second')}. Hold it until ${moment(load.out)}; then let it off slowly, never open it under pressure.`
    case 'clean':
      return `While it hardens: clean. ${sayCleaning(run.way === 'vacuum' || run.way === 'both')}`
    case 'demould': {
      if (moulds.every(({ pour }) => comesOutHollow(pour))) {
        return `${capital(moment(at))}: take them out with air, the plug last. Weigh each, and knock: a hollow one rings.`
      }
      const wished = moulds.some(({ pour }) => pour.layers.at(-1)?.trim !== undefined)
      const stays = wished
        ? ' Their plan has them out rubbery; out of a pot they come hard, or bubbles grow back.'
        : ''
      return flat === undefined
        ? `${capital(moment(at))}: take them out. Gates are hard by now: saw them off and sand. Thin parts are the last to harden: look at them first.${stays}`
        : `${capital(moment(at))}: take them out while they are rubbery, cut the gates with a blade, then flat on a board or back into the mould until ${moment(flat)}.`
    }
  }
}
