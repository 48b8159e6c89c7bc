/** Follows a pointer along the clock: places are px from the strip's left edge. */
export function useStripDrag(
  strip: () => HTMLElement | undefined,
  on: { drag: (x: number) => void; drop?: () => void; nudge: (by: number) => void },
) {
  let from = 0
  let moved = false

  const place = (event: PointerEvent) =>
    event.clientX - (strip()?.getBoundingClientRect().left ?? 0)

  function down(event: PointerEvent): void {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    from = place(event)
    moved = false
  }

  function move(event: PointerEvent): void {
    if (!(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return
    const at = place(event)
    if (!moved && Math.abs(at - from) < 2) return
    moved = true
    on.drag(at)
  }

  function up(): void {
    if (moved) on.drop?.()
    moved = false
  }

  const minute = 60
  /** Arrows move by five minutes, with Shift by half an hour. */
  function key(event: KeyboardEvent): void {
    const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
    if (way === undefined) return
    event.preventDefault()
    on.nudge(way * (event.shiftKey ? 30 : 5) * minute)
  }

  return { down, move, up, key }
}
