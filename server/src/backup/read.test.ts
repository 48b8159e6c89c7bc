import { randomBytes } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it, vi } from 'vitest'
import type { Problem } from '@mivro/core/base/problem'
import { newPlan } from '@mivro/core/work/plan'
import { sayProblem } from '@mivro/words/problem'
import { temporaryFolder } from '../testServer.ts'
import { readBackup } from './read.ts'
import { packed, piece, row, version, useServer } from './testing.ts'

const own = useServer()
const { call, take, put, lyingAbout } = own

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
      /format 9 and this Mivro reads up to 4/,
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
      () => packed([], [], { [`meshes/${'0'.repeat(64)}`]: strToU8('another') }),
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
    const { state, problem } = await put(flipped())
    expect([state, problem.amounts.reason]).toEqual([
      'failed',
      expect.stringMatching(/was altered: its checksum is off/),
    ])
    expect((await call('GET', '/pieces')).body.items).toHaveLength(1)
    await vi.waitFor(() => expect(lyingAbout()).toEqual([]))
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

  it('whose rows or files are not what its manifest says is refused before it is read', async () => {
    await call('POST', '/pieces', { id: 'p1', document: piece('Mine') })
    const files = unzipSync(await take())
    const less = { ...files }
    delete less['revisions.ndjson']
    expect(await refusalOf(zipSync(less))).toMatch(/less or more than its manifest says/)
    const other = strToU8(strFromU8(files['documents.ndjson']).replaceAll('Mine', 'Mind'))
    const altered = {
      ...files,
      'documents.ndjson': other,
      'revisions.ndjson': strToU8(strFromU8(files['revisions.ndjson']).replaceAll('Mine', 'Mind')),
    }
    expect(await refusalOf(zipSync(altered))).toMatch(
      /documents.ndjson is not what its manifest says/,
    )
  })

  it('that unpacks to more than the disk has left is refused', async () => {
    const folder = temporaryFolder()
    const zip = join(folder, 'backup.zip')
    writeFileSync(zip, packed([row()], [version()]))
    const refused = readBackup(zip, join(folder, 'new.sqlite'), { free: 100 })
    await expect(refused).rejects.toMatchObject({ code: 'disk-too-small', amounts: { free: 100 } })
  })
})
