import type { BackupJob } from '@mivro/core/base/answer'
import type { DocumentTypeName } from '@mivro/core/studio'

/** What each type of document is called where it is listed. */
export const documentTypeWords: Record<DocumentTypeName, string> = {
  piece: 'Piece',
  mould: 'Mould',
  run: 'Run',
  bench: 'Run at the bench',
  plan: 'Pour',
  pull: 'Pull',
  material: 'Materials',
  studio: 'Settings',
}

/** What a job of backup or restore is at. @example sayBackupJob({ kind: 'backup', state: 'working' }) // 'Packing the backup …' */
export function sayBackupJob({ kind, state }: Pick<BackupJob, 'kind' | 'state'>): string {
  if (state === 'waiting') return 'Another backup is being worked on; this one is next.'
  if (state === 'receiving') return 'Sending the backup …'
  return kind === 'backup'
    ? 'Packing the backup …'
    : 'Checking the backup; nothing is replaced until all of it is good …'
}
