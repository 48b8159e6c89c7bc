import { computed, ref, shallowRef, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'

/** The same question as before is the same object: only another one is asked. */
export const steady = <Q>(question: () => Q | undefined) =>
  computed<Q | undefined>((before) => {
    const next = question()
    return JSON.stringify(next) === JSON.stringify(before) ? before : next
  })

/**
 * The answer to a question that changes while a hand drags: one is asked at a time, and then the
 * newest.
 */
export function useLatest<Q, A>(question: () => Q | undefined, ask: (question: Q) => Promise<A>) {
  const answer = shallowRef<A>()
  const problem = shallowRef<Problem>()
  const busy = ref(false)

  async function follow(): Promise<void> {
    if (busy.value) return
    busy.value = true
    try {
      for (let asked = question(); asked !== undefined;) {
        try {
          answer.value = await ask(asked)
          problem.value = undefined
        } catch (error) {
          problem.value = problemsOf(error)[0]
        }
        const newest = question()
        if (newest === asked) break
        asked = newest
      }
    } finally {
      busy.value = false
    }
  }
  watch(question, follow, { immediate: true })

  return { answer, problem, busy }
}
