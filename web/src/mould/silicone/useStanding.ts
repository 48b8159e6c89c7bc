import { computed } from 'vue'
import type { Section } from '@mivro/core/form/filling'
import { dot, unit, type Vec3 } from '@mivro/core/form/mesh'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { askSection } from '../../work/pool.ts'

/** Nearer than this to the way the piece is poured, the master stands upright in that cut. */
const aligned = 1e-6

/**
 * The cut through the master as it stands in its box: that of the piece where it stands the same way or
 * upside down (`turned`), or one of its own where it lies on its side.
 */
export function useStanding() {
  const project = useProject()
  const way = computed(() => {
    const { plan, mould } = project
    return plan && mould ? dot(unit(plan.up as Vec3), unit(mould.masterUp as Vec3)) : 1
  })
  const lies = computed(() => Math.abs(way.value) < 1 - aligned)
  const question = computed(() =>
    lies.value && project.piece
      ? { form: project.piece.document.form, up: project.mould!.masterUp as Vec3, turn: 0 }
      : undefined,
  )
  const { answer } = useLatest(
    () => question.value,
    async (asked) => ({ asked, section: await askSection(asked) }),
  )
  const section = computed((): Section | undefined => {
    if (!lies.value) return project.survey?.section
    const found = answer.value
    return JSON.stringify(found?.asked) === JSON.stringify(question.value)
      ? found?.section
      : undefined
  })
  return { section, turned: computed(() => !lies.value && way.value < 0) }
}
