import { setImmediate as nextTurn } from 'node:timers/promises'
import { parseCookie } from 'cookie'
import express, { Router, type Request, type RequestHandler, type Response } from 'express'
import { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { deviceName } from './device.ts'
import type { Passphrase } from './passphrase.ts'
import { enterPage, enterStyle } from './page.ts'
import type { Sessions } from './sessions.ts'
import { Tries } from './tries.ts'

const cookieName = 'mivro'
const itself = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1'])
const ownNames = new Set(['127.0.0.1', 'localhost', '[::1]'])

/** So many guesses are taken together, from all addresses: they are looked at one after the other. */
const mostAtOnce = 2
/** Who comes meanwhile tries again after this, s. */
const busyWait = 1

/** Browsers keep no cookie longer, ms. */
const cookieLasts = 400 * 24 * 3600_000

export interface GateOptions {
  passphrase: Passphrase
  sessions: Sessions
  tls: boolean
  tries?: Tries
}

/** What a device shows that it was let in by. */
export const tokenOf = (request: Request): string | undefined =>
  parseCookie(request.headers.cookie ?? '')[cookieName]

/** A request of this machine to itself. */
export const isItself = (request: Request): boolean =>
  itself.has(request.socket.remoteAddress ?? '') &&
  ownNames.has((request.headers.host ?? '').replace(/:\d+$/, ''))

/**
 * Serves other devices nothing but the question for the passphrase until they gave it; this
 * machine itself is not asked.
 */
export function gate({ passphrase, sessions, tls, tries = new Tries() }: GateOptions): Router {
  const router = Router()
  const letIn: RequestHandler = (request, response, next) => {
    if (isItself(request)) return next('router')
    const token = tokenOf(request)
    if (!sessions.has(token)) return next()
    void sessions.used(token!).catch(() => undefined)
    sessions.answers(token!, response)
    next('router')
  }
  router.use(letIn)

  let checking = 0
  async function isRight(given: string): Promise<boolean> {
    checking++
    try {
      return await passphrase.is(given)
    } finally {
      checking--
    }
  }

  router.get('/enter.css', (_request, response) => {
    response.type('text/css').send(enterStyle)
  })

  const refused = (response: Response, wait: number) =>
    ask(response, new Problem('passphrase-wrong', { wait }))
  /**
   * Who has to wait is told before anything of the guess is read, and one in a turn: hundreds that come
   * at once hold up nobody else's page.
   */
  let turn: Promise<unknown> = Promise.resolve()
  const inTime: RequestHandler = async (request, response, next) => {
    const waits = tries.waits(request.socket.remoteAddress ?? '')
    if (waits === 0 && checking < mostAtOnce) return next()
    await (turn = turn.then(() => nextTurn()))
    refused(response, waits > 0 ? waits : busyWait)
  }
  router.post(
    '/enter',
    inTime,
    express.urlencoded({ extended: false, limit: '2kb' }),
    inTime,
    async (request, response) => {
      const from = request.socket.remoteAddress ?? ''
      // Counted before it is looked at: others that come meanwhile from there wait already.
      const wait = tries.wrong(from)
      const given = ((request.body ?? {}) as { passphrase?: unknown }).passphrase
      if (typeof given !== 'string' || !(await isRight(given))) return refused(response, wait)
      tries.right(from)
      response.cookie(cookieName, await sessions.begin(deviceName(request.headers['user-agent'])), {
        httpOnly: true,
        sameSite: 'strict',
        secure: tls,
        // The server decides when it ends: every use puts that off.
        maxAge: cookieLasts,
        path: '/',
      })
      response.redirect(303, '/')
    },
  )

  router.use((request, response) => {
    if (request.path.startsWith('/api')) throw new Problem('passphrase-needed', {})
    ask(response)
  })
  return router
}

/** Where devices are let out again: this one, another, or all of them. */
export function leaving(sessions: Sessions): Router {
  const router = Router()
  router.delete('/here', async (request, response) => {
    const token = tokenOf(request)
    if (token !== undefined) await sessions.end(token)
    response.clearCookie(cookieName, { path: '/' }).status(204).end()
  })
  router.delete('/devices/:id', async (request, response) => {
    await sessions.endOne(request.params.id)
    response.status(204).end()
  })
  router.delete('/all', async (_request, response) => {
    await sessions.endAll()
    response.clearCookie(cookieName, { path: '/' }).status(204).end()
  })
  return router
}

function ask(response: Response, problem?: Problem): void {
  response
    .status(401)
    // Packing a page this small costs more than it saves, three hundred times at once.
    .set('Cache-Control', 'no-store, no-transform')
    // Without a referrer a form would send no origin either, and be taken for another site's.
    .set('Referrer-Policy', 'same-origin')
    .type('html')
    .send(enterPage(problem && sayProblem(problem)))
}
