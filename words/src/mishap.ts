import type { Mishap, MishapNow, MishapRemedy, SlowCause } from '@mivro/core/work/bench'
import type { Pull } from '@mivro/core/work/pull'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'

/** What went wrong, and how it is seen. */
export const mishapWords: Record<Mishap, { label: string; seen: string }> = {
  'seam leaks': { label: 'The seam leaks', seen: 'It drips, the level falls' },
  'not filled': { label: 'Not filled', seen: 'A gate or corner is empty' },
  'turns to syrup': { label: 'It turns to syrup', seen: 'It draws threads, the cup is warm' },
  'slow cure': { label: 'It stays liquid', seen: 'It still flows although it should be hard' },
  'too much of a part': { label: 'Too much of a part', seen: 'The scale is past the mark' },
  'cup smokes': { label: 'The cup smokes', seen: 'Hot, smoking or bubbling' },
  'pressure lost': { label: 'Pressure lost', seen: 'The gauge falls, the power is off' },
  'master rises': { label: 'The master rises', seen: 'It sticks out although the sum was right' },
  'silicone short': { label: 'Too little silicone', seen: 'A tip is still bare' },
  'box leaks': { label: 'The box leaks', seen: 'The floor is wet' },
  'froths over': { label: 'It froths over', seen: 'Foam comes over the rim' },
  'splash in the vessel': { label: 'A splash in the vessel', seen: 'It is on wall or seal' },
}

/** What is to be done, on a key, and in the log. */
export const remedyWords: Record<MishapRemedy, { label: string; how: string; log: string }> = {
  'more bands': {
    label: 'More bands on',
    how: 'Light ones, beside the leak first.',
    log: 'more bands on',
  },
  'clay outside': {
    label: 'Clay from outside',
    how: 'Oil clay pressed over the seam, or tape.',
    log: 'clay pressed over it',
  },
  'let it run': {
    label: 'Let it run',
    how: 'It gels soon, or it is turned: go on, and top up.',
    log: 'left as it was',
  },
  'top up': { label: 'Top up', how: 'Slowly, into one corner, while it pours.', log: 'topped up' },
  'cut vents next time': {
    label: 'Leave it',
    how: 'It no longer joins. Cut a vent there for the next pull.',
    log: 'left, a vent to be cut there',
  },
  'stop here': {
    label: 'Stop: this cup is lost',
    how: 'What is full is full. The empty ones wait for the next cup.',
    log: 'stopped pouring',
  },
  'fill what is open': {
    label: 'Pour the open ones fast',
    how: 'Wide moulds only; bands on what is full; into the pot if there is time.',
    log: 'poured the rest fast',
  },
  wait: { label: 'Wait', how: 'Nothing is opened before twice its time.', log: 'waited' },
  'warm it': {
    label: 'Warm it',
    how: 'A hand-warm cupboard, mould and all, no warmer than the mould bears.',
    log: 'warmed it',
  },
  'suspect the ratio': {
    label: 'Take it as lost',
    how: 'After twice its time and warm it will not harden. Wipe it out, gloves on.',
    log: 'given up: the ratio is suspected',
  },
  'add the other': {
    label: 'Add the other part',
    how: 'The bench says how much, once this part is taken as it is.',
    log: 'the other part was added',
  },
  'mix it anew': { label: 'Weigh it anew', how: 'A clean cup, from nothing.', log: 'weighed anew' },
  'leave and ventilate': {
    label: 'It is outside, and I am away',
    how: 'Out into the open if it can still be carried, else windows open and out of the room. Never water into it. Come back when it is cold.',
    log: 'left it alone, ventilated',
  },
  'pressure again': {
    label: 'Pressure on again',
    how: 'Clamps checked, compressor on.',
    log: 'pressure on again',
  },
  'leave it closed': {
    label: 'Leave it closed',
    how: 'It has gelled: bubbles that grew stay. Opening it gains nothing.',
    log: 'left closed',
  },
  'hold it down': {
    label: 'Hold it down',
    how: 'A board across the box with a weight on it; no more silicone.',
    log: 'held down',
  },
  'top up tomorrow': {
    label: 'Let it cure, top up tomorrow',
    how: 'Fresh silicone bonds to clean cured one of its kind. Never let the line run across the cavity.',
    log: 'to be topped up next day',
  },
  'press in chunks': {
    label: 'Press in chunks',
    how: 'Cured silicone of the same kind, in pieces, well away from the master.',
    log: 'chunks pressed in',
  },
  'second batch': {
    label: 'Mix a second batch',
    how: 'At once: it joins while the first is still liquid.',
    log: 'a second batch mixed',
  },
  'glue and tilt': {
    label: 'Seal it from outside',
    how: 'Hot glue or clay over the leak, the box tilted away from it, a cup below.',
    log: 'sealed from outside',
  },
  'pump off': {
    label: 'Pump off, air in, again',
    how: 'A little air lets the froth fall; then on again.',
    log: 'paused, then pumped again',
  },
  'smaller lot': {
    label: 'In smaller lots',
    how: 'A vessel takes a quarter to a third of its cup.',
    log: 'done in smaller lots',
  },
  'wipe it at once': {
    label: 'Wipe it now',
    how: 'Resin: at once, with alcohol, pump off.',
    log: 'wiped at once',
  },
  'peel it later': {
    label: 'Peel it tomorrow',
    how: 'Silicone: it peels off when it has cured.',
    log: 'to be peeled off',
  },
}

