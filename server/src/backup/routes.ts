import { basename } from 'node:path'
import express, { Router } from 'express'
import { z } from '@mivro/core/base/schema'
import { readDocument } from '@mivro/core/base/document'
import type { BackupJob } from '@mivro/core/base/answer'
import type { Job } from './job.ts'
import { partSize, type BackupJobs } from './jobs.ts'

const askedSchema = z.discriminatedUnion('kind', [
  /** `leaveOut`: what can't be read any more. */
  z.object({ kind: z.literal('backup'), leaveOut: z.boolean().default(false) }),
  z.object({ kind: z.literal('restore'), bytes: z.number().int().positive() }),
])
const partSchema = z.object({ at: z.coerce.number().int().nonnegative() })

/** Backup out and in as jobs: asked for, looked at, given up, fetched; an upload comes in parts. */
export function backupRoutes(jobs: BackupJobs): Router {
  const router = Router()
  const view = (job: Job): BackupJob => ({
    id: job.id,
    kind: job.kind,
    state: job.state,
    done: job.done,
    problem: job.problem,
    ...job.outcome,
    ...(job.state === 'receiving' ? { has: jobs.has(job), partSize } : {}),
  })

  router.post('/jobs', express.json(), async (request, response) => {
    const asked = readDocument(askedSchema, request.body)
    const job =
      asked.kind === 'backup' ? jobs.backup(asked.leaveOut) : await jobs.receive(asked.bytes)
    response.status(202).json(view(job))
  })

  router.get('/jobs/:id', (request, response) => {
    response.json(view(jobs.job(request.params.id)))
  })

  router.put('/jobs/:id/part', async (request, response) => {
    const job = jobs.job(request.params.id)
    await jobs.part(job, readDocument(partSchema, request.query).at, request)
    response.json(view(job))
  })

  router.delete('/jobs/:id', (request, response) => {
    const job = jobs.job(request.params.id)
    jobs.cancel(job)
    response.json(view(job))
  })

  router.get('/jobs/:id/:name.zip', (request, response) => {
    const file = jobs.ready(jobs.job(request.params.id))
    // By parts as the browser asks for them: a download that broke off goes on.
    response.attachment(basename(`${request.params.name}.zip`)).type('application/zip')
    response.sendFile(file, { dotfiles: 'allow', cacheControl: false })
  })

  return router
}
