import { parseCookie } from 'cookie'
import express, { Router, type Request, type RequestHandler, type Response } from 'express'
import { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import type { Passphrase } from './passphrase.ts'
import { enterPage, enterStyle } from './page.ts'
import type { Sessions } from './sessions.ts'
import { Tries } from './tries.ts'

const cookieName = 'mivro'
const itself = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1'])
const ownNames = new Set(['127.0.0.1', 'localhost', '[::1]'])

/** So many guesses are looked at together, from all addresses: each takes a thread that files are read with. */
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

const tokenOf = (request: Request): string | undefined =>
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

  router.post(
    '/enter',
    express.urlencoded({ extended: false, limit: '2kb' }),
    async (request, response) => {
      const from = request.socket.remoteAddress ?? ''
      const refused = (wait: number) => ask(response, new Problem('passphrase-wrong', { wait }))
      const waits = tries.waits(from)
      if (waits > 0) return refused(waits)
      if (checking >= mostAtOnce) return refused(busyWait)
      // Counted before it is looked at: others that come meanwhile from there wait already.
      const wait = tries.wrong(from)
      const given = ((request.body ?? {}) as { passphrase?: unknown }).passphrase
      if (typeof given !== 'string' || !(await isRight(given))) return refused(wait)
      tries.right(from)
      response.cookie(cookieName, await sessions.begin(), {
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

/** Where devices are let out again: this one, or all of them. */
export function leaving(sessions: Sessions): Router {
  const router = Router()
  router.delete('/here', async (request, response) => {
    const token = tokenOf(request)
    if (token !== undefined) await sessions.end(token)
    response.clearCookie(cookieName, { path: '/' }).status(204).end()
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
    .set('Cache-Control', 'no-store')
    // Without a referrer a form would send no origin either, and be taken for another site's.
    .set('Referrer-Policy', 'same-origin')
    .type('html')
    .send(enterPage(problem && sayProblem(problem)))
}
