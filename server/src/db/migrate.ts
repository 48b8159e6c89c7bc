import type { Knex } from 'knex'
import { Problem } from '@mivro/core/base/problem'
import * as documents from './migrations/0001_documents.ts'
import * as epochAndNames from './migrations/0002_epoch_and_names.ts'
import * as picturesAndWorld from './migrations/0003_pictures_and_world.ts'
import * as devices from './migrations/0004_devices.ts'
import * as versions from './migrations/0005_versions.ts'

export interface Migration {
  name: string
  up(db: Knex): Promise<void>
}

/** In their order. Names carry no file ending, so that they hold in every build. */
export const migrations: readonly Migration[] = [
  { name: '0001_documents', up: documents.up },
  { name: '0002_epoch_and_names', up: epochAndNames.up },
  { name: '0003_pictures_and_world', up: picturesAndWorld.up },
  { name: '0004_devices', up: devices.up },
  { name: '0005_versions', up: versions.up },
]

/**
 * Brings the database up to date. Foreign keys rest meanwhile, since altering a table rebuilds
 * it and a cascade would take the child rows along; they are checked before they come back.
 *
 * Throws `Problem('database-newer')` when it knows a migration that this version does not.
 */
export async function migrate(db: Knex, list: readonly Migration[] = migrations): Promise<void> {
  await refuseNewer(db, list)
  await db.raw('PRAGMA foreign_keys = OFF')
  await db.migrate.latest({
    migrationSource: {
      getMigrations: async () => [...list],
      getMigrationName: (migration: Migration) => migration.name,
      getMigration: async ({ up }: Migration) => ({ up, down: async () => {} }),
    },
  })
  const broken = (await db.raw('PRAGMA foreign_key_check')) as unknown[]
  if (broken.length > 0) throw new Error(`${broken.length} rows lost their parent in a migration`)
  await db.raw('PRAGMA foreign_keys = ON')
}

async function refuseNewer(db: Knex, list: readonly Migration[]): Promise<void> {
  if (!(await db.schema.hasTable('knex_migrations'))) return
  const known = new Set(list.map((migration) => migration.name))
  const done = await db<{ name: string }>('knex_migrations').select('name')
  const unknown = done.find(({ name }) => !known.has(name))
  if (unknown) throw new Problem('database-newer', { unknown: unknown.name })
}
