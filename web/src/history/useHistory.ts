import { computed, ref, shallowRef } from 'vue'
import { changedLines, type Revision } from '@mivro/core/base/document'
import { type Plan } from '@mivro/core/work/plan'
import { describePlan } from '@mivro/words/plan'
import { api } from '../api/client.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'

export interface Version extends Revision<Plan> {
  /** The plan in lines, and those that this version changed. */
  lines: string[]
  changed: string[]
}

/** The versions of a plan, the newest first, fetched page by page. */
export function useHistory(id: () => string) {
  const shelf = useShelf()
  const studio = useStudio()
  const found = shallowRef<Revision<Plan>[]>([])
  const next = ref<string>()
  const loaded = ref(false)

  async function load(before?: string): Promise<void> {
    const page = await api.history('plans', id(), before, 30)
    found.value = before === undefined ? page.items : [...page.items, ...found.value]
    next.value = page.next
    loaded.value = true
  }

  const versions = computed((): Version[] => {
    const described = found.value.map((version) => ({
      ...version,
      lines: describePlan(version.document, shelf.materials, studio.units),
    }))
    return described
      .map((version, i) => ({
        ...version,
        changed: i > 0 ? changedLines(described[i - 1].lines, version.lines) : [],
      }))
      .reverse()
  })

  async function name(revision: number, text: string): Promise<void> {
    const named = text.trim() === '' ? null : text.trim()
    await api.nameVersion('plans', id(), revision, named)
    found.value = found.value.map((version) =>
      version.revision === revision ? { ...version, name: named } : version,
    )
  }

  return { versions, next, loaded, load, name }
}
