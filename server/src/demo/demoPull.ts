import type { Fault, Outcome, Pull } from '@mivro/core/work/pull'

/** A pull of the demo: the rest follows from its plan. */
export interface DemoPull {
  pouredAt: string
  room: number
  humidity: number
  /** What was weighed against the plan, part by part, as a factor. */
  off: number
  outcome: Outcome
  faults: Fault[]
  note: string
  nextTime: string
  copies?: number
  mould?: string
  method?: Pull['method']
  times?: Pull['times']
  results?: Pull['results']
  pins?: Pull['pins']
  changes?: Pull['changes']
  trial?: Pull['trial']
}
