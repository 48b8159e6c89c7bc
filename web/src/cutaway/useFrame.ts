import { computed, type Ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Section } from '@mivro/core/form/filling'
import { frameFor, outlinePath } from './frame.ts'

/** The drawing of a section in the element `box`: sizes in px, the frame, the outline in it. */
export function useFrame(
  box: Ref<HTMLElement | undefined>,
  section: () => Section,
  mould: () => 'open' | 'closed',
  labels: () => 'beside' | 'none' = () => 'beside',
) {
  const { width, height } = useElementSize(box, { width: 784, height: 488 })
  const frame = computed(() => frameFor(section(), width.value, height.value, mould(), labels()))
  const path = computed(() => outlinePath(section(), frame.value))
  return { width, height, frame, path }
}
