import { randomBytes } from 'node:crypto'
import { isGoing, type BackupJob, type BackupState } from '@mivro/core/base/answer'
import { Problem, toData, type ProblemData } from '@mivro/core/base/problem'

/** What a job came to. */
export type Outcome = Pick<BackupJob, 'restored' | 'leftOut' | 'bytes'>

/** A backup or a restore, from when it is asked for until it is done, given up or refused. */
export class Job {
  readonly id = randomBytes(12).toString('hex')
  readonly given = new AbortController()
  state: BackupState = 'waiting'
  /** Share of the work that is done. */
  done = 0
  outcome: Outcome = {}
  problem?: ProblemData
  /** When it last moved, ms. */
  moved = Date.now()

  constructor(
    readonly kind: 'backup' | 'restore',
    /** What it does once it is its turn. */
    private readonly work: (job: Job) => Promise<Outcome>,
    /** What is answered for an error that nobody foresaw. */
    private readonly fault: (error: unknown) => Problem,
  ) {}

  get over(): boolean {
    return !isGoing(this.state)
  }

  progress(done: number): void {
    this.done = done
    this.moved = Date.now()
  }

  async run(): Promise<void> {
    if (this.over) return
    this.state = 'working'
    this.done = 0
    try {
      this.outcome = await this.work(this)
      this.done = 1
      this.state = 'done'
    } catch (error) {
      this.refuse(error)
    }
    this.moved = Date.now()
  }

  cancel(): void {
    if (this.over) return
    this.given.abort()
    if (this.state !== 'working') this.state = 'cancelled'
  }

  private refuse(error: unknown): void {
    if (this.given.signal.aborted) {
      this.state = 'cancelled'
      return
    }
    this.state = 'failed'
    this.problem = toData(error instanceof Problem ? error : this.fault(error))
  }
}
