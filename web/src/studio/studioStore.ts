import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { problemsOf } from '@mivro/core/problem'
import { newStudio, type Studio } from '@mivro/core/studio'
import { metric, type UnitChoice } from '@mivro/core/units'
import { api } from '../api/client.ts'
import { openKeeper, type Keeper } from '../api/keeper.ts'

const id = 'studio'

/** What holds everywhere: the studio's name, its units, its scale. */
export const useStudio = defineStore('studio', () => {
  const keeper = shallowRef<Keeper<'studios'>>()
  const studio = computed<Studio>(() => keeper.value?.document ?? newStudio)
  const units = computed<UnitChoice>(() => keeper.value?.document.units ?? metric)

  async function load(): Promise<void> {
    try {
      keeper.value = await openKeeper('studios', id)
    } catch (error) {
      if (problemsOf(error)[0].code !== 'not-found') throw error
      await api.add('studios', id, newStudio)
      keeper.value = await openKeeper('studios', id)
    }
  }

  function change(values: Partial<Studio>): void {
    keeper.value?.edit({ ...studio.value, ...values })
  }

  return { keeper, studio, units, load, change }
})
