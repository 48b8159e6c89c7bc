import type { FixAmounts, FixCode } from '@mivro/core/base/caution'
import {
  metric,
  show,
  showCup,
  showDuration,
  showTimeOfDay,
  type UnitChoice,
} from '@mivro/core/base/units'

const labels: { [F in FixCode]: (amounts: FixAmounts[F], choice: UnitChoice) => string } = {
  'mix-more': (a, u) => `Mix ${show(a.mass, 'mass', u)}${a.cups > 1 ? ' in each cup' : ''}`,
  'fewer-cups': (a) => (a.cups === 1 ? 'Mix it in one cup' : `Mix it in ${a.cups} cups`),
  'more-cups': (a) => `Mix it in ${a.cups} cups`,
  'finer-scale': (a, u) =>
    `Use a scale that reads to ${show(a.step, 'mass', { ...u, mass: 'g' }, { step: a.step })}`,
  'tint-to-limit': (a, u) => `Take ${show(a.limit, 'fraction', u)}`,
  'copies-to-cavities': (a) => `Pour ${a.cavities} at a time`,
  'fill-to-rim': (a, u) => `Fill it up to ${show(a.top, 'length', u)}`,
  'base-and-cover': () => 'Pour a base, set them on the gel, cover',
  'lay-on-floor': (a) => `Let them lie on ${a.below}`,
  dab: () => 'Fix them with a dab',
  jig: () => 'Hold it in a jig',
  'wait-for-dab': (a) => `Pour it ${showDuration(a.short)} later`,
  'as-the-join-wants': () => 'Pour it when the join wants it',
  overnight: (a, u) => `Let it harden overnight, scuff it, and pour at ${showTimeOfDay(a.at, u)}`,
  'begin-at': (a, u) => `Begin at ${showTimeOfDay(a.begin, u)}`,
  'fill-chunks': (a, u) => `Add ${show(a.volume, 'volume', u, { step: 1e-6 })} of chunks`,
  'lower-line': (a, u) => `Fill only up to ${show(a.line, 'length', u)}`,
  'box-by-outline': () => 'Make the box follow the outline',
  'widen-box': (a, u) => `Leave ${show(a.side, 'length', u)} beside the piece`,
  'larger-cup': (a, u) => `Use a cup of ${showCup(a.cup, u)}`,
  'more-coats': (a) => `Brush ${a.coats} coats`,
  'thicker-shell': (a, u) => `Make the wall ${show(a.wall, 'length', u)}`,
  powder: (a, u) => `Take ${show(a.share, 'fraction', u)} of powder`,
  shots: (a) => `Cast it in ${a.shots} shots`,
  'turn-over': () => 'Turn the piece over',
  'close-mould': () => 'Pour it in a closed mould, through a gate',
  'widen-gate': (a, u) => `Widen it to ${show(a.bore, 'length', u)}`,
}

/** What the button of a fix says. @example sayFix('mix-more', { mass: 0.0177, cups: 1 }) // 'Mix 17.7 g' */
export const sayFix = <F extends FixCode>(
  fix: F,
  amounts: FixAmounts[F],
  choice: UnitChoice = metric,
): string => labels[fix](amounts, choice)
