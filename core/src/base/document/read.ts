import type { z } from '../schema/index.ts'
import { Problems } from '../problem/index.ts'
import { problemOfIssue } from './field.ts'

/**
 * Reads an outside value as a document. Throws `Problems`, one for each field that is off,
 * with its path (`layers.1.tints.0.fraction`).
 */
export function readDocument<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const result = schema.safeParse(value)
  if (result.success) return result.data
  throw new Problems(result.error.issues.map(problemOfIssue))
}
