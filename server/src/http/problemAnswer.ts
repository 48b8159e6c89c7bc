import { randomBytes } from 'node:crypto'
import type { ErrorRequestHandler, Response } from 'express'
import type { Logger } from 'pino'
import { sayProblem } from '@mivro/core/caution'
import { Problem, Problems, toData, type ProblemCode } from '@mivro/core/problem'
import { StaleWrite } from '../document/store.ts'

const statusOf: Partial<Record<ProblemCode, number>> = {
  'not-found': 404,
  'mesh-missing': 404,
  'revision-stale': 409,
  'demo-not-empty': 409,
  'parent-deleted': 409,
  'file-too-large': 413,
  'body-too-large': 413,
  'server-fault': 500,
}

/** Every error as a problem document (RFC 9457) with our code, amounts, path and sentence. */
export function problemAnswer(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error)
    if (error instanceof StaleWrite) {
      return answer(response, [error.problem], { current: error.current, yours: error.yours })
    }
    if (error instanceof Problem) return answer(response, [error])
    if (error instanceof Problems) return answer(response, error.list)
    if (error?.type === 'entity.too.large') {
      return answer(response, [new Problem('body-too-large', { limit: error.limit })])
    }
    if (error?.type === 'entity.parse.failed') {
      return answer(response, [new Problem('malformed', { message: 'it is not JSON' })])
    }
    const reference = randomBytes(4).toString('hex')
    log.error({ reference, path: request.path, error }, 'request failed')
    answer(response, [new Problem('server-fault', { reference })])
  }
}

function answer(response: Response, problems: readonly Problem[], more: object = {}): void {
  const [first] = problems
  const status = statusOf[first.code] ?? 422
  // A body that was refused unread would otherwise be waited for.
  if (status === 413) response.set('Connection', 'close')
  response
    .status(status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: `urn:mivro:problem:${first.code}`,
        title: sayProblem(first),
        status,
        ...toData(first),
        problems: problems.map(toData),
        ...more,
      }),
    )
}
