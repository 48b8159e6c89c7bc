import type { ProblemData } from '../problem/index.ts'

/** A device of the network that gave the passphrase. */
export interface Device {
  id: string
  name: string
  /** Moments as ISO 8601. */
  since: string
  used: string
  /** The one that asks. */
  here: boolean
}

export type BackupState = 'receiving' | 'waiting' | 'working' | 'done' | 'failed' | 'cancelled'

/** A backup or a restore that the server works on. */
export interface BackupJob {
  id: string
  kind: 'backup' | 'restore'
  state: BackupState
  /** Share of it that is done. */
  done: number
  problem?: ProblemData
  /** What was restored, and where the store before it is kept. */
  restored?: {
    documents: number
    revisions: number
    meshes: number
    pictures: number
    kept: string
  }
  /** Of a backup: its bytes, and what could not be read any more. */
  bytes?: number
  leftOut?: { documents: string[]; versions: number; meshes: string[]; pictures: string[] }
  /** Of an upload: bytes that are there, and how many go into one part. */
  has?: number
  partSize?: number
}

/** Whether a job is still going on. @example isGoing('waiting') // true */
export const isGoing = (state: BackupState): boolean =>
  state === 'receiving' || state === 'waiting' || state === 'working'
