import { createHash, randomBytes } from 'node:crypto'
import { closeSync, openSync, readFileSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { takeBackup } from '../../../tools/backupClient.ts'
import { placeInside } from '../../../tools/killStore.ts'
import { TestServer, temporaryFolder } from '../testServer.ts'
import { piece, useServer } from './testing.ts'

const own = useServer()
const { call, put, over } = own

// Pages overwritten as a failing disk does it: before, the answer never ended.
describe('a store with damaged pages', () => {
  const file = (folder: string) => join(folder, 'store.sqlite')
  const hash = (body: Buffer) => createHash('sha256').update(body).digest('hex')

  /** The demo with a shape of its own, of which some bytes in the middle are gone. */
  async function damaged(place: (bytes: Buffer, shape: Buffer) => number, length: number) {
    const folder = temporaryFolder()
    const broken = await TestServer.start(folder)
    const body = randomBytes(200_000)
    const mesh = hash(body)
    await broken.store.transaction((tx) =>
      tx('meshes').insert({ id: mesh, bytes: body.length, body, created_at: '2026' }),
    )
    const form = { from: 'file', mesh, fileName: 'a.stl', unit: 'mm' }
    await broken.call('POST', '/pieces', { id: 'p1', document: piece('Comet', form) })
    for (let i = 0; i < 400; i++)
      await broken.call('POST', '/pieces', { id: `q${i}`, document: piece(`Queue ${i}`) })
    await broken.store.checkpoint()
    const bytes = readFileSync(file(folder))
    const at = place(bytes, body)
    expect(at).toBeGreaterThan(0)
    const disk = openSync(file(folder), 'r+')
    writeSync(disk, Buffer.alloc(length, 0xff), 0, length, at)
    closeSync(disk)
    return { broken, mesh }
  }
  const job = async (broken: TestServer, leaveOut: boolean) => {
    const { body } = await broken.call('POST', '/backup/jobs', { kind: 'backup', leaveOut })
    return over(body.id, broken)
  }

  it('what is damaged is named; without it the backup is whole, and comes back', async () => {
    // One byte of the shape: SQLite itself notices nothing of that.
    const { broken, mesh } = await damaged(placeInside, 1)
    expect(await job(broken, false)).toMatchObject({
      state: 'failed',
      problem: {
        code: 'backup-damaged',
        amounts: { shapes: 1, pictures: 0, documents: 0, versions: 0, names: 'Comet' },
      },
    })
    const zip = await takeBackup(broken.asked, true)
    expect(JSON.parse(strFromU8(unzipSync(zip)['manifest.json']))).toMatchObject({
      meshes: 0,
      leftOut: { meshes: [mesh] },
    })
    await broken.stop()
    expect(await put(zip)).toMatchObject({ state: 'done', restored: { documents: 401 } })
    // Its piece can be worked on, without its shape.
    const { document } = (await call('GET', '/pieces/p1')).body
    const renamed = { basedOn: 1, document: { ...document, name: 'Comet two' } }
    expect((await call('PUT', '/pieces/p1', renamed)).status).toBe(200)
    const form = { ...document.form, mesh: 'f'.repeat(64) }
    const lost = { basedOn: 2, document: { ...document, form } }
    expect((await call('PUT', '/pieces/p1', lost)).body.code).toBe('mesh-missing')
  }, 60_000)

  /** The page that holds a row with these letters. */
  const pageWith = (letters: string) => (bytes: Buffer) => {
    const found = bytes.indexOf(letters)
    return found - (found % 4096)
  }

  it('a page of documents: they are left out with their versions, all else comes along', async () => {
    const { broken } = await damaged(pageWith('q200piece{'), 4096)
    const refused = await job(broken, false)
    expect(refused.problem.code).toBe('backup-damaged')
    const { documents } = refused.problem.amounts
    expect(documents).toBeGreaterThan(3)
    const zip = await takeBackup(broken.asked, true)
    await broken.stop()
    const back = await put(zip)
    expect(back).toMatchObject({ state: 'done', restored: { documents: 401 - documents } })
    expect((await call('GET', '/pieces/q399')).body.document.name).toBe('Queue 399')
    expect((await call('GET', '/pieces/q200')).status).toBe(404)
  }, 60_000)

  it('a page of versions: the newest of each are taken from their documents', async () => {
    const { broken } = await damaged(pageWith('q200made{'), 4096)
    expect((await job(broken, false)).state).toBe('done')
    const zip = await takeBackup(broken.asked)
    await broken.stop()
    const restored = { documents: 401, revisions: 401 }
    expect(await put(zip)).toMatchObject({ state: 'done', restored })
    expect((await call('GET', '/pieces/q200')).body.document.name).toBe('Queue 200')
  }, 60_000)
})
