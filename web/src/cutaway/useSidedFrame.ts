import { computed, type Ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Section } from '@mivro/core/form/filling'
import type { CompiledPlan } from '@mivro/core/work/plan'
import { frameForCard, outlinePath } from './frame.ts'

/** Above and below the piece stands which side is up, px. */
const label = 20

/** A section alone in the element `box`, with what its upper and lower sides are called. */
export function useSidedFrame(
  box: Ref<HTMLElement | undefined>,
  section: () => Section,
  compiled: () => CompiledPlan,
) {
  const { width, height } = useElementSize(box, { width: 280, height: 400 })
  const frame = computed(() => frameForCard(section(), width.value, height.value - 2 * label))
  const path = computed(() => outlinePath(section(), frame.value))
  const sides = computed(() =>
    compiled().into.mould === 'open'
      ? { top: 'Back, poured last', bottom: 'Face, poured first' }
      : { top: 'Up', bottom: 'Lowest, poured first' },
  )
  return { width, height, label, frame, path, sides }
}
