import { createRequire } from 'node:module'
import type { Knex } from 'knex'

const require = createRequire(import.meta.url)
const BetterSqlite = require('knex/lib/dialects/better-sqlite3') as typeof Knex.Client

/** Knex's synchronous SQLite dialect over libsql, whose binary comes inside its package. */
export class LibsqlDialect extends BetterSqlite {
  _driver(): unknown {
    return require('libsql')
  }
}
