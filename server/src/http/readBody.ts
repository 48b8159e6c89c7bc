import type { Request } from 'express'
import { Problem } from '@mivro/core/base/problem'

/**
 * The bytes of a request, at most `limit`. The announced length is judged before anything is
 * kept; a body that turns out longer is dropped as soon as it does.
 *
 * Throws `Problem`: `code`, which says the limit.
 */
export async function readBody(
  request: Request,
  limit: number,
  code: 'file-too-large' | 'body-too-large',
): Promise<Uint8Array> {
  const tooLarge = (bytes: number) =>
    code === 'file-too-large' ? new Problem(code, { bytes, limit }) : new Problem(code, { limit })
  const announced = Number(request.headers['content-length'] ?? 0)
  if (announced > limit) throw tooLarge(announced)
  const chunks: Buffer[] = []
  let held = 0
  for await (const chunk of request as AsyncIterable<Buffer>) {
    held += chunk.length
    if (held > limit) throw tooLarge(held)
    chunks.push(chunk)
  }
  return Buffer.concat(chunks, held)
}
