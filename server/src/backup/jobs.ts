import { createWriteStream } from 'node:fs'
import { open, rm, statfs } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Problem } from '@mivro/core/base/problem'
import type { Store } from '../db/store.ts'
import { besideStore } from '../db/leftovers.ts'
import { largestUnpacked, type LeftOut } from './format.ts'
import { Job, type Outcome } from './job.ts'
import { runChild } from './process.ts'
import type { Restored } from './read.ts'

/** An upload comes in parts of this size: what breaks off costs no more than one, bytes. */
export const partSize = 8 * 1024 * 1024

/** A finished backup lies ready for so long, ms, and no more of them than this. */
const readyFor = 3600_000
const mostReady = 2

/** An upload that does not move gives its place away after this, ms. */
const idle = 60_000

/** Jobs that are over and can still be asked about. */
const remembered = 20

interface Settings {
  /** Where the store before a restore is kept. */
  keepIn: string
  fault: (error: unknown) => Problem
}

/**
 * Backups and restores of a store: one is worked on, one more waits, others are refused. What they
 * write lies beside the store under names that the next start sweeps away.
 */
export class BackupJobs {
  private readonly jobs = new Map<string, Job>()
  private working: Job | undefined
  private waiting: Job | undefined
  /** Bytes of uploads that are here, and how many there will be. */
  private readonly uploads = new Map<Job, { has: number; bytes: number }>()

  constructor(
    private readonly store: Store,
    private readonly settings: Settings,
  ) {}

  /** Throws `Problem('backup-gone')`. */
  job(id: string): Job {
    const job = this.jobs.get(id)
    if (!job) throw new Problem('backup-gone', {})
    return job
  }

  /** Begins to pack a backup. Throws `Problem('backup-busy')`. */
  backup(leaveOut: boolean): Job {
    const pack = async (job: Job): Promise<Outcome> => {
      const args = ['write', this.store.file, this.file(job), ...(leaveOut ? ['leave-out'] : [])]
      return this.child<{ leftOut: LeftOut; bytes: number }>(job, args)
    }
    const job = new Job('backup', pack, this.settings.fault)
    this.enqueue(job)
    this.add(job)
    return job
  }

  /** Begins an upload of so many bytes. Throws `Problem`: backup-of-large-store, backup-busy, disk-too-small. */
  async receive(bytes: number): Promise<Job> {
    if (bytes > largestUnpacked)
      throw new Problem('backup-of-large-store', { bytes, limit: largestUnpacked })
    for (const job of this.uploads.keys()) {
      if (job.state !== 'receiving') continue
      if (Date.now() - job.moved < idle) throw new Problem('backup-busy', {})
      this.cancel(job)
    }
    const { bavail, bsize } = await statfs(dirname(this.store.file))
    if (bytes > bavail * bsize) throw new Problem('disk-too-small', { bytes, free: bavail * bsize })
    const job = new Job('restore', (own) => this.restore(own), this.settings.fault)
    job.state = 'receiving'
    this.uploads.set(job, { has: 0, bytes })
    this.add(job)
    await (await open(this.file(job), 'w', 0o600)).close()
    return job
  }

  has(job: Job): number {
    return this.uploads.get(job)?.has ?? 0
  }

  /**
   * Takes the part of an upload that begins at `at`; one that does not follow on what is here is
   * dropped, and the answer says where it goes on. After the last the restore begins.
   *
   * Throws `Problem`: body-too-large, backup-busy.
   */
  async part(job: Job, at: number, source: Readable): Promise<void> {
    const upload = this.uploads.get(job)
    if (!upload || job.state !== 'receiving' || at !== upload.has) {
      source.resume()
      return
    }
    let held = 0
    const most = Math.min(partSize, upload.bytes - at)
    const counted = async function* (parts: AsyncIterable<Buffer>) {
      for await (const part of parts) {
        held += part.length
        if (held > most) throw new Problem('body-too-large', { limit: most })
        yield part
      }
    }
    await pipeline(source, counted, createWriteStream(this.file(job), { flags: 'r+', start: at }))
    // The same part may have come twice, over a connection that was thought to be lost.
    if (upload.has !== at || job.state !== 'receiving') return
    upload.has = at + held
    job.progress(upload.has / upload.bytes)
    if (upload.has < upload.bytes) return
    job.state = 'waiting'
    try {
      this.enqueue(job)
    } catch (error) {
      job.state = 'receiving'
      upload.has = at
      throw error
    }
  }

  /** Gives up what is not done, and removes the file of what is. */
  cancel(job: Job): void {
    job.cancel()
    if (this.waiting === job) this.waiting = undefined
    if (job !== this.working) void this.remove(job)
  }

  /** Of a backup that is done. Throws `Problem('backup-gone')`. */
  ready(job: Job): string {
    if (job.kind !== 'backup' || job.state !== 'done') throw new Problem('backup-gone', {})
    return this.file(job)
  }

  private file(job: Job): string {
    return besideStore(this.store.file, job.id, job.kind === 'backup' ? 'packed' : 'upload')
  }

  private child<T>(job: Job, args: string[]): Promise<T> {
    return runChild<T>(args, {
      signal: job.given.signal,
      progress: (done) => job.progress(done),
    })
  }

  private async restore(job: Job): Promise<Outcome> {
    const next = besideStore(this.store.file, job.id, 'incoming')
    const kept = join(
      this.settings.keepIn,
      `before-restore-${stamp()}-${job.id.slice(0, 6)}.sqlite`,
    )
    try {
      const restored = await this.child<Restored>(job, ['read', this.file(job), next])
      await this.store.replaceWith(next, kept)
      return { restored: { ...restored, kept } }
    } finally {
      const left = ['', '-wal', '-shm', '-journal'].map((ending) => next + ending)
      await Promise.all(left.map((file) => rm(file, { force: true })))
    }
  }

  private add(job: Job): void {
    this.jobs.set(job.id, job)
    const over = [...this.jobs.values()].filter((one) => one.over)
    for (const old of over.slice(0, Math.max(0, over.length - remembered))) {
      this.jobs.delete(old.id)
      void this.remove(old)
    }
  }

  private enqueue(job: Job): void {
    if (this.waiting) throw new Problem('backup-busy', {})
    this.waiting = job
    if (!this.working) void this.goOn()
  }

  private async goOn(): Promise<void> {
    for (;;) {
      const job = this.waiting
      if (!job) return
      this.waiting = undefined
      this.working = job
      await job.run()
      this.working = undefined
      if (job.state !== 'done' || job.kind === 'restore') await this.remove(job)
      this.removeOld()
      setTimeout(() => this.removeOld(), readyFor).unref()
    }
  }

  /** Backups that lie ready for long, or are more than a few. */
  private removeOld(): void {
    const ready = [...this.jobs.values()].filter(
      ({ kind, state }) => kind === 'backup' && state === 'done',
    )
    for (const [i, job] of ready.entries()) {
      if (i >= ready.length - mostReady && Date.now() - job.moved < readyFor) continue
      this.jobs.delete(job.id)
      void this.remove(job)
    }
  }

  private async remove(job: Job): Promise<void> {
    this.uploads.delete(job)
    await rm(this.file(job), { force: true })
  }
}

const stamp = () => new Date().toISOString().slice(0, 19).replace(/[:T]/g, '-')
