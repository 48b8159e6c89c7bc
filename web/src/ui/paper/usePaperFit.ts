import { nextTick, ref, watch, type Ref, type WatchSource } from 'vue'

/** A4 less its margins at 96 px to the inch. */
const pageHeight = 1010
const step = 0.03

/** How large a page is printed: what is longer than a sheet is made smaller until it fits. */
export function usePaperFit(
  content: Ref<HTMLElement | undefined>,
  changes: WatchSource[],
  smallest: number,
) {
  const zoom = ref(1)
  watch(
    [content, ...changes],
    async () => {
      zoom.value = 1
      await nextTick()
      const height = () => content.value?.getBoundingClientRect().height ?? 0
      while (zoom.value > smallest && height() > pageHeight) {
        zoom.value -= step
        await nextTick()
      }
    },
    { immediate: true, flush: 'post' },
  )
  return zoom
}
