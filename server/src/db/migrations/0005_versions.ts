import type { Knex } from 'knex'

/** What is asked of all versions is found without reading their bodies, which lie before it in a row. */
export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('revisions', (table) => {
    table.index(['document', 'revision', 'change', 'at', 'name'], 'revisions_told')
    table.index(['at'], 'revisions_at')
  })
}
