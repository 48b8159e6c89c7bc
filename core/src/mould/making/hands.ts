import type { MakingCode } from './rules.ts'
import type { Draft } from './step.ts'

const minute = 60

/** What hands take for each, s (from memory); what is mixed follows from its batches. */
const usual: Record<MakingCode, number> = {
  wash: 20 * minute,
  bake: 5 * minute,
  dry: 5 * minute,
  fill: 20 * minute,
  'grit-300': 30 * minute,
  guide: 15 * minute,
  'grit-1200': 30 * minute,
  wipe: 5 * minute,
  seal: 10 * minute,
  wax: 10 * minute,
  mask: 10 * minute,
  coat: 10 * minute,
  'gloss coat': 20 * minute,
  polish: 25 * minute,
  release: 5 * minute,
  chill: 5 * minute,
  smooth: 15 * minute,
  dust: 2 * minute,
  'own box': 5 * minute,
  shell: 60 * minute,
  jacket: 15 * minute,
  bed: 90 * minute,
  seat: 10 * minute,
  rods: 15 * minute,
  walls: 20 * minute,
  mix: 0,
  'de-air': 10 * minute,
  pour: 5 * minute,
  'into pot': 5 * minute,
  'brush coat': 30 * minute,
  cure: 0,
  clear: 30 * minute,
  'release half': 15 * minute,
  bandage: 60 * minute,
  open: 20 * minute,
  rest: 0,
}
/** Weighing of one batch, s (from memory). */
const weighing = 4 * minute

/**
 * How long hands are at a step of making a mould, s: each batch is weighed, stirred, freed of air and
 * poured by itself. `mixTime` of its silicone, s.
 *
 * @example handsOfMaking({ does: 'mix', need: { weighing: { cups: 2 } } }, 2, 180) // 840 (twice 4 and 3 min)
 */
export function handsOfMaking(
  { does }: Pick<Draft, 'does'>,
  batches: number,
  mixTime: number,
): number {
  if (does === 'mix') return batches * (weighing + mixTime)
  if (does === 'brush coat') return usual[does] + weighing + mixTime
  return usual[does] * (does === 'pour' || does === 'de-air' ? batches : 1)
}
