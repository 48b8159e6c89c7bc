import type { ConditionName } from '@mivro/core/mould'
import type {
  Clock,
  ClockName,
  Cue,
  LayOutItem,
  PressRefusal,
  Task,
  TaskOf,
  TouchMark,
} from '@mivro/core/work/bench'
import { isAdding } from '@mivro/core/work/bench'
import { sayCleaning } from './run.ts'
import { conditionLabel, sayConditionHow, sayWaits } from './conditioning.ts'
import { sayFace } from './skin.ts'
import { sayMaking } from './making.ts'
import { brushing, lieWords } from './turning.ts'
import { grams } from './weighed.ts'
import type { InstrumentName, Trouble } from '@mivro/core/work/instrument'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'

const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`

/** What lies ready before a cup is mixed. */
export const layOutWords: Record<LayOutItem, (count: number) => string> = {
  gloves: (count) =>
    `Gloves on, eyes covered${count > 1 ? `, ${plural(count, 'pair')} of hands` : ''}`,
  air: () => 'Extraction on, or a window open',
  moulds: (count) => `${plural(count, 'mould')} to close, in their order`,
  'open moulds': (count) => `${plural(count, 'open mould')}, in their order`,
  level: () => 'Table level, nothing to knock it',
  'prefill tools': (count) => `Syringe with a fine tip, for ${plural(count, 'place')}`,
  'boards and bands': (count) => `Boards, and ${plural(count, 'band')} counted`,
  cups: (count) => `${plural(count, 'cup')} marked`,
  'pot open': () => 'Pot open, its valve shut, the compressor full',
  vessel: () => 'Vacuum vessel wiped, its seal looked over',
  timer: () => 'Paper, sticks, a bin that bears heat',
}

/** A task in the list of steps. @example sayTask({ what: 'band', id: '1', load: 0, hazards: [], mix: 0, layer: 0, moulds: [] }) // 'Close and band' */
export function sayTask(task: Task, units: UnitChoice = metric): string {
  switch (task.what) {
    case 'lay out':
      return 'Lay out'
    case 'condition':
      return conditionLabel({ what: task.condition, name: task.name })
    case 'weigh':
      return isAdding(task.id) ? `Add ${task.name}` : `Pour ${task.name}`
    case 'mix':
      return `Mix cup ${task.mix + 1}`
    case 'vacuum':
      return 'Vacuum'
    case 'face':
      return `Stir in ${task.name}`
    case 'prefill':
      return `Prefill ${nameOfMould(task.mould)}`
    case 'wet':
      return `Wet the walls of ${nameOfMould(task.mould)}`
    case 'fill':
      return `Fill ${nameOfMould(task.mould)}`
    case 'turn':
      return task.of > 1 ? `Turn, shot ${task.shot} of ${task.of}` : 'Turn'
    case 'set':
      return `Set ${task.count} ${task.name}`
    case 'band':
      return 'Close and band'
    case 'into pot':
      return 'Into the pot'
    case 'lid':
      return 'Lid on, to pressure'
    case 'clean':
      return 'Clean the tools'
    case 'hold':
      return 'Hold the pressure'
    case 'release':
      return 'Let the pressure off'
    case 'demould':
      return 'Demould'
    case 'trim':
      return 'Trim the gates'
    case 'step':
      return sayPhrase(task.phrases[0], units)
    case 'wait':
      // What waits after a step was told there already.
      return task.phrases.length > 1
        ? sayPhrase(task.phrases[0], units)
        : `Wait ${showDuration(task.takes)}`
  }
}

/** A sentence that a mould's task holds by its code. */
const sayPhrase = ({ code, amounts }: TaskOf<'step'>['phrases'][number], units: UnitChoice) =>
  sayMaking({ code, amounts } as never, units)

/** @example nameOfMould({ name: 'Keycap', number: 3 }) // 'Keycap, mould 3' */
export const nameOfMould = ({ name, number }: { name: string; number: number }): string =>
  `${name}, mould ${number}`

/**
 * What the large key says; `toTick` are still to be laid out.
 *
 * @example sayKey({ what: 'lay out' }, false, 2) // 'Tick the next'
 */
export function sayKey(task: Task, begun: boolean, toTick = 0): string {
  switch (task.what) {
    case 'lay out':
      return toTick > 0 ? 'Tick the next' : 'All is ready'
    case 'condition':
      return 'All are done'
    case 'weigh':
      return `${task.name} is in`
    case 'mix':
      return begun ? 'It is mixed' : 'The parts meet now'
    case 'vacuum':
      return 'Air is out'
    case 'face':
      return 'It is stirred in'
    case 'prefill':
      return 'They are prefilled'
    case 'wet':
      return 'It is wet all over'
    case 'fill':
      return `Mould ${task.mould.number} is full`
    case 'turn':
      return 'Nothing moves any more'
    case 'set':
      return 'They are set'
    case 'band':
      return 'All are closed'
    case 'into pot':
      return 'All are in'
    case 'lid':
      return begun ? 'It is at pressure' : 'The lid is clamped'
    case 'clean':
      return 'They are clean'
    case 'hold':
      return 'Let it off now'
    case 'release':
      return 'The gauge shows nothing'
    case 'demould':
      return 'All are out'
    case 'trim':
      return 'Gates are trimmed'
    case 'step':
      return 'It is done'
    case 'wait':
      return 'Go on'
  }
}

/** One line under the title of a task: what to mind. */
export function sayHow(task: Task, units: UnitChoice = metric): string {
  switch (task.what) {
    case 'lay out':
      return 'Once the parts meet nothing can be fetched any more. Tick what lies there.'
    case 'condition':
      return `${sayConditionHow({ ...task, what: task.condition }, units)}${sayAbout(task)}${sayWaits(task.waits)}`
    case 'weigh':
      return task.part === 'tint'
        ? 'Into the same cup, before the other part: it stirs in better, and no clock runs.'
        : task.apart === 'own cup'
          ? 'Into a cup of its own. The parts do not meet yet.'
          : 'Shake or stir it in its bottle first.'
    case 'mix':
      return task.secondCup === 'yes'
        ? 'Flat stick, scrape sides and bottom, then into a second clean cup and stir again.'
        : 'Flat stick, scrape sides and bottom. What sticks to the cup stays in it.'
    case 'vacuum':
      return `To ${show(task.gauge, 'pressure', units)}. Pause when the froth comes to the brim, let air in gently.`
    case 'face':
      return sayFace(task, units)
    case 'prefill':
      return 'A small dab into each yellow place, pressed in with the tip.'
    case 'wet':
      return 'Pour in a third, then turn it until resin has been everywhere.'
    case 'fill':
      if (task.turned) {
        const brush =
          task.turned === 'first' ? `${brushing[0].toUpperCase()}${brushing.slice(1)}. ` : ''
        return `${brush}Pour it in quickly, then plug and turn at once.`
      }
      return task.vents > 0
        ? 'Slowly, until resin stands in every vent for 5 to 10 s. Then rock and tap.'
        : 'Slowly, into one corner. Then rock and tap.'
    case 'turn':
      if (task.closed === 'no') {
        return 'Roll it so that resin runs up all walls and round again, slower as it thickens; the last round level.'
      }
      return task.by === 'machine'
        ? 'Plug the port, its plug held towards nobody, and clamp the mould in evenly. Let it turn until the drip at the plug is hard.'
        : 'Plug the port, its plug held towards nobody. Once around at each call, then on to the next side: slower and higher up the walls as it thickens.'
    case 'set':
      return 'With tweezers, at their places. Not with gloved fingers over liquid resin.'
    case 'band':
      return 'Keys or wave home, no step at the lip. Bands even all round, many light ones.'
    case 'into pot':
      return 'Each on its board, level, its mouth up.'
    case 'lid':
      return 'Clamps shut crosswise, valve shut, compressor on.'
    case 'clean':
      return sayCleaning(task.vessel === 'yes')
    case 'hold':
      return 'It has to be hard before the pressure goes, or bubbles grow back.'
    case 'release':
      return 'Compressor off, then the valve, slowly.'
    case 'demould':
      return 'Thin parts are the last to harden: look at them first.'
    case 'trim':
      return task.flat === undefined
        ? 'Hard ones are sawn and sanded, rubbery ones cut with a blade, away from you.'
        : 'Rubbery: a blade cuts them flush, away from you. Then flat on a board, or back into the mould, until they are hard.'
    case 'step':
    case 'wait':
      return task.phrases
        .slice(1)
        .map((phrase) => sayPhrase(phrase, units))
        .join(' ')
  }
}

/** How long hands are at it, where that is planned. */
const sayAbout = ({ takes, moulds }: TaskOf<'condition'>): string =>
  takes ? ` About ${showDuration(takes, 'second')}${moulds.length > 1 ? ' for all' : ''}.` : ''

/** Why a key of the bench does nothing, and what to do. */
export function sayRefusal(refusal: PressRefusal, units: UnitChoice = metric): string {
  switch (refusal.code) {
    case 'caution-unread':
      return 'Read the caution first, then press the large key.'
    case 'scale-distrusted':
      return 'The scale can’t be trusted now. Mend it, or weigh by hand (H).'
    case 'scale-moves':
      return 'The scale has not settled yet.'
    case 'nothing-on-scale':
      return 'The scale shows nothing, so no cup seems to be on it. Put it on; if it was tared by its own key, press again.'
    case 'weight-to-go':
      return `${grams(refusal.toGo, refusal.task, units)} are still to go. Pour on, or take it as it is (K).`
    case 'cup-too-small':
      return 'This cup no longer stirs it all. Pour it into a larger one, then press again.'
    case 'pressure-low':
      return `The gauge shows ${show(refusal.gauge, 'pressure', units)} yet. It has to come to ${show(refusal.wanted, 'pressure', units)}.`
    case 'still-wet':
      return `${conditionLabel({ what: refusal.condition })}: not dry for another ${showDuration(refusal.left, 'second')}. Resin waits for it; press again to mix all the same.`
    case 'still-moves':
      return `It still runs for about ${showDuration(refusal.left, 'second')}: stopped now it sags, and is thick below. Turn on; press again if the drip at the plug is hard already.`
    case 'pressure-left':
      return `The gauge still shows ${show(refusal.gauge, 'pressure', units)}. Let it off first; the clamps stay shut.`
  }
}

/** What is wrong with an instrument, and the way out. */
export const troubleWords: Record<Trouble, (instrument: InstrumentName) => string> = {
  silent: (name) => `The ${name} says nothing. Look at its cable and battery, or go on by hand.`,
  jumping: (name) =>
    `The ${name} jumps. Wait until nothing touches the table, or go on with another one, by hand.`,
  shrinking: () =>
    'The weight is falling. A cup that was lifted, a drip beside it? Put it back, or tare again.',
  still: (name) =>
    `The ${name} has not moved for a while although it should. It may have hung: switch it off and on, or go on by hand.`,
  over: (name) =>
    `That is more than the ${name} bears. Take it off, use a larger one, go on by hand.`,
  off: (name) => `The ${name} has turned itself off. Wake it, then tare again if its cup was off.`,
}

/** The same in two words, for a lamp. */
export const lampWords: Record<Trouble, string> = {
  silent: 'silent',
  jumping: 'jumps',
  shrinking: 'weight falls',
  still: 'stands still',
  over: 'overloaded',
  off: 'is off',
}

const clockWords: Record<ClockName, string> = {
  pours: 'time to pour',
  gels: 'until it gels',
  'pressure by': 'until it has to be at pressure',
  hold: 'hold the pressure',
  'next mix': 'until the next cup',
  stir: 'stir on',
  turn: 'until nothing moves',
  set: 'to set',
  demould: 'until it comes out',
  wait: 'to wait',
  dries: 'to be left alone',
  flat: 'until they are hard, flat',
}

/** Name of a clock. @example sayClock({ what: 'pours', mix: 1 }) // 'cup 2: time to pour' */
export function sayClock({ what, mix, name }: Pick<Clock, 'what' | 'mix' | 'name'>): string {
  if (what === 'dries') {
    return `${conditionLabel({ what: name as ConditionName })}: ${clockWords.dries}`
  }
  const of = mix === undefined ? '' : `cup ${mix + 1}: `
  return name === undefined ? of + clockWords[what] : `${of}${clockWords[what]} ${name}`
}

/** What to do when a deadline is over. */
const overWords: Partial<Record<ClockName, string>> = {
  pours: 'It no longer pours. Stop filling: go on with what is full.',
  gels: 'It gels. Nothing is moved any more.',
  'pressure by': 'Too late for the pot to help much. Shut it all the same.',
  set: 'The gel no longer takes it. Leave it out.',
  'next mix': 'Now mix the next cup.',
  hold: 'It is hard. The pressure may go, slowly.',
  demould: 'It may come out. Thin parts first.',
  wait: 'It has waited long enough.',
  dries: 'They may be touched again.',
  flat: 'They are hard.',
  stir: 'It is mixed. Pour.',
  turn: 'Nothing should move any more. Look at the drip, then rest it upright.',
}

/** What is wrong or due about a clock that is over. @example sayOver({ what: 'gels' }) // 'It gels. Nothing is moved any more.' */
export const sayOver = ({ what }: Pick<Clock, 'what'>): string => overWords[what] ?? ''

/**
 * A cue as it is spoken: short, the number first, in words that are heard over a compressor.
 *
 * @example sayCue({ at: 70, when: 'ahead', clock: { what: 'pours', id: 'a', from: 0, until: 100, kind: 'deadline', mix: 0 } }) // 'In 30 seconds cup 1 no longer pours.'
 */
export function sayCue({ when, clock, at, lie }: Cue): string {
  if (lie) return `${lieWords[lie]}.`
  const left = Math.round(clock.until - at)
  const cup = clock.mix === undefined ? '' : `cup ${clock.mix + 1} `
  if (when === 'over') return overSaid(clock)
  const ends: Record<ClockName, string> = {
    pours: `${cup}no longer pours.`,
    gels: `${cup}gels.`,
    'pressure by': 'the pot has to be at pressure.',
    hold: 'the pressure may go.',
    'next mix': 'the next cup is mixed.',
    stir: `${cup}is stirred.`,
    turn: 'nothing moves any more.',
    set: `${clock.name ?? 'it'} can no longer be set.`,
    demould: 'it may come out.',
    wait: 'it goes on.',
    dries: 'the moulds may be touched again.',
    flat: 'the casts are hard.',
  }
  return `In ${spoken(left)} ${ends[clock.what]}`
}

const overSaid = (clock: Clock): string => sayOver(clock)

const spoken = (seconds: number): string =>
  seconds < 120 ? plural(seconds, 'second') : plural(Math.round(seconds / 60), 'minute')

export const touchWords: Record<TouchMark, { label: string; hint: string }> = {
  syrup: { label: 'Syrup', hint: 'It draws a thread' },
  'gel of the cup': { label: 'Cup gelled', hint: 'The leftover no longer moves' },
  hottest: { label: 'Hottest', hint: 'It does not get warmer any more' },
  hard: { label: 'Hard', hint: 'A nail leaves no mark' },
}

/** How a bench stands, in a line. @example sayStand({ done: 3, of: 12 }) // '3 of 12 steps' */
export const sayStand = ({ done, of }: { done: number; of: number }): string =>
  `${done} of ${of} steps`

/** A cup that stood too long. @example sayLate({ mix: 0, since: 90 }) // 'Cup 1 should have been poured 1 min 30 s ago.' */
export const sayLate = ({ mix, since }: { mix: number; since: number }): string =>
  `Cup ${mix + 1} should have been poured ${showDuration(since, 'second')} ago.`
