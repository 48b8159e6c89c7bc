import type { Knex } from 'knex'

/** What a device that was let in is, and since when, ms. */
export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('devices', (table) => {
    table.string('name', 60).notNullable().defaultTo('')
    table.bigInteger('since').notNullable().defaultTo(0)
  })
}
