import { computed } from 'vue'
import { isHollow } from '@mivro/core/work/plan'
import type { SurveyQuestion } from '@mivro/core/work/project'
import { useLatest } from '../project/useLatest.ts'
import { useProject } from '../project/projectStore.ts'
import { askDepthsOnCut } from '../work/pool.ts'

/** How deep the cut of the open piece lies under the walls, while something of it is cast hollow. */
export function useCutDepths(looked: () => boolean) {
  const project = useProject()
  const question = computed<SurveyQuestion | undefined>((before) => {
    const { piece, plan, turn } = project
    if (!looked() || !piece || !plan || !isHollow(plan)) return undefined
    const next = { form: piece.document.form, up: plan.up, turn }
    return JSON.stringify(next) === JSON.stringify(before) ? before : next
  })
  const { answer } = useLatest(() => question.value, askDepthsOnCut)
  return computed(() => (question.value ? answer.value : undefined))
}
