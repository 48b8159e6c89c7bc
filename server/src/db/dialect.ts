import { createRequire } from 'node:module'
import type { Knex } from 'knex'
import dialect from 'knex/lib/dialects/better-sqlite3/index.js'
import { isLocked } from './faults.ts'

const require = createRequire(import.meta.url)
const BetterSqlite = dialect as typeof Knex.Client

interface Connection {
  close(): void
  exec(sql: string): void
  /** Knex's own mark: a connection that bears it is not given out again. */
  __knex__disposed?: unknown
}
interface Query {
  sql: string
}
interface Inner {
  _query(connection: Connection, query: Query): Promise<unknown>
}

/** Takes the lock that a write needs, and writes nothing. */
const takeLock = "UPDATE about SET value = value WHERE key = 'none'"
const writes = /^\s*(insert|update|delete|replace)\b/i
const ends = /^\s*(begin|commit|rollback)\b/i

/** Connections that hold that lock, until their transaction ends. */
const writing = new WeakSet<Connection>()

/**
 * Knex's synchronous SQLite dialect over libsql, whose binary comes inside its package. A
 * statement that fails on a lock stays open in libsql, and its connection can't be closed until
 * memory is collected: so the lock is taken before the first write of a transaction, by a call
 * that leaves nothing open. Where a statement fails on one all the same its connection is not given
 * out again.
 */
export class LibsqlDialect extends BetterSqlite {
  _driver(): unknown {
    return require('libsql')
  }

  async _query(connection: Connection, query: Query): Promise<unknown> {
    if (ends.test(query.sql)) writing.delete(connection)
    else if (writes.test(query.sql) && !writing.has(connection)) {
      lock(connection)
      writing.add(connection)
    }
    try {
      return await (BetterSqlite.prototype as unknown as Inner)._query.call(this, connection, query)
    } catch (error) {
      if (isLocked(error)) connection.__knex__disposed = error
      throw error
    }
  }

  override async destroyRawConnection(connection: Connection): Promise<void> {
    try {
      connection.close()
    } catch {
      // With a statement left open it can refuse to close; it is not used again either way.
    }
  }
}

function lock(connection: Connection): void {
  try {
    connection.exec(takeLock)
  } catch (error) {
    // A store that is only being made has no such table yet, and nobody else.
    if (isLocked(error)) throw error
  }
}
