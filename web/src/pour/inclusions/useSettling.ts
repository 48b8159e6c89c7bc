import { computed } from 'vue'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { askSettling } from '../../work/pool.ts'

/** What becomes of the things of a layer while it is liquid, in their order. */
export function useSettling(layer: () => CompiledLayer | undefined) {
  const project = useProject()
  let asked = ''
  const question = computed<Parameters<typeof askSettling>[0] | undefined>((before) => {
    const of = layer()
    const source = of && project.plan?.layers[of.index]
    if (!of?.clock || !of.batch || !source || source.inclusions.length === 0) return undefined
    const { pourAt, mixAt, gelAt } = of.clock
    const things = source.inclusions.map(({ mass, density, thickness, shape, form, held }) => ({
      mass,
      density,
      thickness,
      shape,
      form,
      held,
    }))
    const ripening = { batch: of.batch, gel: gelAt - mixAt }
    const question = { ...ripening, placed: pourAt - mixAt, things }
    const key = JSON.stringify(question)
    if (key === asked) return before
    asked = key
    return question
  })
  const { answer } = useLatest(() => question.value, askSettling)
  return { question, settled: computed(() => (question.value ? answer.value : undefined)) }
}
