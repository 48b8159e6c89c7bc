import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import type { Bench } from '@mivro/core/work/bench'
import type { Run } from '@mivro/core/work/run'
import { api } from '../api/client.ts'
import { useRunPours } from '../project/useRunPours.ts'

export type Pictures = ReturnType<typeof useRunPours>['pictures']['value']

/** Sections of the pieces of a bench, as they come: the bench does not wait for them. */
export function usePictures(bench: ComputedRef<Bench | undefined>) {
  const run = shallowRef<Run>()
  const known = useRunPours(() => run.value)
  watch(
    () => (bench.value?.of.what === 'run' ? bench.value.of.id : undefined),
    async (id) => {
      if (id === undefined) return
      try {
        run.value = (await api.get('runs', id)).document
        await known.load()
      } catch {
        // A run that is gone has no pictures; its bench goes on.
      }
    },
    { immediate: true },
  )
  return computed(() => known.pictures.value)
}
