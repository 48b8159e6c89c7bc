import { computed, type Ref } from 'vue'
import type { CompiledPlan } from '@mivro/core/work/plan'
import type { Frame } from './frame.ts'
import { spread } from './labels.ts'

/** Room for a label, px: three lines, or fewer where there are many layers. */
const full = 60
const twoLines = 42
const least = 22

/** What stays free above and below the column of labels, px. */
const free = { top: 56, bottom: 8 }

/** Where the layers' labels stand beside the cutaway, and how many lines each has room for. */
export function useLabels(compiled: () => CompiledPlan, frame: Ref<Frame>) {
  const size = computed(() => {
    const each = (frame.value.height - free.top - free.bottom) / compiled().layers.length
    return Math.max(least, Math.min(full, Math.floor(each)))
  })

  /** What is the matter with each layer that can't be poured. */
  const blockedBy = computed(() => {
    const found = new Map<string | undefined, 'stop' | 'todo'>()
    for (const { severity, place } of compiled().cautions) {
      if (severity === 'stop' || (severity === 'todo' && !found.has(place.layer))) {
        found.set(place.layer, severity)
      }
    }
    return found
  })

  return computed(() => {
    const { y, height } = frame.value
    const room = size.value >= full ? 3 : size.value >= twoLines ? 2 : 1
    const centres = compiled().layers.map((layer) => (y(layer.bottom) + y(layer.top)) / 2)
    const placed = spread(centres, size.value, free.top, height - free.bottom)
    return compiled().layers.map((layer, i) => {
      const blocked = blockedBy.value.get(layer.id)
      return {
        layer,
        blocked,
        /** What stops a pour is said before anything else. */
        lines: blocked && room < 3 ? 1 : room,
        centre: centres[i],
        middle: placed[i],
        top: placed[i] - size.value / 2 + 2,
        height: size.value - 4,
      }
    })
  })
}
