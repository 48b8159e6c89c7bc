import { inject, onScopeDispose, provide, reactive, watch, type InjectionKey } from 'vue'
import type { Problem } from '@mivro/core/base/problem'

/** Fields of a form that stand in red, by their labels. */
type Refusals = Map<string, Problem>

const key: InjectionKey<Refusals> = Symbol('refusals')

/** A form that is not to be taken while one of its fields is refused; answers which are. */
export function provideRefusals(): Refusals {
  const refusals = reactive(new Map<string, Problem>()) as Refusals
  provide(key, refusals)
  return refusals
}

/** Tells the form around a field whether it is refused. */
export function useRefusal(label: () => string, problem: () => Problem | undefined): void {
  const refusals = inject(key, undefined)
  if (!refusals) return
  watch(problem, (found) => {
    if (found) refusals.set(label(), found)
    else refusals.delete(label())
  })
  onScopeDispose(() => refusals.delete(label()))
}
