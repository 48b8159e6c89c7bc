import { randomBytes } from 'node:crypto'
import type { ErrorRequestHandler, Response } from 'express'
import type { Logger } from 'pino'
import { Problem, Problems, toData, type ProblemCode } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { StaleWrite } from '../document/store.ts'

const statusOf: Partial<Record<ProblemCode, number>> = {
  'not-found': 404,
  'mesh-missing': 404,
  'picture-missing': 404,
  'passphrase-needed': 401,
  'passphrase-wrong': 401,
  'pot-under-pressure': 409,
  'scale-empty': 409,
  'id-taken': 409,
  'revision-stale': 409,
  'demo-not-empty': 409,
  'parent-deleted': 409,
  'file-too-large': 413,
  'body-too-large': 413,
  'store-replaced': 409,
  'backup-busy': 409,
  'backup-gone': 404,
  'disk-too-small': 507,
  'wrong-request': 400,
  'store-locked': 503,
  'store-full': 507,
  'store-read-only': 503,
  'store-gone': 503,
  'store-in-use': 503,
  'store-damaged': 500,
  'server-fault': 500,
}

/** Every error as a problem document (RFC 9457) with our code, amounts, path and sentence. */
export function problemAnswer(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error)
    if (error instanceof StaleWrite) {
      return answer(response, [error.problem], { current: error.current, yours: error.yours })
    }
    if (error instanceof Problem) {
      if (error.code.startsWith('store-')) log.warn({ err: error, path: request.path }, 'store')
      return answer(response, [error])
    }
    if (error instanceof Problems) return answer(response, error.list)
    if (error?.type === 'entity.too.large') {
      return answer(response, [new Problem('body-too-large', { limit: error.limit })])
    }
    if (error?.type === 'entity.parse.failed') {
      return answer(response, [new Problem('malformed', { message: 'it is not JSON' })])
    }
    const refused = refusal(error)
    if (refused) return answer(response, [refused.problem], {}, refused.status)
    answer(response, [unforeseen(log, error, request.path)])
  }
}

/** An error that nobody foresaw: logged, and said by a reference to that line of the log. */
export function unforeseen(log: Logger, error: unknown, path: string): Problem {
  const reference = randomBytes(4).toString('hex')
  // pino writes an error's message and stack under `err` alone.
  log.error({ reference, path, err: error }, 'request failed')
  return new Problem('server-fault', { reference })
}

/** A request that Express or a parser of it can't use: a bad %, an unknown charset or encoding. */
function refusal(error: unknown): { problem: Problem; status: number } | undefined {
  const { status, statusCode, message } = (error ?? {}) as Partial<
    Record<'status' | 'statusCode', number> & { message: string }
  >
  const code = status ?? statusCode
  if (code === undefined || code < 400 || code > 499) return undefined
  return {
    problem: new Problem('wrong-request', { reason: message ?? `status ${code}` }),
    status: code,
  }
}

function answer(
  response: Response,
  problems: readonly Problem[],
  more: object = {},
  status = statusOf[problems[0].code] ?? 422,
): void {
  const [first] = problems
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
