/** Moves labels (centres and heights, px) apart so that none overlap, within `low` to `high`. */
export function spread(
  centres: readonly number[],
  size: number,
  low: number,
  high: number,
): number[] {
  const order = centres.map((_, i) => i).sort((a, b) => centres[a] - centres[b])
  const placed = [...centres]
  let from = low
  for (const i of order) {
    placed[i] = Math.max(placed[i], from + size / 2)
    from = placed[i] + size / 2
  }
  let to = high
  for (const i of order.reverse()) {
    placed[i] = Math.min(placed[i], to - size / 2)
    to = placed[i] - size / 2
  }
  return placed
}
