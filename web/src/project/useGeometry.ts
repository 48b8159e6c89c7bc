import { ref, shallowRef, watch } from 'vue'
import type { GeometryStep, MouldGeometry } from '@mivro/core/mould'
import type { ReadingStep } from '@mivro/core/form/piece'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { askGeometry } from '../work/pool.ts'
import type { HeldQuestion } from '@mivro/core/work/project'

/** What is known of the piece as it stands in its box, looked for while `standing` says how. */
export function useGeometry(standing: () => HeldQuestion | undefined) {
  const geometry = shallowRef<MouldGeometry>()
  const step = ref<GeometryStep | ReadingStep>()
  const problem = shallowRef<Problem>()
  let looking = new AbortController()

  async function look(): Promise<void> {
    looking.abort()
    const { signal } = (looking = new AbortController())
    step.value = undefined
    const asked = standing()
    if (!asked) return
    try {
      problem.value = undefined
      const onProgress = (now: GeometryStep | ReadingStep) => (step.value = now)
      geometry.value = await askGeometry(asked, { signal, onProgress })
    } catch (error) {
      if (!signal.aborted) problem.value = problemsOf(error)[0]
    } finally {
      if (!signal.aborted) step.value = undefined
    }
  }
  watch(() => JSON.stringify(standing()), look, { immediate: true })

  /** Gives up looking; what was known stays. */
  function stop(): void {
    looking.abort()
    step.value = undefined
  }

  return { geometry, step, problem, look, stop }
}