const causeWords: Record<SlowCause, string> = {
  cold: 'the room is colder than planned',
  ratio: 'the parts are out of their ratio',
  'stirred short': 'it was stirred too briefly',
}
/** Where nothing speaks for one of them. */
const usualCauses = 'Cold, a wrong ratio and too little stirring are the likely causes.'

/** What is known of it now: how long there is, what is lost, how much it takes. */
export function sayMishap(
  { mishap, left, open, hold, age, gels, causes }: MishapNow,
  units: UnitChoice = metric,
): string[] {
  const time = (seconds: number) => showDuration(Math.abs(seconds), 'second')
  switch (mishap) {
    case 'master rises':
    case 'silicone short':
    case 'box leaks':
    case 'turns to syrup':
    case 'not filled':
    case 'seam leaks': {
      const pours =
        left === undefined
          ? ''
          : left > 0
            ? `By the plan it pours for another ${time(left)}.`
            : `By the plan it stopped pouring ${time(left)} ago.`
      const empty =
        open && open.moulds > 0
          ? `Still empty: ${open.moulds} ${open.moulds === 1 ? 'mould' : 'moulds'}, ${open.casts} ${open.casts === 1 ? 'cast' : 'casts'}, ${show(open.mass, 'mass', units)}.`
          : ''
      const down = hold ? `${show(hold, 'mass', units)} on top hold it down.` : ''
      return [down, pours, empty].filter(Boolean)
    }
    case 'pressure lost':
      if (left === undefined) return []
      return [
        left > 0
          ? `Pressure helps for another ${time(left)}: put it on again.`
          : `It gelled: pressure stopped helping ${time(left)} ago. Leave it closed.`,
      ]
    case 'slow cure': {
      if (age === undefined || gels === undefined) return [usualCauses]
      const stood = `It has stood for ${showDuration(age)}; it should have gelled after ${showDuration(gels)}.`
      const known = causes?.map((cause) => causeWords[cause]) ?? []
      const why = known.length > 0 ? `Likely: ${known.join(', ')}.` : usualCauses
      return [stood, why]
    }
    case 'cup smokes':
      return ['Leave the cup. Air the room, nobody bends over it, no water into it.']
    default:
      return []
  }
}

/** What covers a tip that is bare. @example sayTopUp({ volume: 6e-5, mass: 0.066 }) // 'That is 60.0 ml or 66.0 g, the usual cover over it counted.' */
export const sayTopUp = (
  { volume, mass }: { volume: number; mass: number },
  units: UnitChoice = metric,
): string =>
  `That is ${show(volume, 'volume', units)} or ${show(mass, 'mass', units)}, the usual cover over it counted.`

/** A mishap in the log. @example sayLogged({ what: 'seam leaks', did: 'more bands', at: 95 }) // 'The seam leaks: more bands on, 1 min 35 s after the mix.' */
export function sayLogged({ what, did, at }: NonNullable<Pull['mishaps']>[number]): string {
  const label = mishapWords[what as Mishap]?.label ?? what
  const log = remedyWords[did as MishapRemedy]?.log ?? did
  const when = at === undefined || at < 0 ? '' : `, ${showDuration(at, 'second')} after the mix`
  return `${label}: ${log}${when}.`
}
