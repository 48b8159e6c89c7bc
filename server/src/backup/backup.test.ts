import { createHash, randomBytes } from 'node:crypto'
import { closeSync, openSync, readdirSync, readFileSync, writeFileSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { sameDocument } from '@mivro/core/base/document'
import type { Problem } from '@mivro/core/base/problem'
import { newPlan } from '@mivro/core/work/plan'
import { buildSolid } from '@mivro/core/form/shape'
import { writeStl } from '@mivro/core/form/mesh'
import { sayProblem } from '@mivro/words/problem'
import { jpeg, png } from '../../../core/src/base/picture/samples.ts'
import { Store } from '../db/store.ts'
import { TestServer, temporaryFolder } from '../testServer.ts'
import { readBackup } from './read.ts'

let server: TestServer
beforeEach(async () => {
  server = await TestServer.start()
})
afterEach(() => server.stop())

const call = (method: string, path: string, body?: unknown) => server.call(method, path, body)
const take = async () => new Uint8Array(await (await fetch(`${server.base}/backup`)).arrayBuffer())
const put = (bytes: Uint8Array) => server.send('PUT', '/backup', bytes)
const everything = async () => {
  const lists = ['/pieces', '/plans', '/pulls', '/moulds', '/materials', '/pieces/deleted']
  return Promise.all(lists.map(async (path) => (await call('GET', path)).body))
}

const piece = (
  name = 'Coaster',
  form: object = {
    from: 'sizes',
    solid: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 },
  },
) => ({
  name,
  form,
  note: '',
})
const row = (more: object = {}) => ({
  id: 'p1',
  kind: 'piece',
  parent: null,
  revision: 1,
  body: piece(),
  created_at: '2026-01-01',
  updated_at: '2026-01-01',
  deleted_at: null,
  ...more,
})
const version = (more: object = {}) => ({
  document: 'p1',
  revision: 1,
  change: 'made',
  body: piece(),
  at: '2026-01-01',
  ...more,
})
const lines = (rows: object[]) => strToU8(rows.map((one) => JSON.stringify(one)).join('\n'))
/** A backup of these rows; what the manifest counts can be told otherwise. */
const packed = (
  documents: object[],
  revisions: object[],
  more: Record<string, Uint8Array> = {},
  manifest = {},
  level: 0 | 6 = 6,
) =>
  zipSync(
    {
      'manifest.json': strToU8(
        JSON.stringify({
          format: 2,
          madeAt: '',
          documents: documents.length,
          revisions: revisions.length,
          meshes: Object.keys(more).length,
          ...manifest,
        }),
      ),
      'documents.ndjson': lines(documents),
      'revisions.ndjson': lines(revisions),
      ...more,
    },
    { level },
  )
const cube = () => writeStl(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 }))

