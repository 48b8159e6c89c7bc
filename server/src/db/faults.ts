import { Problem } from '@mivro/core/base/problem'

const codeOf = (error: unknown): string => {
  const { code } = (error ?? {}) as { code?: unknown }
  return typeof code === 'string' ? code : ''
}

export const isLocked = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(error))

/** Something in the file is not what it was, or its disk does not give it back. */
export const isDamage = (error: unknown): boolean =>
  /^SQLITE_(CORRUPT|NOTADB|FORMAT|IOERR)/.test(codeOf(error))

/** What SQLite or the disk says of a store, as a problem a person can act on. */
export function storeProblem(error: unknown, file: string): Problem | undefined {
  const code = codeOf(error)
  if (isLocked(error) || (error instanceof Error && error.name === 'KnexTimeoutError')) {
    return new Problem('store-locked', {})
  }
  if (code.startsWith('SQLITE_FULL') || code === 'ENOSPC') return new Problem('store-full', {})
  if (/^SQLITE_(READONLY|PERM|CANTOPEN|AUTH)/.test(code) || code === 'EACCES' || code === 'EROFS') {
    return new Problem('store-read-only', { file })
  }
  if (/^SQLITE_(NOTADB|FORMAT)/.test(code)) {
    return new Problem('store-damaged', { file, reason: 'no database' })
  }
  if (code.startsWith('SQLITE_CORRUPT')) {
    return new Problem('store-damaged', { file, reason: 'pages' })
  }
  if (code.startsWith('SQLITE_IOERR')) {
    // A full disk shows as an input or output error as often as by its own name.
    return new Problem('store-damaged', { file, reason: 'disk' })
  }
  return undefined
}
