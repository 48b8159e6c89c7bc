import type { ProblemAmounts, ProblemCode } from './codes.ts'

/**
 * Something given that cannot be used: a stable code, the amounts that its sentence needs
 * (SI units), and the place in the document it belongs to (`layers.1.fill.top`).
 * Its sentence lives in the words.
 */
export class Problem<C extends ProblemCode = ProblemCode> extends Error {
  override readonly name = 'Problem'

  constructor(
    readonly code: C,
    readonly amounts: ProblemAmounts[C],
    readonly path: string = '',
  ) {
    super(path ? `${code} at ${path}` : code)
  }

  /** The same problem at a place further out: `at('layers.1')` puts it under that layer. */
  at(prefix: string): Problem<C> {
    const path = this.path ? `${prefix}.${this.path}` : prefix
    return new Problem(this.code, this.amounts, path)
  }
}

/** Several problems found in one reading, so that every field can show its own. */
export class Problems extends Error {
  override readonly name = 'Problems'

  constructor(readonly list: readonly Problem[]) {
    super(list.map((problem) => problem.message).join('; '))
  }
}

/** What any thrown value says as problems; anything that is not one is thrown on. */
export function problemsOf(error: unknown): readonly Problem[] {
  if (error instanceof Problem) return [error]
  if (error instanceof Problems) return error.list
  throw error
}

/** A problem as plain data, for workers and the wire. */
export interface ProblemData {
  code: ProblemCode
  amounts: Record<string, unknown>
  path: string
}

export const toData = (problem: Problem): ProblemData => ({
  code: problem.code,
  amounts: problem.amounts as Record<string, unknown>,
  path: problem.path,
})

export const fromData = (data: ProblemData): Problem =>
  new Problem(data.code, data.amounts as never, data.path)
