import type { Finding, Removal, Way } from '@mivro/core/mould'

/** What helps against something that a caster has to deal with. */
export const wayWords: Record<Way, string> = {
  fill: 'fill it in the master',
  tilt: 'tilt the mould',
  cut: 'cut the mould there',
  vent: 'vent it',
  prefill: 'prefill it',
  core: 'make a core',
  widen: 'widen the gate',
  thicken: 'thicken the master',
  move: 'move it',
  narrow: 'make it narrower',
}

/** What a gate comes off with. */
export const removalWords: Record<Removal, string> = {
  knife: 'with a knife',
  saw: 'with a saw',
  sanding: 'by sanding',
}

/** What is certain is not said to be so. */
export const sureWords: Record<Exclude<Finding['sure'], 'sure'>, string> = {
  likely: 'likely',
  guess: 'a guess',
}
