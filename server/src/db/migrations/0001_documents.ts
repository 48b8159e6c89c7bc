import type { Knex } from 'knex'

/**
 * Documents of every kind in one table, each version of them in another, meshes by the hash
 * of their bytes. A deleted document keeps its row, so that the deletion can be taken back.
 */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('documents', (table) => {
    table.string('id', 64).primary()
    table.string('kind', 20).notNullable()
    table.string('parent', 64).nullable().references('id').inTable('documents').onDelete('CASCADE')
    table.integer('revision').notNullable()
    table.text('body').notNullable()
    table.string('created_at', 30).notNullable()
    table.string('updated_at', 30).notNullable()
    table.string('deleted_at', 30).nullable()
    table.index(['kind', 'parent'])
  })
  await db.schema.createTable('revisions', (table) => {
    table
      .string('document', 64)
      .notNullable()
      .references('id')
      .inTable('documents')
      .onDelete('CASCADE')
    table.integer('revision').notNullable()
    table.string('change', 12).notNullable()
    table.text('body').notNullable()
    table.string('at', 30).notNullable()
    table.primary(['document', 'revision'])
  })
  await db.schema.createTable('meshes', (table) => {
    table.string('id', 64).primary()
    table.integer('bytes').notNullable()
    table.binary('body').notNullable()
    table.string('created_at', 30).notNullable()
  })
}
