const day = 24 * 3600

/**
 * When the bench is closed during a pour, s after the first mixing: from closing to opening, each
 * night that falls before `end`. `begin`, `from` and `until` are s after midnight.
 *
 * @example nightsOf(79200, { from: 25200, until: 82800 }, 50000) // [{ from: 3600, until: 32400 }]
 */
export function nightsOf(
  begin: number,
  { from, until }: { from: number; until: number },
  end: number,
): { from: number; until: number }[] {
  const found: { from: number; until: number }[] = []
  for (let midnight = -day; midnight + until < begin + end; midnight += day) {
    const closes = Math.max(0, midnight + until - begin)
    const opens = Math.min(end, midnight + day + from - begin)
    if (opens > closes) found.push({ from: closes, until: opens })
  }
  return found
}
