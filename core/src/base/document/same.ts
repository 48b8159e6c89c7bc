/**
 * Whether two documents say the same, whatever the order of their fields; a field that is
 * absent equals one that is undefined.
 *
 * @example sameDocument({ a: 1, b: [2] }, { b: [2], a: 1 }) // true
 */
export function sameDocument(a: unknown, b: unknown): boolean {
  return canonical(a) === canonical(b)
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) => {
    if (typeof part !== 'object' || part === null || Array.isArray(part)) return part
    const fields = part as Record<string, unknown>
    return Object.fromEntries(
      Object.keys(fields)
        .sort()
        .map((key) => [key, fields[key]]),
    )
  })
}
