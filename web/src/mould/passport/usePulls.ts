import { computed, shallowRef, watch } from 'vue'
import type { Mould } from '@mivro/core/mould'
import type { Pull } from '@mivro/core/work/pull'
import type { Stored } from '../../api/client.ts'
import { pullsOfMould } from '../../api/sessions.ts'

/** The pulls of all pieces that a mould makes, newest first. */
export function usePullsOf(mould: () => Mould | undefined) {
  const pulls = shallowRef<Stored<Pull>[]>([])
  watch(
    () => mould()?.pieces.join(),
    async () => {
      const found = await pullsOfMould({ pieces: mould()?.pieces ?? [] })
      pulls.value = found.sort((a, b) => b.document.pouredAt.localeCompare(a.document.pouredAt))
    },
    { immediate: true },
  )
  const lastWords = computed(() => pulls.value.find(({ document }) => document.nextTime !== ''))
  return { pulls, lastWords }
}
