import knex, { type Knex } from 'knex'
import { LibsqlDialect } from './dialect.ts'
import { migrate } from './migrate.ts'

export type Database = Knex
export type Transaction = Knex.Transaction

/** Another program's lock is waited for so long inside SQLite, ms; the server goes on trying. */
const busyTimeout = 100

/** The write-ahead log is cut back to this when it is emptied, bytes. */
const logKept = 32_000_000

const silent = { warn() {}, error() {}, deprecate() {}, debug() {} }

/**
 * Opens the database at `file` (or ':memory:'), brought up to date unless asked not to. WAL with full sync: what has
 * been answered survives a kill. One connection, so transactions run one after the other;
 * inside one use the transaction, never the database, or it waits for itself.
 *
 * Throws `Problem('database-newer')`, and what SQLite throws.
 */
export async function connect(
  file: string,
  { schema = 'brought up to date' }: { schema?: 'brought up to date' | 'as it is' } = {},
): Promise<Database> {
  const db = knex({
    client: LibsqlDialect,
    connection: { filename: file },
    useNullAsDefault: true,
    // What goes wrong is thrown and logged where it is answered: once, not at every try.
    log: silent,
    pool: {
      min: 1,
      max: 1,
      afterCreate(connection: { exec(sql: string): void }, done: (error?: unknown) => void) {
        try {
          connection.exec(`PRAGMA busy_timeout = ${busyTimeout}`)
          connection.exec('PRAGMA synchronous = FULL')
          connection.exec(`PRAGMA journal_size_limit = ${logKept}`)
          connection.exec('PRAGMA foreign_keys = ON')
          done()
        } catch (error) {
          done(error)
        }
      },
    },
    acquireConnectionTimeout: 5000,
  })
  try {
    if (schema === 'brought up to date') {
      await db.raw('PRAGMA journal_mode = WAL')
      await migrate(db)
    }
  } catch (error) {
    await db.destroy()
    throw error
  }
  return db
}
