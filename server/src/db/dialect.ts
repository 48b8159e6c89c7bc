import { createRequire } from 'node:module'
import type { Knex } from 'knex'
import dialect from 'knex/lib/dialects/better-sqlite3/index.js'
import { isLocked } from './faults.ts'

const require = createRequire(import.meta.url)
const BetterSqlite = dialect as typeof Knex.Client

interface Connection {
  close(): void
  /** Knex's own mark: a connection that bears it is not given out again. */
  __knex__disposed?: unknown
}
interface Inner {
  _query(connection: Connection, query: unknown): Promise<unknown>
}

/**
 * Knex's synchronous SQLite dialect over libsql, whose binary comes inside its package. A
 * statement that fails on a lock stays open in libsql and keeps its connection inside the
 * transaction: such a connection is not given out again, the pool makes a new one.
 */
export class LibsqlDialect extends BetterSqlite {
  _driver(): unknown {
    return require('libsql')
  }

  async _query(connection: Connection, query: unknown): Promise<unknown> {
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
