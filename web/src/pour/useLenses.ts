import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { isHollow, type Plan } from '@mivro/core/work/plan'

/** What the cutaway shows: a lens never changes the plan. */
const allLenses = [
  { name: 'layers', label: 'Layers', key: '1' },
  { name: 'colour', label: 'Colour', key: '2' },
  { name: 'inclusions', label: 'Inclusions', key: '3' },
  { name: 'air', label: 'Air', key: '4' },
  { name: 'heat', label: 'Heat', key: '5' },
  { name: 'wall', label: 'Wall', key: '6' },
] as const

/** The lenses of a plan, and the one that is looked through: it stands in the address. */
export function useLenses(plan: () => Plan | undefined) {
  const route = useRoute()
  const router = useRouter()
  /** Only what is cast hollow has a wall to look at. */
  const lenses = computed(() => {
    const shown = plan()
    return allLenses.filter(({ name }) => name !== 'wall' || (shown && isHollow(shown)))
  })
  const lens = computed(
    () => lenses.value.find(({ name }) => name === route.query.lens)?.name ?? 'layers',
  )
  const look = (name: string) =>
    router.replace({ query: { ...route.query, lens: name === 'layers' ? undefined : name } })
  return { allLenses, lenses, lens, look }
}
