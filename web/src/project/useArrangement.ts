import { computed } from 'vue'
import type { Arrangement } from '@mivro/core/matter/inclusion'
import type { Form } from '@mivro/core/form/piece'
import { layersToSet, type CompiledPlan, type Plan } from '@mivro/core/work/plan'
import { askArrangement } from '../work/pool.ts'
import { useLatest } from './useLatest.ts'

const nothing: Arrangement = { outlines: [], things: [] }

/**
 * Where everything that is set in lies. `always` asks for the outlines too where nothing is set in;
 * else there is nothing to ask then.
 */
export function useArrangement(
  of: () => { form: Form; plan: Plan; compiled: CompiledPlan } | undefined,
  { always = false, on = 'front' }: { always?: boolean; on?: 'front' | 'back' } = {},
) {
  let asked = ''
  const question = computed<Parameters<typeof askArrangement>[0] | undefined>((before) => {
    const found = of()
    if (!found) return undefined
    const layers = layersToSet(found.plan, found.compiled)
    if (!always && layers.every(({ things }) => things.length === 0)) return undefined
    const question = { form: found.form, up: found.plan.up, layers }
    const key = JSON.stringify(question)
    if (key === asked) return before
    asked = key
    return question
  })
  const { answer, problem } = useLatest(
    () => question.value,
    (one) => askArrangement(one, { on }),
  )
  /** Nothing while it is not known; what was known while it is asked anew. */
  const arrangement = computed(() => (question.value ? answer.value : nothing))
  return { arrangement, problem }
}
