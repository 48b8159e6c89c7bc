import { computed, nextTick, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { openName } from '../project/openName.ts'

/** What each address is called: in the title of the page, and in the trail at the top. */
export const placeNames: Record<string, string> = {
  pieces: 'Pieces',
  'new-piece': 'New piece',
  shape: 'Shape',
  mould: 'Mould',
  pour: 'Pour',
  history: 'History',
  pulls: 'Pulls',
  sheet: 'Pour sheet',
  'mould-sheet': 'Mould sheet',
  moulds: 'Moulds',
  runs: 'Runs',
  run: 'Run',
  'run-sheet': 'Run sheet',
  bench: 'Bench',
  'mould-bench': 'Bench',
  log: 'Log',
  equipment: 'Equipment',
  desk: 'Mixing',
  shelf: 'Materials',
  studio: 'Settings',
  lost: 'Not found',
}

/** The trail to what is open: the place, then the piece in it. */
export function useTrail() {
  const route = useRoute()
  return computed(() => {
    const place = placeNames[String(route.name)] ?? 'Pieces'
    if (route.name === 'new-piece') return ['Pieces', place]
    if (route.params.run !== undefined) {
      const parts = route.name === 'run' ? [] : [place]
      return openName.value ? ['Runs', openName.value, ...parts] : ['Runs']
    }
    if (route.params.id === undefined) return [place]
    return openName.value ? ['Pieces', openName.value, place] : ['Pieces']
  })
}

/** The page's title names what is open; the focus goes to its heading when another is opened. */
export function useWhereabouts(): void {
  const trail = useTrail()
  watch(
    trail,
    (parts) => {
      const own = parts.length > 2 ? parts.slice(1) : parts.slice(-1)
      document.title = `${own.join(', ')} · Mivro`
    },
    { immediate: true },
  )
  useRouter().afterEach(async (to, from) => {
    if (from.name === undefined || to.name === from.name) return
    await nextTick()
    const heading = document.querySelector<HTMLElement>('main h1')
    heading?.setAttribute('tabindex', '-1')
    heading?.focus({ preventScroll: true })
  })
}
