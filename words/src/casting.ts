import type { Finding, Way } from '@mivro/core/mould'

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

export const sureWords: Record<Finding['sure'], string> = {
  sure: 'certain',
  likely: 'likely',
  guess: 'a guess',
}
