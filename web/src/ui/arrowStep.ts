const ways: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/**
 * How far an arrow key moves what has the focus, right and up: by `step`, with Shift `wide`
 * times as far; undefined for any other key. An arrow that is taken scrolls nothing.
 */
export function arrowStep(
  event: KeyboardEvent,
  step: number,
  wide = 10,
): [number, number] | undefined {
  const way = ways[event.key]
  if (!way) return undefined
  event.preventDefault()
  const by = event.shiftKey ? wide * step : step
  return [way[0] * by, way[1] * by]
}
