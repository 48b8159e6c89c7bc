import knex, { type Knex } from 'knex'
import { LibsqlDialect } from './dialect.ts'
import { migrate } from './migrate.ts'

export type Database = Knex
export type Transaction = Knex.Transaction

/**
 * Opens the store at `file` (or ':memory:'), brought up to date. WAL with full sync: what has
 * been answered survives a kill. One connection, so transactions run one after the other;
 * inside one use the transaction, never the database, or it waits for itself.
 *
 * Throws `Problem('database-newer')`.
 */
export async function connect(file: string): Promise<Database> {
  const db = knex({
    client: LibsqlDialect,
    connection: { filename: file },
    useNullAsDefault: true,
    pool: { min: 1, max: 1 },
    acquireConnectionTimeout: 5000,
  })
  try {
    await db.raw('PRAGMA journal_mode = WAL')
    await db.raw('PRAGMA synchronous = FULL')
    await migrate(db)
  } catch (error) {
    await db.destroy()
    throw error
  }
  return db
}
