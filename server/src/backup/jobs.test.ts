import { readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { describe, expect, it, vi } from 'vitest'
import { Store } from '../db/store.ts'
import { temporaryFolder } from '../testServer.ts'
import { runChild } from './process.ts'
import { packed, row, version, useServer } from './testing.ts'

const own = useServer()
const { call, over, lyingAbout } = own

describe('a backup as a job', () => {
  it('one is packed while another waits; who comes then is told', async () => {
    await call('POST', '/demo')
    const asked = Array.from({ length: 6 }, () => call('POST', '/backup/jobs', { kind: 'backup' }))
    const answers = await Promise.all(asked)
    const taken = answers.filter(({ status }) => status === 202)
    expect(taken).toHaveLength(2)
    const codes = answers.filter((one) => !taken.includes(one)).map(({ body }) => body.code)
    expect(codes).toEqual(['backup-busy', 'backup-busy', 'backup-busy', 'backup-busy'])
    for (const { body } of taken) {
      expect((await over(body.id)).state).toBe('done')
      const file = await fetch(`${own.server.base}/backup/jobs/${body.id}/mivro.zip`)
      const zip = new Uint8Array(await file.arrayBuffer())
      expect(Object.keys(unzipSync(zip))).toContain('documents.ndjson')
    }
  })

  it('is given up when it is asked to be, and leaves nothing', async () => {
    await call('POST', '/demo')
    const { id } = (await call('POST', '/backup/jobs', { kind: 'backup' })).body
    await call('DELETE', `/backup/jobs/${id}`)
    expect((await over(id)).state).toBe('cancelled')
    expect((await fetch(`${own.server.base}/backup/jobs/${id}/mivro.zip`)).status).toBe(404)
    await vi.waitFor(() => expect(lyingAbout()).toEqual([]))
  })

  it('goes on downloading where it broke off', async () => {
    await call('POST', '/demo')
    const { id } = (await call('POST', '/backup/jobs', { kind: 'backup' })).body
    const { bytes } = await over(id)
    const from = async (range: string) => {
      const file = await fetch(`${own.server.base}/backup/jobs/${id}/mivro.zip`, {
        headers: { range },
      })
      expect(file.status).toBe(206)
      return Buffer.from(await file.arrayBuffer())
    }
    const both = Buffer.concat([await from('bytes=0-999'), await from('bytes=1000-')])
    expect(both.length).toBe(bytes)
    expect(Object.keys(unzipSync(new Uint8Array(both)))).toContain('manifest.json')
  })

  it('that nothing moves of is given up in words, and its process is gone', async () => {
    const { signal } = new AbortController()
    const halted = runChild(['write', own.server.store.file, join(own.server.folder, 'x.zip')], {
      signal,
      progress() {},
      // Shorter than a process takes to start.
      patience: 5,
    })
    await expect(halted).rejects.toMatchObject({
      code: 'backup-stalled',
      amounts: { after: 0.005 },
    })
  })
})

describe('an upload', () => {
  const begin = async (bytes: number) =>
    (await call('POST', '/backup/jobs', { kind: 'restore', bytes })).body
  const part = async (id: string, at: number, bytes: Uint8Array) =>
    (await (await own.server.send('PUT', `/backup/jobs/${id}/part?at=${at}`, bytes)).json()) as {
      has: number
      state: string
    }

  it('goes on where it broke off: a part comes again, and one that does not follow is not taken', async () => {
    const zip = packed([row()], [version()])
    const { id, has, partSize } = await begin(zip.length)
    expect([has, partSize]).toEqual([0, 8 * 1024 * 1024])
    const stream = new ReadableStream({
      start(controller) {
        controller.enqueue(zip.subarray(0, 100))
        setTimeout(() => controller.error(new Error('gone')), 50)
      },
    })
    const init = { method: 'PUT', body: stream, duplex: 'half' } as RequestInit
    await expect(own.server.fetch(`/backup/jobs/${id}/part?at=0`, init)).rejects.toThrow()
    expect((await call('GET', `/backup/jobs/${id}`)).body.has).toBe(0)
    expect((await part(id, 0, zip.subarray(0, 200))).has).toBe(200)
    expect((await part(id, 0, zip.subarray(0, 200))).has).toBe(200)
    expect((await part(id, 300, zip.subarray(300))).has).toBe(200)
    const more = new Uint8Array([...zip.subarray(200), 1])
    expect(await part(id, 200, more)).toMatchObject({ code: 'body-too-large' })
    await part(id, 200, zip.subarray(200))
    expect(await over(id)).toMatchObject({
      state: 'done',
      restored: { documents: 1 },
    })
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Coaster')
    expect(lyingAbout()).toEqual([])
  })

  it('that is given up leaves nothing; two at once are refused, as is what is too much', async () => {
    const { id } = await begin(5000)
    await part(id, 0, new Uint8Array(1000))
    expect((await begin(10)).code).toBe('backup-busy')
    expect((await begin(30e9)).code).toBe('backup-of-large-store')
    expect((await call('DELETE', `/backup/jobs/${id}`)).body.state).toBe('cancelled')
    await vi.waitFor(() => expect(lyingAbout()).toEqual([]))
    const again = await begin(10)
    expect(again.state).toBe('receiving')
    await call('DELETE', `/backup/jobs/${again.id}`)
  })

  it('what a kill left of it is swept away at the next start, and nothing else', async () => {
    const folder = temporaryFolder()
    const file = join(folder, 'store.sqlite')
    await (await Store.open(file)).close()
    const before = readdirSync(folder)
    const left = [
      'a1.packed',
      'a2.upload',
      'a3.incoming',
      'a3.incoming-wal',
      'making',
      'making.copy',
    ]
    for (const name of left) writeFileSync(`${file}.${name}`, 'x')
    const own = ['holiday.upload', 'store.sqlite.mine', 'before-restore-1.sqlite']
    for (const name of own) writeFileSync(join(folder, name), 'x')
    await (await Store.open(file)).close()
    expect(readdirSync(folder).sort()).toEqual([...before, ...own].sort())
  })
})
