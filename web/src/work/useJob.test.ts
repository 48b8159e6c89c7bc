import { describe, expect, it } from 'vitest'
import { effectScope } from 'vue'
import { Problem } from '@mivro/core/base/problem'
import { useJob } from './useJob.ts'

/** Work that the test ends, and what it was handed. */
function begun(job: ReturnType<typeof useJob<string>>) {
  let handed!: { signal: AbortSignal; onProgress: (now: string) => void }
  let end!: { resolve: (answer: string) => void; reject: (error: unknown) => void }
  const answer = job.run((options) => {
    handed = options
    return new Promise<string>((resolve, reject) => {
      end = { resolve, reject }
      options.signal.addEventListener('abort', () => reject(options.signal.reason as Error))
    })
  })
  return { answer, handed, end }
}

describe('work of which only the newest counts', () => {
  it('says how far it is, then answers', async () => {
    const job = useJob('begun')
    const work = begun(job)
    expect(job.progress.value).toBe('begun')
    work.handed.onProgress('half')
    expect(job.progress.value).toBe('half')
    work.end.resolve('done')
    expect(await work.answer).toBe('done')
    expect(job.progress.value).toBeUndefined()
  })

  it('refused, it says why, gives up what else it asked, and hears no progress after that', async () => {
    const job = useJob<string>()
    const work = begun(job)
    work.end.reject(new Problem('not-a-direction', {}))
    expect(await work.answer).toBeUndefined()
    expect(job.problems.value[0].code).toBe('not-a-direction')
    expect(work.handed.signal.aborted).toBe(true)
    work.handed.onProgress('late')
    expect(job.progress.value).toBeUndefined()
  })

  it('begun anew, the one before is given up without a word', async () => {
    const job = useJob<string>()
    const before = begun(job)
    const newest = begun(job)
    expect(await before.answer).toBeUndefined()
    before.handed.onProgress('old')
    newest.handed.onProgress('new')
    expect([job.progress.value, job.problems.value]).toEqual(['new', []])
    newest.end.resolve('answer')
    expect(await newest.answer).toBe('answer')
  })

  it('ends with the view that asked', async () => {
    const scope = effectScope()
    const job = scope.run(() => useJob('begun'))!
    const work = begun(job)
    scope.stop()
    expect(await work.answer).toBeUndefined()
    expect(job.progress.value).toBeUndefined()
  })
})
