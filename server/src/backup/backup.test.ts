import { createHash } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { sameDocument } from '@mivro/core/base/document'
import { jpeg, png } from '../../../core/src/base/picture/samples.ts'
import { holds, place, places } from '../../../core/src/base/picture/telling.ts'
import { Store } from '../db/store.ts'
import { packed, piece, row, version, useServer } from './testing.ts'

const own = useServer()
const { call, take, put } = own

const everything = async () => {
  const lists = ['/pieces', '/plans', '/pulls', '/moulds', '/materials', '/pieces/deleted']
  return Promise.all(lists.map(async (path) => (await call('GET', path)).body))
}

describe('a backup', () => {
  it('holds everything; restored, all is there with its versions and deletions', async () => {
    await call('POST', '/demo')
    await call('DELETE', '/pieces/demo-orrery')
    const before = await everything()
    const bytes = await take()
    await call('DELETE', '/pieces/demo-coaster')
    await call('POST', '/pieces', { id: 'later', document: piece('Later') })
    expect(await put(bytes)).toMatchObject({ state: 'done', done: 1, restored: { pictures: 0 } })
    expect(await everything()).toEqual(before)
    const { items } = (await call('GET', '/pieces/demo-orrery/history')).body
    expect(items.map((r: { change: string }) => r.change)).toEqual(['made', 'deleted'])
    // Taken again it says the same, to the row.
    const rows = (zip: Uint8Array) =>
      ['documents', 'revisions'].map((name) =>
        strFromU8(unzipSync(zip)[`${name}.ndjson`])
          .trim()
          .split('\n')
          .map((line) => JSON.parse(line) as unknown),
      )
    const again = rows(await take())
    expect(again.map((list) => list.length)).toEqual(rows(bytes).map((list) => list.length))
    expect(sameDocument(again, rows(bytes))).toBe(true)
  })

  it('holds pictures of pulls; one that is missing or altered in it is said', async () => {
    await call('POST', '/demo')
    const sent = await own.server.send('POST', '/pictures', png(9, 9))
    const { id } = (await sent.json()) as { id: string }
    const pull = (await call('GET', '/pulls/demo-coaster-pull-1')).body
    const document = { ...pull.document, pictures: [{ id, name: 'rim.png' }] }
    expect((await call('PUT', `/pulls/${pull.id}`, { basedOn: 1, document })).status).toBe(200)
    const lost = { ...document, pictures: [{ id: '0'.repeat(64), name: 'no.png' }] }
    const refused = await call('PUT', `/pulls/${pull.id}`, { basedOn: 2, document: lost })
    expect([refused.status, refused.body.code]).toEqual([404, 'picture-missing'])
    const bytes = await take()
    await call('DELETE', '/demo')
    expect((await put(bytes)).state).toBe('done')
    expect((await own.server.fetch(`/pictures/${id}`)).status).toBe(200)
    const files = unzipSync(bytes)
    const without = Object.fromEntries(
      Object.entries(files).filter(([name]) => !/^pict/.test(name)),
    )
    expect((await put(zipSync(without))).state).toBe('failed')
    const altered = { ...files, [`pictures/${id}`]: png(8, 8) }
    expect(await put(zipSync(altered))).toMatchObject({ problem: { code: 'backup-unreadable' } })
  })

  it('a picture in it that tells its place loses that, and its pull still shows it', async () => {
    await call('POST', '/demo')
    const { id } = (await (await own.server.send('POST', '/pictures', png(9, 9))).json()) as {
      id: string
    }
    const pull = (await call('GET', '/pulls/demo-coaster-pull-1')).body
    const document = { ...pull.document, pictures: [{ id, name: 'rim.jpg' }] }
    await call('PUT', `/pulls/${pull.id}`, { basedOn: 1, document })
    const place = 'GPS 48.1 N 11.5 E'
    const telling = jpeg(9, 9, { told: place })
    const other = createHash('sha256').update(telling).digest('hex')
    const told = Object.entries(unzipSync(await take())).flatMap(([name, body]) => {
      if (name === `pictures/${id}`) return [[`pictures/${other}`, telling]]
      // As it was packed before its rows had checksums.
      if (name === 'manifest.json') {
        const older = { ...JSON.parse(strFromU8(body)), format: 3, checksums: undefined }
        return [[name, strToU8(JSON.stringify(older))]]
      }
      const text = strFromU8(body).replaceAll(id, other)
      return [[name, name.endsWith('.ndjson') ? strToU8(text) : body]]
    })
    const packed = zipSync(Object.fromEntries(told))
    expect((await put(packed)).state).toBe('done')
    const [shown] = (await call('GET', '/pulls/demo-coaster-pull-1')).body.document.pictures
    expect(shown.id).not.toBe(other)
    const kept = Buffer.from(await (await own.server.fetch(`/pictures/${shown.id}`)).arrayBuffer())
    expect(kept.toString('latin1')).not.toContain(place)
    expect(kept.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]))
    expect((await own.server.fetch(`/pictures/${other}`)).status).toBe(404)
  })

  it('of pictures that tell their place in every part of a file none does so after a restore', async () => {
    const telling = places.map(([, , bytes]) => bytes)
    const files = telling.map((bytes) => [
      `pictures/${createHash('sha256').update(bytes).digest('hex')}`,
      bytes,
    ])
    const zip = packed([], [], Object.fromEntries(files), { meshes: 0, pictures: files.length })
    expect(await put(zip)).toMatchObject({ state: 'done', restored: { pictures: files.length } })
    const kept = await own.server.store.transaction((tx) => tx('pictures').select('body'))
    expect(kept.length).toBeGreaterThan(3)
    expect(telling.every((bytes) => holds(bytes, place))).toBe(true)
    expect(kept.filter(({ body }) => holds(Buffer.from(body), place))).toEqual([])
  })

  it('what was there before a restore is kept, once for each, and is a store of its own', async () => {
    await call('POST', '/pieces', { id: 'p1', document: piece('Mine') })
    const bytes = packed([], [])
    expect((await put(bytes)).state).toBe('done')
    expect((await put(bytes)).state).toBe('done')
    const kept = readdirSync(own.server.folder).filter((name) =>
      /^before-restore-.*\.sqlite$/.test(name),
    )
    expect(kept).toHaveLength(2)
    const names = await Promise.all(
      kept.map(async (name) => {
        const store = await Store.open(join(own.server.folder, name))
        const found = await store.transaction((tx) => tx('documents').select('id'))
        await store.close()
        return found.map(({ id }) => id as string)
      }),
    )
    expect(names.flat()).toEqual(['p1'])
    // Nothing else is left lying about.
    expect(readdirSync(own.server.folder).filter((name) => /part$|incoming/.test(name))).toEqual([])
  })

  it('of format 1 is still read', async () => {
    const index = { format: 1, madeAt: '', documents: [row()], revisions: [version()] }
    const old = zipSync({ 'mivro.json': strToU8(JSON.stringify(index)) })
    expect((await put(old)).state).toBe('done')
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Coaster')
  })

  it('a write that was meant for the store before is refused, even where the numbers agree', async () => {
    await call('POST', '/pieces', { id: 'p1', document: piece('Mine') })
    const before = own.server.store.epoch
    await put(packed([row()], [version()]))
    const late = await own.server.call(
      'PUT',
      '/pieces/p1',
      { basedOn: 1, document: piece('Late') },
      before,
    )
    expect(late.status).toBe(409)
    expect(late.body.title).toMatch(/A backup was restored since this page was opened/)
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Coaster')
  })

  it('others are answered while one is packed and while one is restored', async () => {
    await call('POST', '/demo')
    /** How many others were answered before the work was done. */
    const during = async (work: Promise<unknown>) => {
      let going = true
      let answered = 0
      void work.finally(() => (going = false))
      while (going) {
        await call('GET', '/overview')
        if (going) answered++
        await new Promise((done) => setTimeout(done, 20))
      }
      return answered
    }
    const backup = take()
    expect(await during(backup)).toBeGreaterThan(3)
    expect(await during(put(await backup))).toBeGreaterThan(3)
  }, 60_000)
})
