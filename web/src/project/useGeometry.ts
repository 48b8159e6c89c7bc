import { computed, shallowRef, watch } from 'vue'
import type { GeometryStep, MouldGeometry } from '@mivro/core/mould'
import type { ReadingStep } from '@mivro/core/form/piece'
import { askGeometry } from '../work/pool.ts'
import { useJob } from '../work/useJob.ts'
import type { GeometryQuestion } from '@mivro/core/work/project'

/** What is known of the piece as it stands in its box, looked for while `standing` says how. */
export function useGeometry(standing: () => GeometryQuestion | undefined) {
  const geometry = shallowRef<MouldGeometry>()
  const { progress: step, problems, run, stop } = useJob<GeometryStep | ReadingStep>()

  /** Given up, what was known stays. */
  async function look(): Promise<void> {
    const asked = standing()
    if (!asked) return stop()
    const found = await run((heard) => askGeometry(asked, heard))
    if (found) geometry.value = found
  }
  watch(() => JSON.stringify(standing()), look, { immediate: true })

  return { geometry, step, problem: computed(() => problems.value.at(0)), look, stop }
}
