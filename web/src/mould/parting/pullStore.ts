import { computed, shallowRef } from 'vue'
import { defineStore } from 'pinia'
import type { Vec3 } from '@mivro/core/form/mesh'
import { turnedPull } from '@mivro/core/mould'
import { useLatest } from '../../project/useLatest.ts'
import { useProject } from '../../project/projectStore.ts'
import { askParting } from '../../work/pool.ts'

const step = Math.PI / 36
/** So coarse it answers while a hand turns. */
const coarse = 48

/** A direction to pull two halves apart that is tried, before the master is laid so. */
export const usePull = defineStore('pull', () => {
  const project = useProject()
  /** For which master as it stands: another piece forgets it. */
  const tried = shallowRef<{ direction: Vec3; of: string }>()
  const standing = computed(() =>
    JSON.stringify([project.piece?.id, project.mould?.masterUp, project.mould?.kind]),
  )
  const direction = computed(() =>
    tried.value?.of === standing.value ? tried.value.direction : undefined,
  )
  const question = computed(() =>
    direction.value && project.piece
      ? { form: project.piece.document.form, up: direction.value, longest: coarse }
      : undefined,
  )
  const { answer, problem, busy } = useLatest(() => question.value, askParting)

  const turn = (about: number, up: number) => {
    const from = direction.value ?? (project.mould!.masterUp as Vec3)
    const turned = turnedPull(from, project.plan!.up as Vec3, {
      about: about * step,
      up: up * step,
    })
    tried.value = { direction: turned, of: standing.value }
  }
  const forget = () => (tried.value = undefined)
  /** The master is laid in its box so that it is pulled straight up. */
  const use = () => {
    const [x, y, z] = direction.value!
    project.changeMould({ masterUp: [x, y, z], parting: undefined })
  }
  return { direction, answer, problem, busy, turn, forget, use }
})
