import { computed, shallowRef, watch } from 'vue'
import type { Mould } from '@mivro/core/mould'
import type { Pull } from '@mivro/core/work/pull'
import type { Stored } from '../../api/client.ts'
import { listNewest } from '../../api/sessions.ts'

/** The pulls of all pieces that a mould makes, newest first. */
export function usePullsOf(mould: () => Mould | undefined) {
  const pulls = shallowRef<Stored<Pull>[]>([])
  watch(
    () => mould()?.pieces.join(),
    async () => {
      const pieces = mould()?.pieces ?? []
      const lists = await Promise.all(pieces.map((piece) => listNewest('pulls', { parent: piece })))
      pulls.value = lists
        .flat()
        .sort((a, b) => b.document.pouredAt.localeCompare(a.document.pouredAt))
    },
    { immediate: true },
  )
  const lastWords = computed(() => pulls.value.find(({ document }) => document.nextTime !== ''))
  return { pulls, lastWords }
}
