/** A line of a version, and whether the other version lacks it. */
export interface MarkedLine {
  line: string
  differs: boolean
}

/**
 * Two versions side by side, each line marked that the other has not.
 *
 * @example compareLines(['a', 'b'], ['b', 'c']).own // [{ line: 'a', differs: true }, { line: 'b', differs: false }]
 */
export function compareLines(
  own: readonly string[],
  other: readonly string[],
): { own: MarkedLine[]; other: MarkedLine[] } {
  const marked = (lines: readonly string[], against: readonly string[]) => {
    const known = new Set(against)
    return lines.map((line) => ({ line, differs: !known.has(line) }))
  }
  return { own: marked(own, other), other: marked(other, own) }
}

/** What a version changed, as the lines that are new in it; where lines only went, those. */
export function changedLines(before: readonly string[], after: readonly string[]): string[] {
  const { own: gone, other: come } = compareLines(before, after)
  const only = (lines: MarkedLine[]) =>
    lines.filter(({ differs }) => differs).map((one) => one.line)
  const added = only(come)
  return added.length > 0 ? added : only(gone).map((line) => `without ${line}`)
}
