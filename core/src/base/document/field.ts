import { z } from '../schema/index.ts'
import { Problem, type ProblemAmounts, type ProblemCode } from '../problem/index.ts'
import type { Kind } from '../units/index.ts'

/** What a refinement hands to `readDocument`, so that the issue keeps its code and amounts. */
const issue = <C extends ProblemCode>(code: C, amounts: ProblemAmounts[C]) => ({
  code: 'custom' as const,
  params: { problem: { code, amounts } },
})

/**
 * A quantity in SI within what makes sense, for a document's schema.
 *
 * @example quantity('density', 500, 20000).safeParse(1.1).success // false (g/ml typed as kg/m³)
 */
export const quantity = (kind: Kind, min: number, max: number) =>
  z.number().superRefine((value, context) => {
    if (!(value >= min && value <= max)) {
      context.addIssue(issue('out-of-range', { kind, value, min, max }))
    }
  })

/** The id of a document, or of one of its parts. */
export const id = () => z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)

/** A whole number within bounds: copies, facets, counts. */
export const whole = (min: number, max: number) =>
  z.number().superRefine((value, context) => {
    if (!Number.isInteger(value) || value < min || value > max) {
      context.addIssue(issue('not-whole', { value, min, max }))
    }
  })

/** A name or another text that must not be empty. */
export const text = (field: string, longest = 120) =>
  z
    .string()
    .transform((typed) => typed.trim())
    .superRefine((typed, context) => {
      if (typed === '') context.addIssue(issue('missing-text', { field }))
      if (typed.length > longest) {
        context.addIssue(
          issue('malformed', { message: `the ${field} has over ${longest} letters` }),
        )
      }
    })

/** Free words: notes, what to change next time. */
export const note = () => z.string().max(4000)

/** A refinement across fields that fails with one of our own codes, at `path`. */
export function refuse<C extends ProblemCode>(
  context: z.RefinementCtx,
  path: (string | number)[],
  code: C,
  amounts: ProblemAmounts[C],
): void {
  context.addIssue({ ...issue(code, amounts), path })
}

/** The problem that an issue of Zod stands for. */
export function problemOfIssue(found: z.core.$ZodIssue): Problem {
  const path = found.path.map(String).join('.')
  const params = (found as { params?: { problem?: { code: ProblemCode; amounts: never } } }).params
  if (params?.problem) return new Problem(params.problem.code, params.problem.amounts, path)
  return new Problem('malformed', { message: found.message }, path)
}
