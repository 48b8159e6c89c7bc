import { computed } from 'vue'
import { colourOf, type Place, type PlanInclusion } from '@mivro/core/inclusion'
import { judgeArrangement, withLayer, type CompiledLayer, type Plan } from '@mivro/core/plan'
import { useProject } from '../../project/projectStore.ts'
import { useArrangement } from '../../project/useArrangement.ts'

/** Everything that is set in, where it lies, and moving it. */
export function useSetThings(layer: () => CompiledLayer | undefined) {
  const project = useProject()
  const { arrangement, problem } = useArrangement(
    () =>
      project.piece && project.plan && project.compiled
        ? { form: project.piece.document.form, plan: project.plan, compiled: project.compiled }
        : undefined,
    { always: true },
  )

  /** Arranged things with their names and colours. */
  const things = computed(() =>
    (arrangement.value?.things ?? []).flatMap((one) => {
      const of = project.plan!.layers.find(({ id }) => id === one.layer)
      const found = of?.inclusions.find(({ id }) => id === one.id)
      return found ? [{ ...one, name: found.name, colour: colourOf(found) }] : []
    }),
  )
  const own = computed(() => things.value.filter((one) => one.layer === layer()?.id))
  const outline = computed(
    () => arrangement.value?.outlines.find((one) => one.layer === layer()?.id)?.loops,
  )
  const cautions = computed(() =>
    arrangement.value
      ? judgeArrangement(project.plan!, arrangement.value).filter(
          ({ place }) => place.layer === layer()?.id,
        )
      : [],
  )

  const withInclusion = (id: string, change: Partial<PlanInclusion>): Plan => {
    const { index } = layer()!
    const inclusions = project.plan!.layers[index].inclusions.map((one) =>
      one.id === id ? { ...one, ...change } : one,
    )
    return withLayer(project.plan!, index, { inclusions })
  }
  /** While it is dragged a thing is only shown where it would lie; let go, it stays. */
  const drag = (id: string, places: Place[]) =>
    (project.planPreview = withInclusion(id, { places }))
  const drop = () => project.planPreview && project.changePlan(project.planPreview)
  const change = (id: string, values: Partial<PlanInclusion>) =>
    project.changePlan(withInclusion(id, values))

  return { arrangement, problem, things, own, outline, cautions, drag, drop, change }
}
