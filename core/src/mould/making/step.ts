import type { Hazard, MouldStep, SafetyLine } from '../../base/caution/index.ts'
import type { Operation } from '../../base/procedure/index.ts'
import type { SiliconeNeed } from '../silicone/need.ts'
import type { Phrase } from './phrases.ts'
import type { MakingCode } from './rules.ts'

/** One step of making the mould, with the safety lines to read before it. */
export interface MakingStep extends Operation<MakingCode> {
  step: MouldStep | 'wait'
  title: Phrase
  lines: Phrase[]
  /** A batch to weigh. */
  need?: SiliconeNeed
  /** Hands are at it, and it waits by itself afterwards, s. */
  hands: number
  wait: number
  hazards: Hazard[]
  safety: SafetyLine[]
}

/** As it is built, before its place in the order and its safety lines are known. */
export type Draft = Omit<MakingStep, 'safety' | 'hands'>
