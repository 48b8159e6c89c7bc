import { shallowRef } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'

/** What a screen's last deed ran into: `trying` runs one and keeps its problems to be shown. */
export function useProblems() {
  const problems = shallowRef<readonly Problem[]>([])
  async function trying(work: () => Promise<unknown>): Promise<void> {
    try {
      problems.value = []
      await work()
    } catch (error) {
      problems.value = problemsOf(error)
    }
  }
  return { problems, trying }
}
