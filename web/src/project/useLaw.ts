import { shallowRef, watch } from 'vue'
import type { Learned } from '@mivro/core/matter/cure'
import type { Resin } from '@mivro/core/matter/material'
import { askLaw } from '../work/pool.ts'

/** What a resin's sheet and what was seen of it come to; undefined until it is reckoned. */
export function useLaw(resin: () => Resin | undefined) {
  const law = shallowRef<Learned>()
  watch(
    resin,
    async (asked) => {
      if (!asked) return (law.value = undefined)
      const found = await askLaw(asked)
      if (resin() === asked) law.value = found
    },
    { immediate: true },
  )
  return law
}
