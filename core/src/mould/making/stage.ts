import type { MakingCode } from './rules.ts'
import type { MakingStep } from './step.ts'

/** What is there when a step is done: what a drawing of it shows. */
export interface MakingStage {
  master: boolean
  /** It stands in its place rather than in the hand. */
  seated: boolean
  walls: boolean
  bed: boolean
  rods: boolean
  /** Silicone that has been poured of each half, or of the whole; coats that lie on. */
  first: boolean
  second: boolean
  coats: number
  shell: boolean
  /** Which halves of a printed shell hold it. */
  jacket: 'none' | 'lower' | 'upper' | 'both'
  /** It stands on its head, and release lies on the first half. */
  turned: boolean
  released: boolean
  /** The master is out. */
  open: boolean
}

const nothing: MakingStage = {
  master: true,
  seated: false,
  walls: false,
  bed: false,
  rods: false,
  first: false,
  second: false,
  coats: 0,
  shell: false,
  jacket: 'none',
  turned: false,
  released: false,
  open: false,
}

const brings: Partial<
  Record<MakingCode, (stage: MakingStage, part: number) => Partial<MakingStage>>
> = {
  'own box': () => ({ walls: true }),
  walls: () => ({ walls: true }),
  shell: () => ({ jacket: 'lower' }),
  jacket: () => ({ jacket: 'both' }),
  seat: () => ({ seated: true }),
  bed: () => ({ bed: true, seated: true }),
  rods: () => ({ rods: true }),
  pour: (_, part) => (part > 1 ? { second: true } : { first: true }),
  'brush coat': ({ coats }) => ({ coats: coats + 1 }),
  clear: ({ jacket }) => ({
    bed: false,
    turned: true,
    jacket: jacket === 'none' ? 'none' : 'upper',
  }),
  'release half': () => ({ released: true }),
  bandage: () => ({ shell: true }),
  open: () => ({
    open: true,
    master: false,
    walls: false,
    rods: false,
    turned: false,
    released: false,
  }),
  rest: () => ({ open: false }),
}

/**
 * What is there once the first so many steps are done.
 *
 * @example stageAfter([{ does: 'bed', part: 1 }], 1).bed // true
 */
export const stageAfter = (
  steps: readonly Pick<MakingStep, 'does' | 'part'>[],
  count: number,
): MakingStage =>
  steps
    .slice(0, count)
    .reduce((stage, { does, part = 1 }) => ({ ...stage, ...brings[does]?.(stage, part) }), nothing)

/**
 * The steps after which something else is there than before, each with what is there: the pictures of
 * how a mould is made.
 *
 * @example changingStages([{ does: 'wipe' }, { does: 'bed', part: 1 }]).map(({ step }) => step) // [1]
 */
export const changingStages = (
  steps: readonly Pick<MakingStep, 'does' | 'part'>[],
): { step: number; stage: MakingStage }[] => {
  const stages = steps.map((_, i) => stageAfter(steps, i + 1))
  const differs = (i: number) =>
    JSON.stringify(stages[i]) !== JSON.stringify(i > 0 ? stages[i - 1] : nothing)
  return stages.flatMap((stage, step) => (differs(step) ? [{ step, stage }] : []))
}
