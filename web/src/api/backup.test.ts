import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { BackupJob } from '@mivro/core/base/answer'
import { problemsOf } from '@mivro/core/base/problem'
import { answered } from './answers.ts'
import { packBackup, placeOfBackup, restoreBackup } from './backup.ts'

const job = (more: Partial<BackupJob>): BackupJob => ({
  id: 'j1',
  kind: 'backup',
  state: 'working',
  done: 0.5,
  ...more,
})
type Answer = () => Response | Promise<Response>
const says =
  (more: Partial<BackupJob>): Answer =>
  () =>
    answered(job(more))
const refuses =
  (code: string, status: number): Answer =>
  () =>
    answered({ problems: [{ code, amounts: {}, path: '' }] }, status)
const away: Answer = () => Promise.reject(new TypeError('no connection'))

/** What was asked, and what is answered to it in turn. */
let asked: string[]
let answers: Answer[]
let bodies: (number | undefined)[]
beforeEach(() => {
  vi.useFakeTimers()
  asked = []
  bodies = []
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    if (path.includes('studios')) return Promise.resolve(answered({}))
    asked.push(`${init.method} ${path.replace('/api/backup/jobs', '')}`)
    bodies.push(init.body instanceof Blob ? init.body.size : undefined)
    return Promise.resolve().then(answers.shift()!)
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const { signal } = new AbortController()
/** Lets all waiting pass. */
async function result<T>(work: Promise<T>): Promise<T | string> {
  const outcome = work.catch((error: Error) =>
    error instanceof DOMException ? error.name : problemsOf(error)[0].code,
  )
  await vi.advanceTimersByTimeAsync(20_000)
  return outcome
}

describe('a backup', () => {
  it('is looked at until it lies ready, and says how far it is', async () => {
    answers = [
      says({ state: 'waiting', done: 0 }),
      says({ done: 0.4 }),
      away,
      says({ state: 'done' }),
    ]
    const heard: number[] = []
    const made = await result(packBackup(true, ({ done }) => heard.push(done), signal))
    expect(made).toMatchObject({ state: 'done' })
    expect(heard).toEqual([0, 0.4, 0.4])
    expect(placeOfBackup('j1', new Date('2026-03-04T10:00:00Z'))).toBe(
      '/api/backup/jobs/j1/mivro-2026-03-04.zip',
    )
  })

  it('that met what is damaged says that', async () => {
    const problem = { code: 'backup-damaged' as const, amounts: {}, path: '' }
    answers = [says({}), says({ state: 'failed', problem })]
    expect(await result(packBackup(false, () => {}, signal))).toBe('backup-damaged')
  })

  it('is given up where it is worked on, not only here', async () => {
    const given = new AbortController()
    answers = [says({}), says({}), says({}), says({ state: 'cancelled' })]
    const work = packBackup(false, () => given.abort(), given.signal)
    expect(await result(work)).toBe('AbortError')
    expect(asked).toEqual(['POST ', 'GET /j1', 'DELETE /j1', 'GET /j1'])
  })
})

describe('a restore', () => {
  const file = new Blob([new Uint8Array(25)])
  const receiving = (has: number, id = 'j1') =>
    says({ id, kind: 'restore', state: 'receiving', has, partSize: 10 })
  const restored = { documents: 3, revisions: 3, meshes: 0, pictures: 0, kept: 'before' }
  const done = says({ state: 'done', restored })

  it('is sent in parts; one that broke off is sent again', async () => {
    answers = [receiving(0), receiving(10), away, receiving(20), says({ state: 'waiting' }), done]
    expect(await result(restoreBackup(file, () => {}, signal))).toMatchObject({
      restored: { documents: 3 },
    })
    expect(asked.slice(1, -1)).toEqual([
      'PUT /j1/part?at=0',
      'PUT /j1/part?at=10',
      'PUT /j1/part?at=10',
      'PUT /j1/part?at=20',
    ])
    expect(bodies.slice(1, -1)).toEqual([10, 10, 10, 5])
  })

  it('begins anew where the server was started anew, and goes on where the server says', async () => {
    answers = [receiving(0), receiving(20), refuses('backup-gone', 404), receiving(0, 'j2'), done]
    expect(await result(restoreBackup(file, () => {}, signal))).toMatchObject({ state: 'done' })
    expect(asked.slice(1)).toEqual([
      'PUT /j1/part?at=0',
      'PUT /j1/part?at=20',
      'POST ',
      'PUT /j2/part?at=0',
    ])
  })

  it('that is refused says why', async () => {
    answers = [refuses('backup-busy', 409)]
    expect(await result(restoreBackup(file, () => {}, signal))).toBe('backup-busy')
  })
})
