import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import { pino, type Logger } from 'pino'
import sirv from 'sirv'
import { Problem } from '@mivro/core/base/problem'
import { gate, isItself, leaving, tokenOf, type GateOptions } from './access/gate.ts'
import { BackupJobs } from './backup/jobs.ts'
import { backupRoutes } from './backup/routes.ts'
import type { Store } from './db/store.ts'
import { demoRoutes } from './demo/routes.ts'
import { documentTypeNames, documentTypes } from '@mivro/core/studio'
import { logRoutes } from './document/logRoutes.ts'
import { overviewRoutes } from './document/overviewRoutes.ts'
import { firstRequests, projectRoutes } from './document/projectRoutes.ts'
import { documentRoutes } from './document/routes.ts'
import { sameEpoch } from './http/epoch.ts'
import { ownHost, securityHeaders } from './http/guard.ts'
import { problemAnswer, unforeseen } from './http/problemAnswer.ts'
import type { Instruments } from './instruments/instruments.ts'
import { instrumentRoutes } from './instruments/routes.ts'
import { meshRoutes } from './mesh/routes.ts'
import { pictureRoutes } from './picture/routes.ts'

export interface AppOptions {
  /** Folder of the built web application; absent in tests of the API. */
  web?: string
  /** Where the store before a restore is kept; beside the store if not said. */
  keepIn?: string
  log?: Logger
  /** What stands at the bench; absent where nobody asks for it. */
  instruments?: Instruments
  /** Served to other devices of the local network, under these names, to who gave the passphrase. */
  lan?: GateOptions & { names: readonly string[]; addresses: readonly string[] }
}

/** The whole API and the web application over a store, without listening. */
export function createApp(
  store: Store,
  {
    web,
    keepIn = dirname(store.file),
    log = pino({ level: 'silent' }),
    instruments,
    lan,
  }: AppOptions = {},
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(ownHost(lan?.names), securityHeaders, compression())
  if (lan) app.use(gate(lan))
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store')
    next()
  })
  app.use('/api', sameEpoch(store))
  app.use('/api/meshes', meshRoutes(store))
  app.use('/api/pictures', pictureRoutes(store))
  const fault = (error: unknown) => unforeseen(log, error, 'backup')
  app.use('/api/backup', backupRoutes(new BackupJobs(store, { keepIn, fault })))
  app.get('/api/lan', (request, response) => {
    const devices = lan?.sessions.list(tokenOf(request)) ?? []
    response.json({ addresses: lan?.addresses ?? [], devices, itself: isItself(request) })
  })
  if (lan) app.use('/api/lan', leaving(lan.sessions))
  app.use('/api', express.json({ limit: '2mb' }))
  app.use('/api/overview', overviewRoutes(store))
  app.use('/api/log', logRoutes(store))
  app.use('/api/projects', projectRoutes(store))
  const benchChanged = (id: string, revision: number) => instruments?.changed(id, revision)
  for (const kind of documentTypeNames) {
    const changed = kind === 'bench' ? benchChanged : undefined
    app.use(`/api/${documentTypes[kind].path}`, documentRoutes(store, kind, changed))
  }
  app.use('/api/demo', demoRoutes(store))
  if (instruments) app.use('/api/instruments', instrumentRoutes(instruments))
  app.use('/api', nothingThere)
  if (web !== undefined && existsSync(web)) serveWeb(app, web)
  app.use(problemAnswer(log))
  return app
}

const nothingThere: RequestHandler = (request) => {
  throw new Problem('not-found', { kind: 'address', id: request.path })
}

function serveWeb(app: Express, web: string): void {
  // Compressed when it was built: a page asks for a hundred files at once.
  const year = 365 * 24 * 3600
  app.use(
    '/assets',
    sirv(join(web, 'assets'), { gzip: true, immutable: true, maxAge: year }),
    nothingThere,
  )
  app.use(express.static(web, { index: false }))
  app.get('/{*path}', (request, response) => {
    const asked = firstRequests(request.path)
    response.set(
      'Link',
      asked.map((path) => `<${path}>; rel=preload; as=fetch; crossorigin`),
    )
    response.set('Cache-Control', 'no-cache').sendFile(join(web, 'index.html'))
  })
  app.use((request) => {
    throw new Problem('wrong-request', { reason: `${request.method} is not answered here` })
  })
}
