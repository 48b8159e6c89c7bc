/** What is done, and in which part of the work: parts, as the halves of a mould, follow one another. */
export interface Operation<Code extends string = string> {
  does: Code
  /** Left out: it belongs to all of them. */
  part?: number
}

/** The first is finished before the other begins, in each part by itself. */
export type Precedence<Code extends string = string> = readonly [first: Code, then: Code]

const isEarlierPart = (a: Operation, b: Operation) =>
  a.part !== undefined && b.part !== undefined && a.part < b.part

const meet = (a: Operation, b: Operation) =>
  a.part === undefined || b.part === undefined || a.part === b.part

/**
 * Topological sort: operations in an order that keeps every rule, otherwise as they were given
 * (Kahn 1962). Rules that contradict one another are a fault of the program: throws an `Error` that
 * names what waits for itself.
 *
 * @example inOrder([{ does: 'walls' }, { does: 'bed' }], [['bed', 'walls']])[0].does // 'bed'
 */
export function inOrder<T extends Operation>(
  operations: readonly T[],
  rules: readonly Precedence[],
): T[] {
  const before = operations.map((then) =>
    operations.filter(
      (first) =>
        isEarlierPart(first, then) ||
        (meet(first, then) && rules.some(([a, b]) => a === first.does && b === then.does)),
    ),
  )
  const done = new Set<T>()
  const found: T[] = []
  while (found.length < operations.length) {
    const next = operations.findIndex(
      (operation, i) => !done.has(operation) && before[i].every((first) => done.has(first)),
    )
    if (next < 0) {
      const left = operations.filter((operation) => !done.has(operation))
      throw new Error(`these wait for one another: ${left.map(({ does }) => does).join(', ')}`)
    }
    done.add(operations[next])
    found.push(operations[next])
  }
  return found
}

/**
 * What stands in the wrong order: each rule that is broken, none where all are kept.
 *
 * @example brokenIn([{ does: 'walls' }, { does: 'bed' }], [['bed', 'walls']]) // [['bed', 'walls']]
 */
export const brokenIn = <Code extends string>(
  operations: readonly Operation[],
  rules: readonly Precedence<Code>[],
): Precedence<Code>[] =>
  rules.filter(([first, then]) =>
    operations.some(
      (late, i) =>
        late.does === first &&
        operations.slice(0, i).some((early) => early.does === then && meet(early, late)),
    ),
  )

/** A list with one of its entries moved. @example moved(['a', 'b', 'c'], 2, 0) // ['c', 'a', 'b'] */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  return list.toSpliced(from, 1).toSpliced(to, 0, list[from])
}
