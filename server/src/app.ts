import { existsSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express } from 'express'
import { pino, type Logger } from 'pino'
import { Problem } from '@mivro/core/problem'
import { backupRoutes } from './backup/routes.ts'
import type { Database } from './db/connect.ts'
import { demoRoutes } from './demo/routes.ts'
import { kindNames, kinds } from './document/kinds.ts'
import { documentRoutes } from './document/routes.ts'
import { ownHost, securityHeaders } from './http/guard.ts'
import { problemAnswer } from './http/problemAnswer.ts'
import { meshRoutes } from './mesh/routes.ts'

export interface AppOptions {
  /** Folder of the built web application; absent in tests of the API. */
  web?: string
  /** Where the state before a restore is put aside. */
  keepIn?: string
  log?: Logger
}

/** The whole API and the web application over a store, without listening. */
export function createApp(
  db: Database,
  { web, keepIn, log = pino({ level: 'silent' }) }: AppOptions = {},
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(ownHost, securityHeaders, compression())
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store')
    next()
  })
  app.use('/api/meshes', meshRoutes(db))
  app.use('/api/backup', backupRoutes(db, keepIn))
  app.use('/api', express.json({ limit: '2mb' }))
  for (const kind of kindNames) app.use(`/api/${kinds[kind].path}`, documentRoutes(db, kind))
  app.use('/api/demo', demoRoutes(db))
  app.use('/api', (request) => {
    throw new Problem('not-found', { kind: 'address', id: request.path })
  })
  if (web !== undefined && existsSync(web)) serveWeb(app, web)
  app.use(problemAnswer(log))
  return app
}

function serveWeb(app: Express, web: string): void {
  app.use(
    '/assets',
    express.static(join(web, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  )
  app.use(express.static(web, { index: false }))
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(join(web, 'index.html'))
  })
}