describe('a backup', () => {
  it('holds everything; restored, all is there with its versions and deletions', async () => {
    await call('POST', '/demo')
    await call('DELETE', '/pieces/demo-orrery')
    const before = await everything()
    const bytes = await take()
    await call('DELETE', '/pieces/demo-coaster')
    await call('POST', '/pieces', { id: 'later', document: piece('Later') })
    const restored = await put(bytes)
    expect(restored.status).toBe(200)
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
    const sent = await server.send('POST', '/pictures', png(9, 9))
    const { id } = (await sent.json()) as { id: string }
    const pull = (await call('GET', '/pulls/demo-coaster-pull-1')).body
    const document = { ...pull.document, pictures: [{ id, name: 'rim.png' }] }
    expect((await call('PUT', `/pulls/${pull.id}`, { basedOn: 1, document })).status).toBe(200)
    const lost = { ...document, pictures: [{ id: '0'.repeat(64), name: 'no.png' }] }
    const refused = await call('PUT', `/pulls/${pull.id}`, { basedOn: 2, document: lost })
    expect([refused.status, refused.body.code]).toEqual([404, 'picture-missing'])
    const bytes = await take()
    await call('DELETE', '/demo')
    expect((await put(bytes)).status).toBe(200)
    expect((await server.fetch(`/pictures/${id}`)).status).toBe(200)
    const files = unzipSync(bytes)
    const without = Object.fromEntries(
      Object.entries(files).filter(([name]) => !/^pict/.test(name)),
    )
    expect((await put(zipSync(without))).status).toBe(422)
    const altered = { ...files, [`pictures/${id}`]: png(8, 8) }
    expect((await (await put(zipSync(altered))).json()) as object).toMatchObject({
      code: 'backup-unreadable',
    })
  })

  it('a picture in it that tells its place loses that, and its pull still shows it', async () => {
    await call('POST', '/demo')
    const { id } = (await (await server.send('POST', '/pictures', png(9, 9))).json()) as {
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
      const text = strFromU8(body).replaceAll(id, other)
      return [[name, name.endsWith('.ndjson') ? strToU8(text) : body]]
    })
    const packed = zipSync(Object.fromEntries(told))
    expect((await put(packed)).status).toBe(200)
    const [shown] = (await call('GET', '/pulls/demo-coaster-pull-1')).body.document.pictures
    expect(shown.id).not.toBe(other)
    const kept = Buffer.from(await (await server.fetch(`/pictures/${shown.id}`)).arrayBuffer())
    expect(kept.toString('latin1')).not.toContain(place)
    expect(kept.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]))
    expect((await server.fetch(`/pictures/${other}`)).status).toBe(404)
  })

  it('what was there before a restore is kept, once for each, and is a store of its own', async () => {
    await call('POST', '/pieces', { id: 'p1', document: piece('Mine') })
    const bytes = packed([], [])
    expect((await put(bytes)).status).toBe(200)
    expect((await put(bytes)).status).toBe(200)
    const kept = readdirSync(server.folder).filter((name) =>
      /^before-restore-.*\.sqlite$/.test(name),
    )
    expect(kept).toHaveLength(2)
    const names = await Promise.all(
      kept.map(async (name) => {
        const store = await Store.open(join(server.folder, name))
        const found = await store.transaction((tx) => tx('documents').select('id'))
        await store.close()
        return found.map(({ id }) => id as string)
      }),
    )
    expect(names.flat()).toEqual(['p1'])
    // Nothing else is left lying about.
    expect(readdirSync(server.folder).filter((name) => /part$|incoming/.test(name))).toEqual([])
  })

  it('of format 1 is still read', async () => {
    const index = { format: 1, madeAt: '', documents: [row()], revisions: [version()] }
    const old = zipSync({ 'mivro.json': strToU8(JSON.stringify(index)) })
    expect((await put(old)).status).toBe(200)
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Coaster')
  })

  it('a write that was meant for the store before is refused, even where the numbers agree', async () => {
    await call('POST', '/pieces', { id: 'p1', document: piece('Mine') })
    const before = server.store.epoch
    await put(packed([row()], [version()]))
    const late = await server.call(
      'PUT',
      '/pieces/p1',
      { basedOn: 1, document: piece('Late') },
      before,
    )
    expect(late.status).toBe(409)
    expect(late.body.title).toMatch(/A backup was restored since this page was opened/)
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Coaster')
  })

  // Two pages of a shape overwritten, as a failing disk does it: before, the answer never ended.
  it('of a store with a damaged page ends, and is no file that looks whole', async () => {
    const folder = temporaryFolder()
    const file = join(folder, 'store.sqlite')
    const broken = await TestServer.start(folder)
    const body = randomBytes(200_000)
    await broken.store.transaction((tx) =>
      tx('meshes').insert({ id: 'a'.repeat(64), bytes: body.length, body, created_at: '2026' }),
    )
    await broken.store.checkpoint()
    const bytes = readFileSync(file)
    const at = bytes.indexOf(body.subarray(100_000, 100_064))
    expect(at).toBeGreaterThan(0)
    const disk = openSync(file, 'r+')
    writeSync(disk, Buffer.alloc(3 * 4096, 0xff), 0, 3 * 4096, at)
    closeSync(disk)
    const taken = await fetch(`${broken.base}/backup`)
      .then(async (answer) => (await answer.arrayBuffer()) && answer.status)
      .catch(() => 'cut off')
    expect(taken).not.toBe(200)
    await broken.stop()
  })

  it('after the other is packed, however many are asked for at once', async () => {
    await call('POST', '/pieces', { id: 'p1', document: piece() })
    const all = await Promise.all(Array.from({ length: 6 }, take))
    for (const zip of all) expect(Object.keys(unzipSync(zip))).toContain('documents.ndjson')
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

describe('what is no whole backup', () => {
  /** What the reader says of a file, where it would be unpacked. */
  const refusalOf = async (bytes: Uint8Array): Promise<string> => {
    const folder = temporaryFolder()
    const zip = join(folder, 'backup.zip')
    writeFileSync(zip, bytes)
    return readBackup(zip, join(folder, 'new.sqlite')).then(
      () => 'taken',
      (error: Problem) => sayProblem(error),
    )
  }
  const flipped = () => {
    const bytes = packed([row()], [version()], {}, {}, 0)
    const at = Buffer.from(bytes).indexOf('Coaster')
    bytes[at] ^= 1
    return bytes
  }
  const mesh = '5'.repeat(64)
  const fromFile = { from: 'file', mesh, fileName: 'a.stl', unit: 'mm' }
  it.each<[string, () => Uint8Array, RegExp]>([
    ['no zip', () => strToU8('hello, this is no zip at all'), /not a whole zip file/],
    ['a zip cut off', () => packed([row()], [version()]).subarray(0, 300), /not a whole zip file/],
    ['nothing of ours', () => zipSync({ [`meshes/${mesh}`]: strToU8('') }), /no manifest.json/],
    [
      'a stranger in it',
      () => packed([], [], { '../etc/passwd': strToU8('x') }),
      /has no place in it|not a whole zip/,
    ],
    ['a bit flipped', flipped, /was altered: its checksum is off/],
    [
      'a broken line',
      () => packed([], [], { 'documents.ndjson': strToU8('{') }),
      /documents.ndjson is not whole/,
    ],
    [
      'a newer format',
      () => packed([], [], {}, { format: 9 }),
      /format 9 and this Mivro reads up to 3/,
    ],
    [
      'a damaged piece',
      () => packed([row({ body: piece('') })], [version()]),
      /a piece in it is damaged at name \(p1\)/,
    ],
    [
      'an id with a slash',
      () => packed([row({ id: 'a/b' })], [version()]),
      /a document in it has no proper id/,
    ],
    ['an orphan', () => packed([row({ parent: 'gone' })], [version()]), /lost what it belongs to/],
    [
      'a plan without a piece',
      () => packed([row({ kind: 'plan', body: newPlan('x') })], [version()]),
      /a plan in it lost what it belongs to/,
    ],
    [
      'a null version',
      () => packed([row()], [version({ body: null })]),
      /a piece in it is damaged at/,
    ],
    [
      'a document behind its history',
      () => packed([row()], [version(), version({ revision: 2, change: 'edited' })]),
      /not its own newest version/,
    ],
    [
      'a document that says something else',
      () => packed([row({ body: piece('Other') })], [version()]),
      /not its own newest version/,
    ],
    [
      'a version of nothing',
      () => packed([row()], [version(), version({ document: 'q' })]),
      /belongs to no document \(q\)/,
    ],
    [
      'two versions of one number',
      () => packed([row()], [version(), version()]),
      /two versions in it have one number/,
    ],
    [
      'a missing shape',
      () =>
        packed([row({ body: piece('F', fromFile) })], [version({ body: piece('F', fromFile) })]),
      /the shape of a piece is missing/,
    ],
    [
      'a changed shape',
      () => packed([], [], { [`meshes/${'0'.repeat(64)}`]: cube() }),
      /a shape in it was changed/,
    ],
    [
      'fewer rows than it says',
      () => packed([row()], [version()], {}, { revisions: 3 }),
      /less or more than its manifest says/,
    ],
  ])('%s is refused with what is off', async (_, bytes, says) => {
    expect(await refusalOf(bytes())).toMatch(says)
  })

  it('through the server nothing is changed, and nothing is left lying about', async () => {
    await call('POST', '/pieces', { id: 'mine', document: piece('Mine') })
    const refused = await put(flipped())
    expect([refused.status, (await refused.json()).title]).toEqual([
      422,
      expect.stringMatching(/was altered: its checksum is off/),
    ])
    expect((await call('GET', '/pieces')).body.items).toHaveLength(1)
    expect(readdirSync(server.folder).filter((name) => /restore-|incoming/.test(name))).toEqual([])
  })

  it('a bomb is refused by what it says of itself, before anything is unpacked', async () => {
    const bomb = packed([], [], { 'documents.ndjson': new Uint8Array(20e6) })
    expect(bomb.length).toBeLessThan(40_000)
    expect(await refusalOf(bomb)).toMatch(/documents.ndjson unpacks to far more than it holds/)
  })

  it('a row that never ends is refused by counting', async () => {
    const endless = strToU8(randomBytes(5e6).toString('hex'))
    expect(await refusalOf(packed([], [], { 'documents.ndjson': endless }))).toMatch(
      /a row of documents.ndjson is too long/,
    )
  })

  it('an upload that breaks off changes nothing and leaves nothing', async () => {
    const stream = new ReadableStream({
      start(controller) {
        controller.enqueue(packed([row()], [version()]).subarray(0, 100))
        setTimeout(() => controller.error(new Error('gone')), 50)
      },
    })
    const init = { method: 'PUT', body: stream, duplex: 'half' } as RequestInit
    await expect(server.fetch('/backup', init)).rejects.toThrow()
    await new Promise((done) => setTimeout(done, 300))
    expect(readdirSync(server.folder).filter((name) => /restore-|incoming/.test(name))).toEqual([])
  })
})
