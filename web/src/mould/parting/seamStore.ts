import { computed, shallowRef, watch } from 'vue'
import { defineStore } from 'pinia'
import type { Vec3 } from '@mivro/core/form/mesh'
import { frontOf, lineCutAt, seamNeeded, seamSide, type Seam } from '@mivro/core/mould'
import { useProject } from '../../project/projectStore.ts'
import { askSeam } from '../../work/pool.ts'
import { useJob } from '../../work/useJob.ts'

/** Hardness of a silicone where none is chosen, Shore A. */
const usualHardness = 30

/** Where the block of the piece that is open is cut. */
export const useSeam = defineStore('seam', () => {
  const project = useProject()
  const { run, problems } = useJob<never>()
  const found = shallowRef<Seam>()
  /** It was looked for, and there is none: the piece lies in several parts. */
  const none = shallowRef(false)

  const question = computed(() => {
    const { piece, plan, mould, survey } = project
    if (!piece || !plan || !survey || mould?.kind !== 'cut block') return undefined
    const guess = survey.cautions.some(({ code }) => code === 'shape-measured')
    if (guess) return undefined
    const up = plan.up as Vec3
    const gate = mould.openings.find(({ what }) => what === 'gate')
    const from = gate?.at as Vec3 | undefined
    return { form: piece.document.form, up, from, front: frontOf(up, mould.faces) }
  })
  watch(
    () => JSON.stringify(question.value),
    async () => {
      const asked = question.value
      if (!asked) {
        found.value = undefined
        none.value = false
        return
      }
      const answer = await run((heard) => askSeam(asked, heard))
      if (asked !== question.value && JSON.stringify(asked) !== JSON.stringify(question.value))
        return
      found.value = answer
      none.value = answer === undefined && problems.value.length === 0
    },
    { immediate: true },
  )

  const hardness = computed(() => project.silicone?.hardness ?? usualHardness)
  /** How long it has to be in silicone of a hardness; none where not even all of it is enough. */
  const neededAt = (shore: number) => found.value && seamNeeded(found.value, shore)
  const needed = computed(() => neededAt(hardness.value))
  /** The line on the skin: what is cut, and what stays closed. */
  const line = computed(
    () => found.value && lineCutAt(found.value.line, needed.value ?? found.value.length),
  )
  /** On which side of the piece it lies. */
  const side = computed(() => found.value && seamSide(found.value, project.plan!.up as Vec3))
  return { found, side, none, problems, hardness, neededAt, needed, line }
})
