import type { InstrumentName, Reading } from './reading.ts'

export type Trouble = 'silent' | 'jumping' | 'shrinking' | 'still' | 'over' | 'off'

/** How an instrument has behaved lately. */
export interface Watched {
  last?: Reading
  /** s of the page's own clock when it last spoke, and when what it shows last changed. */
  heard: number
  changed: number
  /** Times that it turned round by much, lately. */
  turns: number[]
  /** The most that the scale has shown since it was tared, kg. */
  most: number
  falls: number
}

/** Longer than this between two readings of an instrument is silence, s. */
const silence = 4
/** So far from one reading to the next is a jump; so often within so long is no hand's. */
const leap: Partial<Record<InstrumentName, number>> = {
  scale: 2e-3,
  'pot gauge': 1.5e4,
  'vacuum gauge': 8e3,
  'cup thermometer': 3,
  'room thermometer': 2,
}
const turnsAllowed = 3
const within = 3
/** A weight that falls by more than this, kg and as a share of what was there, shrinks. */
const shrinks = { mass: 3e-4, share: 0.01 }

export const newWatched = (): Watched => ({
  heard: -Infinity,
  changed: -Infinity,
  turns: [],
  most: 0,
  falls: 0,
})

/** What is known of an instrument after one more reading; `now` in s. */
export function hear(watched: Watched, reading: Reading, now: number): Watched {
  const { last } = watched
  const step = last ? reading.value - last.value : 0
  const far = Math.abs(step) > (leap[reading.instrument] ?? Infinity)
  const turns = watched.turns.filter((at) => now - at < within)
  if (far) turns.push(now)
  // What an instrument showed while it jumped says nothing of what there was.
  const most = turns.length > 1 ? 0 : Math.max(watched.most, reading.steady ? reading.value : 0)
  const fallen = most - reading.value
  const falls = reading.steady && fallen > Math.max(shrinks.mass, shrinks.share * most) ? fallen : 0
  return {
    last: reading,
    heard: now,
    changed: step !== 0 || !last ? now : watched.changed,
    turns,
    most,
    falls,
  }
}

/** Tared, or another cup: what was most is forgotten. */
export const forget = (watched: Watched): Watched => ({ ...watched, most: 0, falls: 0 })

/**
 * What is wrong with an instrument, if anything. That it stands still is trouble only where
 * something should be moving, for longer than `movesWithin` s.
 *
 * @example troubleOf(newWatched(), 10) // 'silent'
 */
export function troubleOf(
  { last, heard, changed, turns, falls }: Watched,
  now: number,
  movesWithin = Infinity,
): Trouble | undefined {
  if (!last || now - heard > silence) return 'silent'
  if (last.state !== 'works') return last.state
  if (turns.length >= turnsAllowed) return 'jumping'
  if (falls > 0) return 'shrinking'
  if (now - changed > movesWithin) return 'still'
  return undefined
}
