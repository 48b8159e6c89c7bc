import { Router, type Response } from 'express'
import { actSchema, lineSchema, readLine } from '@mivro/core/work/instrument'
import { materialSchema } from '@mivro/core/matter/material'
import { readDocument } from '@mivro/core/base/document'
import { Problem } from '@mivro/core/base/problem'
import { z } from '@mivro/core/base/schema'
import { readBody } from '../http/readBody.ts'
import { fastest, type Instruments, type Message } from './instruments.ts'

/** A page that does not read on is not written to any further, bytes. */
const unread = 256_000

const doneSchema = z.object({
  act: actSchema,
  /** The resin whose parts meet, so that its cup warms as it does. */
  resin: z.unknown().optional(),
})
const speedSchema = z.object({
  speed: z.number().min(1).max(fastest),
  /** Begin again at the machine's clock. */
  at: z.literal('the time of day').optional(),
})
/** What a bridge says at once, bytes. */
const mostOfLines = 64_000

/** Readings as they come (server-sent events), and what a person does to the simulated world. */
export function instrumentRoutes(instruments: Instruments): Router {
  const router = Router()

  router.get('/', (_request, response) => {
    response.json(instruments.look())
  })

  router.get('/stream', (request, response) => {
    response.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    })
    response.flushHeaders()
    const stop = instruments.listen((message) => send(response, message))
    const go = instruments.onEnd(() => response.end())
    request.once('close', () => {
      stop()
      go()
    })
  })

  router.post('/act', async (request, response) => {
    const { act, resin } = readDocument(doneSchema, request.body)
    const read = resin === undefined ? undefined : readDocument(materialSchema, resin)
    response.json({ world: await instruments.do(act, read?.kind === 'resin' ? read : undefined) })
  })

  router.post('/speed', async (request, response) => {
    const { speed, at } = readDocument(speedSchema, request.body)
    await (at === 'the time of day' ? instruments.setRight() : instruments.run(speed))
    response.json(instruments.look())
  })

  /** A bridge to real instruments speaks here: one reading a line, as JSON. */
  router.post('/lines', async (request, response) => {
    const text = new TextDecoder().decode(await readBody(request, mostOfLines, 'body-too-large'))
    const lines = text.split('\n').filter((line) => line.trim() !== '')
    for (const line of lines.map((one) => readDocument(lineSchema, parsed(one)))) {
      readLine(line)
      instruments.bridge(line)
    }
    response.status(204).end()
  })

  router.use(() => {
    throw new Problem('wrong-request', { reason: 'that is nothing instruments know' })
  })
  return router
}

function send(response: Response, message: Message): void {
  if (response.writableLength > unread) return
  response.write(`data: ${JSON.stringify(message)}\n\n`)
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line)
  } catch {
    throw new Problem('malformed', { message: 'a line of it is not JSON' })
  }
}
