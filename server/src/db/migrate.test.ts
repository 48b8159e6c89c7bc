import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { connect } from './connect.ts'
import { migrate, migrations, type Migration } from './migrate.ts'

const file = () => join(mkdtempSync(join(tmpdir(), 'mivro-')), 'test.sqlite')
const row = (id: string, parent: string | null) => ({
  id,
  kind: parent ? 'plan' : 'piece',
  parent,
  revision: 1,
  body: '{}',
  created_at: '2026-01-01',
  updated_at: '2026-01-01',
})

describe('migrations', () => {
  it('one that alters a table keeps the child rows', async () => {
    const db = await connect(file())
    await db('documents').insert(row('piece', null))
    await db('documents').insert(row('plan', 'piece'))
    await db('revisions').insert({
      document: 'plan',
      revision: 1,
      change: 'made',
      body: '{}',
      at: '2026',
    })
    const widen: Migration = {
      name: '0002_widen',
      up: async (tx) => {
        await tx.schema.alterTable('documents', (table) =>
          table.string('kind', 60).notNullable().alter(),
        )
      },
    }
    await migrate(db, [...migrations, widen])
    expect(await db('documents').select('id').orderBy('id')).toEqual([
      { id: 'piece' },
      { id: 'plan' },
    ])
    expect(await db('revisions')).toHaveLength(1)
    // And the keys are watched again afterwards.
    await expect(db('documents').insert(row('orphan', 'nobody'))).rejects.toThrow(/FOREIGN KEY/)
    await db.destroy()
  })

  it('a database of a newer version is refused in a sentence, and not touched', async () => {
    const path = file()
    const db = await connect(path)
    await db('knex_migrations').insert({
      name: '0099_tomorrow',
      batch: 2,
      migration_time: new Date(),
    })
    await db.destroy()
    const refused = await connect(path).catch((error: unknown) => error)
    expect(refused).toBeInstanceOf(Problem)
    expect(sayProblem(refused as Problem)).toMatch(
      /written by a newer Mivro \(it knows "0099_tomorrow"\)/,
    )
  })

  it('opening twice changes nothing', async () => {
    const path = file()
    await (await connect(path)).destroy()
    const db = await connect(path)
    expect(await db('knex_migrations')).toHaveLength(migrations.length)
    await db.destroy()
  })
})
