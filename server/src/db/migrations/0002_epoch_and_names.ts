import { randomBytes } from 'node:crypto'
import type { Knex } from 'knex'

/**
 * A store knows itself by its epoch, which changes when a backup takes its place; a version can
 * be given a name; lists find their rows by kind and time.
 */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('about', (table) => {
    table.string('key', 20).primary()
    table.string('value', 64).notNullable()
  })
  await db('about').insert({ key: 'epoch', value: newEpoch() })
  await db.schema.alterTable('revisions', (table) => {
    table.string('name', 80).nullable()
  })
  await db.schema.alterTable('documents', (table) => {
    table.index(['kind', 'deleted_at', 'created_at', 'id'])
  })
}

export const newEpoch = (): string => randomBytes(12).toString('hex')
