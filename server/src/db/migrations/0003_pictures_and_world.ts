import type { Knex } from 'knex'

/**
 * Pictures by the hash of their bytes, with a small one for lists; and the simulated world at the
 * bench, one row of it; and devices of the network that gave the passphrase, by their token's hash.
 */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('pictures', (table) => {
    table.string('id', 64).primary()
    table.string('type', 20).notNullable()
    table.integer('bytes').notNullable()
    table.binary('body').notNullable()
    table.binary('small').nullable()
    table.string('created_at', 30).notNullable()
  })
  await db.schema.createTable('world', (table) => {
    table.integer('id').primary()
    table.text('body').notNullable()
  })
  await db.schema.createTable('devices', (table) => {
    table.string('token', 64).primary()
    table.bigInteger('until').notNullable()
  })
}
