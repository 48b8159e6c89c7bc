import { ref, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'

/**
 * What stands in a field while a person types: it follows `shown` until something typed is
 * refused, which then stays with its problem until it is mended. `read` makes of the text what it
 * means, and hands it on; what it throws or returns is the problem.
 */
export function useTyped(shown: () => string, read: (text: string) => Problem | undefined | void) {
  const typed = ref(shown())
  const problem = ref<Problem>()
  watch(shown, (now) => {
    if (!problem.value) typed.value = now
  })

  function commit(): void {
    if (typed.value === shown() && !problem.value) return
    try {
      problem.value = read(typed.value) || undefined
      if (!problem.value) typed.value = shown()
    } catch (error) {
      problem.value = problemsOf(error)[0]
    }
  }

  function forget(): void {
    problem.value = undefined
    typed.value = shown()
  }

  return { typed, problem, commit, forget }
}
