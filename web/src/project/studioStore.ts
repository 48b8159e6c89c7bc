import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { problemsOf } from '@mivro/core/base/problem'
import { newStudio, type Studio } from '@mivro/core/studio'
import { metric, type UnitChoice } from '@mivro/core/base/units'
import { api } from '../api/client.ts'
import type { Session } from '../api/session.ts'
import { openSession } from '../api/sessions.ts'

const id = 'studio'

/** What holds everywhere: the studio's name, its units, its scale. */
export const useStudio = defineStore('studio', () => {
  const session = shallowRef<Session<'studios'>>()
  const studio = computed<Studio>(() => session.value?.document ?? newStudio)
  const units = computed<UnitChoice>(() => session.value?.document.units ?? metric)

  async function load(): Promise<void> {
    try {
      session.value = await openSession('studios', id)
    } catch (error) {
      if (problemsOf(error)[0].code !== 'not-found') throw error
      await api.add('studios', id, newStudio)
      session.value = await openSession('studios', id)
    }
  }

  function change(values: Partial<Studio>): void {
    session.value?.edit({ ...studio.value, ...values })
  }

  return { session, studio, units, load, change }
})
