import { join } from 'node:path'
import { newStudio } from '@mivro/core/studio'
import { expect, it, vi } from 'vitest'
import { Store } from '../db/store.ts'
import { temporaryFolder } from '../testServer.ts'
import { DocumentStore, StaleWrite } from './store.ts'

it('a write goes only over the version that was read, though another connection came between', async () => {
  const store = await Store.open(join(temporaryFolder(), 'store.sqlite'))
  await store.transaction(async (tx) => {
    const documents = new DocumentStore(tx, 'studio', '2026-11-30T12:00:00.000Z')
    const first = await documents.add('s', null, newStudio)
    // What a connection of its own would still read, after the other has written.
    vi.spyOn(documents, 'get').mockResolvedValue(first)
    await documents.change('s', 1, { ...newStudio, name: 'One' }, 'edited')
    const second = documents.change('s', 1, { ...newStudio, name: 'Two' }, 'edited')
    await expect(second).rejects.toBeInstanceOf(StaleWrite)
    await expect(second).rejects.toMatchObject({
      current: { revision: 2, document: { name: 'One' } },
      yours: { name: 'Two' },
    })
    const { items } = await documents.history('s')
    expect(items.map(({ revision }) => revision)).toEqual([1, 2])
  })
  await store.close()
})
