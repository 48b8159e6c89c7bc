import { ref } from 'vue'

/** Less than this from where it was taken is a click, px. */
const still = 2

/**
 * Follows a pointer from where a thing is taken until it is let go. A hand moves faster than a
 * screen shows: one step for each picture, and the last one before it is dropped.
 */
export function useDrag(on: {
  take?: (event: PointerEvent) => void
  move: (event: PointerEvent) => void
  drop?: () => void
}) {
  const dragging = ref(false)
  let taken: PointerEvent | undefined
  let wanted: PointerEvent | undefined

  function down(event: PointerEvent): void {
    if (event.button !== 0) return
    const target = event.currentTarget as Element
    target.setPointerCapture(event.pointerId)
    taken = event
    on.take?.(event)
  }

  function move(event: PointerEvent): void {
    if (!taken) return
    const far = Math.hypot(event.clientX - taken.clientX, event.clientY - taken.clientY)
    if (!dragging.value && far < still) return
    dragging.value = true
    if (!wanted) requestAnimationFrame(follow)
    wanted = event
  }

  function follow(): void {
    if (wanted) on.move(wanted)
    wanted = undefined
  }

  function up(): void {
    const moved = dragging.value
    taken = undefined
    dragging.value = false
    if (!moved) return
    follow()
    on.drop?.()
  }

  return { dragging, down, move, up }
}
