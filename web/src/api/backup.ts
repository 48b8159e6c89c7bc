import { isGoing, type BackupJob } from '@mivro/core/base/answer'
import { fromData, problemsOf, type Problem } from '@mivro/core/base/problem'
import { ask } from './request.ts'

/** How often a job is looked at, ms. */
const lookEvery = 300
/** What broke off goes on after this, ms. */
const retryAfter = 1500

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

const json = 'application/json'
const begin = (wanted: object) =>
  ask<BackupJob>('POST', 'backup/jobs', { body: JSON.stringify(wanted), type: json })
const look = (id: string) => ask<BackupJob>('GET', `backup/jobs/${id}`)

/** Where a finished backup is fetched. */
export const placeOfBackup = (id: string, now: Date): string =>
  `/api/backup/jobs/${id}/mivro-${now.toISOString().slice(0, 10)}.zip`

/** Has the server pack a backup, and answers it once it lies ready; `leaveOut` what is damaged. */
export async function packBackup(
  leaveOut: boolean,
  heard: (job: BackupJob) => void,
  signal: AbortSignal,
): Promise<BackupJob> {
  return over(await begin({ kind: 'backup', leaveOut }), heard, signal)
}

/**
 * Sends a file part by part and has it restored. Where the network breaks off it goes on with the
 * part that is missing, and from the beginning where the server was started anew meanwhile.
 */
export async function restoreBackup(
  file: Blob,
  heard: (job: BackupJob) => void,
  signal: AbortSignal,
): Promise<BackupJob> {
  let job = await begin({ kind: 'restore', bytes: file.size })
  const partSize = job.partSize!
  while (job.state === 'receiving') {
    heard(job)
    const at = job.has!
    try {
      job = await ask<BackupJob>('PUT', `backup/jobs/${job.id}/part?at=${at}`, {
        body: file.slice(at, at + partSize),
        type: 'application/octet-stream',
        signal,
      })
    } catch (error) {
      if (signal.aborted) await giveUp(job.id)
      const { code } = problemsOf(error)[0]
      if (code === 'backup-gone') job = await begin({ kind: 'restore', bytes: file.size })
      else if (code === 'server-away') await pause(retryAfter)
      else throw error
    }
  }
  return over(job, heard, signal)
}

/** Looks at a job until it is over. Throws the `Problem` that it ran into. */
async function over(
  first: BackupJob,
  heard: (job: BackupJob) => void,
  signal: AbortSignal,
): Promise<BackupJob> {
  let job = first
  let told = false
  while (isGoing(job.state)) {
    if (signal.aborted && !told) {
      told = true
      await giveUp(job.id)
    }
    heard(job)
    await pause(lookEvery)
    job = await look(job.id).catch((error: unknown) => {
      if (problemsOf(error)[0].code === 'server-away') return job
      throw error
    })
  }
  if (job.state === 'failed') throw fromData(job.problem!)
  if (job.state === 'cancelled') throw new DOMException('given up', 'AbortError')
  return job
}

const giveUp = (id: string) => ask<BackupJob>('DELETE', `backup/jobs/${id}`).catch(() => undefined)

/** Whether a backup can be had all the same, without what is damaged. */
export const canLeaveOut = (problems: readonly Problem[]): boolean =>
  problems.some(({ code }) => code === 'backup-damaged')
