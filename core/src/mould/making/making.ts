import { safetyInTurn } from '../../base/caution/index.ts'
import { brokenIn, inOrder } from '../../base/procedure/index.ts'
import type { Silicone } from '../../matter/material/index.ts'
import type { CompiledMould } from '../compiled.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { building } from './build.ts'
import { handsOfMaking } from './hands.ts'
import { opening } from './opening.ts'
import { phrase } from './phrases.ts'
import { prepare } from './prepare.ts'
import { makingRules } from './rules.ts'
import { pouring } from './silicone.ts'
import type { Draft, MakingStep } from './step.ts'

/**
 * How the mould is made, step by step in the order of the rules, times from the silicone's sheet.
 * Every safety line stands before the first step that it is about. None for a mould that was bought.
 *
 * @example makingSteps(boughtMould, compiled, undefined) // []
 */
export function makingSteps(
  mould: Mould,
  compiled: CompiledMould,
  silicone: Silicone | undefined,
): MakingStep[] {
  if (mouldKinds[mould.kind].poured === 'none') return []
  const steps = inOrder(
    [
      ...preparing(mould, silicone),
      ...building(mould, compiled),
      ...(silicone ? pouring(mould, compiled, silicone) : []),
      ...opening(mould),
    ],
    makingRules,
  )
  const safetyOf = safetyInTurn()
  return steps.map((step): MakingStep => {
    const safety = step.step === 'wait' ? [] : safetyOf(step.step, step.hazards)
    const batches =
      step.part === undefined ? 1 : (compiled.pours[step.part - 1]?.batches.count ?? 1)
    return { ...step, hands: handsOfMaking(step, batches, silicone?.mixTime ?? 0), safety }
  })
}

const preparing = (mould: Mould, silicone: Silicone | undefined): Draft[] =>
  prepare(mould.contact.master, silicone, mould.contact.aim).map(({ does, wait, hazards }) => ({
    does,
    part: 1,
    step: 'prepare',
    title: phrase('prepare', { id: does }),
    lines: [phrase('prepare-why', { id: does })],
    wait,
    hazards,
  }))

/**
 * Steps that by the rules come before one and are not done: what it was ticked ahead of.
 *
 * @example earlierOpen([{ does: 'bed' }, { does: 'walls' }], 1, new Set()) // [0]
 */
export const earlierOpen = (
  steps: readonly Pick<MakingStep, 'does' | 'part'>[],
  step: number,
  done: ReadonlySet<number>,
): number[] =>
  steps.flatMap((one, i) => {
    if (i >= step || done.has(i)) return []
    return brokenIn([steps[step], one], makingRules).length > 0 ? [i] : []
  })

/** All hands together, s. @example handsTime([{ hands: 300 }, { hands: 60 }]) // 360 */
export const handsTime = (steps: readonly Pick<MakingStep, 'hands'>[]): number =>
  steps.reduce((sum, { hands }) => sum + hands, 0)

/** All waiting together, s. @example waitingTime([{ wait: 300 }, { wait: 60 }]) // 360 */
export const waitingTime = (steps: readonly Pick<MakingStep, 'wait'>[]): number =>
  steps.reduce((sum, { wait }) => sum + wait, 0)
