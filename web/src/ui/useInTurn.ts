import { onScopeDispose, ref, watch } from 'vue'

/**
 * How many parts of a view are built: the first as soon as it is ready, each other one after the
 * next picture of the screen, so that none waits for the others and no hand for all of them.
 */
export function useInTurn(ready: () => boolean, parts: number) {
  const built = ref(0)
  let gone = false
  onScopeDispose(() => (gone = true))
  const stop = watch(
    ready,
    async (is) => {
      if (!is) return
      for (built.value = 1; built.value < parts && !gone; built.value++) await picture()
      stop()
    },
    { immediate: true, flush: 'sync' },
  )
  return built
}

/** After the next picture; of a page that nobody sees none is drawn. */
const picture = () =>
  new Promise<void>((done) => {
    if (document.hidden) setTimeout(done)
    else requestAnimationFrame(() => setTimeout(done))
  })
