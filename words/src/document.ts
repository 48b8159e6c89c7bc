import type { Change } from '@mivro/core/base/document'

/** What a version of a document came from. */
export const changeWords: Record<Change, string> = {
  made: 'Created',
  edited: 'Changed',
  undone: 'Undone',
  redone: 'Redone',
  deleted: 'Deleted',
  restored: 'Restored',
}
