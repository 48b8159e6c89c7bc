import { request as httpRequest } from 'node:http'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { newMould } from '@mivro/core/mould'
import { newPlan } from '@mivro/core/work/plan'
import { buildSolid } from '@mivro/core/form/shape'
import { writeStl } from '@mivro/core/form/mesh'
import { newStudio } from '@mivro/core/studio'
import { TestServer } from './testServer.ts'

let server: TestServer
beforeEach(async () => {
  server = await TestServer.start()
})
afterEach(() => server.stop())

const call = (method: string, path: string, body?: unknown) => server.call(method, path, body)

const piece = (name = 'Coaster') => ({
  name,
  form: { from: 'sizes', solid: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 } },
  note: '',
})
const addPiece = (id = 'p1') => call('POST', '/pieces', { id, document: piece() })
const addPlan = async () => {
  await addPiece()
  return call('POST', '/plans', { id: 'l1', parent: 'p1', document: newPlan('First') })
}
const cube = () => writeStl(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 }))
const upload = (bytes: Uint8Array) => server.send('POST', '/meshes', bytes)

describe('documents', () => {
  it('are added, listed, changed, and keep every version', async () => {
    expect((await addPiece()).status).toBe(201)
    const changed = await call('PUT', '/pieces/p1', { basedOn: 1, document: piece('Big coaster') })
    expect(changed.body).toMatchObject({ revision: 2, document: { name: 'Big coaster' } })
    expect((await call('GET', '/pieces')).body.items).toHaveLength(1)
    const history = (await call('GET', '/pieces/p1/history')).body.items
    expect(
      history.map((r: { change: string; document: { name: string } }) => [
        r.change,
        r.document.name,
      ]),
    ).toEqual([
      ['made', 'Coaster'],
      ['edited', 'Big coaster'],
    ])
  })

  it('adding twice with one id makes one: a lost answer can be asked for again', async () => {
    await addPiece()
    expect((await addPiece()).body.revision).toBe(1)
    expect((await call('GET', '/pieces')).body.items).toHaveLength(1)
  })

  it('an id that is taken by something else is refused, and nothing is changed', async () => {
    await addPlan()
    const other = await call('POST', '/pieces', { id: 'p1', document: piece('Another') })
    expect([other.status, other.body.code]).toEqual([409, 'id-taken'])
    const crossed = await call('POST', '/pieces', { id: 'l1', document: piece() })
    expect([crossed.status, crossed.body.code]).toEqual([409, 'id-taken'])
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Coaster')
    // Asked for again after it was changed: the answer that was lost, not a second piece.
    await call('PUT', '/pieces/p1', { basedOn: 1, document: piece('Big coaster') })
    const again = await addPiece()
    expect([again.status, again.body.revision]).toEqual([201, 2])
  })

  it('a piece comes with all it is shown with, in one answer; one that is gone is said', async () => {
    await addPlan()
    await call('POST', '/moulds', { id: 'm1', document: newMould('Block', 'p1', [0, 0, 1], 0.1) })
    const { body } = await call('GET', '/projects/p1')
    expect(body.piece).toMatchObject({ id: 'p1', revision: 1, document: { name: 'Coaster' } })
    for (const [list, ids] of [
      ['plans', ['l1']],
      ['pulls', []],
      ['moulds', ['m1']],
      ['materials', []],
    ] as const) {
      expect(body[list], list).toEqual((await call('GET', `/${list}`)).body)
      expect(body[list].items.map(({ id }: { id: string }) => id)).toEqual(ids)
    }
    expect((await call('GET', '/projects/gone')).body.problems[0].code).toBe('not-found')
  })

  it('a stale write is refused with both versions, and nothing is lost', async () => {
    await addPiece()
    await call('PUT', '/pieces/p1', { basedOn: 1, document: piece('Theirs') })
    const stale = await call('PUT', '/pieces/p1', { basedOn: 1, document: piece('Mine') })
    expect(stale.status).toBe(409)
    expect(stale.type).toMatch(/application\/problem\+json/)
    expect(stale.body).toMatchObject({
      code: 'revision-stale',
      current: { revision: 2, document: { name: 'Theirs' } },
      yours: { name: 'Mine' },
    })
    expect(stale.body.title).toMatch(
      /changed elsewhere meanwhile \(version 2, yours began from 1\)/,
    )
    expect((await call('GET', '/pieces/p1')).body.document.name).toBe('Theirs')
  })

  it('of fifty writes at once based on one revision, one wins', async () => {
    await addPiece()
    const writes = Array.from({ length: 50 }, (_, i) =>
      call('PUT', '/pieces/p1', { basedOn: 1, document: piece(`N${i}`) }),
    )
    const statuses = (await Promise.all(writes)).map((w) => w.status)
    expect(statuses.filter((s) => s === 200)).toHaveLength(1)
    expect(statuses.filter((s) => s === 409)).toHaveLength(49)
  })

  it('what is wrong is refused at its field, in a problem document', async () => {
    await addPlan()
    const tinted = {
      ...newPlan('x'),
      layers: [
        {
          id: 'a',
          name: 'A',
          fill: { by: 'height', top: 0.01 },
          tints: [{ material: 'v', fraction: -0.01 }],
          inclusions: [],
          join: 'crisp',
        },
      ],
    }
    const refused = await call('PUT', '/plans/l1', { basedOn: 1, document: tinted })
    expect(refused.status).toBe(422)
    expect(refused.body).toMatchObject({ code: 'out-of-range', path: 'layers.0.tints.0.fraction' })
    expect((await call('GET', '/plans/l1')).body.revision).toBe(1)
  })

  it('a deletion takes what belongs to it out of sight, and can be taken back', async () => {
    await addPlan()
    await call('DELETE', '/pieces/p1')
    expect((await call('GET', '/pieces')).body.items).toEqual([])
    expect((await call('GET', '/plans')).body.items).toEqual([])
    expect((await call('GET', '/pieces/p1')).status).toBe(404)
    expect((await call('GET', '/pieces/deleted')).body).toHaveLength(1)
    await call('POST', '/pieces/p1/restore')
    expect((await call('GET', '/plans?parent=p1')).body.items).toHaveLength(1)
  })

  it('what belongs to something deleted comes back after it', async () => {
    await addPlan()
    await call('DELETE', '/plans/l1')
    await call('DELETE', '/pieces/p1')
    const refused = await call('POST', '/plans/l1/restore')
    expect(refused.status).toBe(409)
    expect(refused.body.title).toMatch(/belongs to was deleted. Take that back first/)
    await call('POST', '/pieces/p1/restore')
    expect((await call('POST', '/plans/l1/restore')).body.deletedAt).toBeNull()
  })

  it('an undo is a version of its own', async () => {
    await addPiece()
    await call('PUT', '/pieces/p1', { basedOn: 1, document: piece('B') })
    await call('PUT', '/pieces/p1', { basedOn: 2, change: 'undone', document: piece('Coaster') })
    const history = (await call('GET', '/pieces/p1/history')).body.items
    expect(history.map((r: { change: string }) => r.change)).toEqual(['made', 'edited', 'undone'])
  })

  it('a plan needs its piece, a piece from a file its mesh', async () => {
    expect(
      (await call('POST', '/plans', { id: 'l1', parent: 'none', document: newPlan('x') })).status,
    ).toBe(404)
    const fromFile = {
      ...piece(),
      form: { from: 'file', mesh: 'a'.repeat(64), fileName: 'x.stl', unit: 'mm' },
    }
    const refused = await call('POST', '/pieces', { id: 'p2', document: fromFile })
    expect(refused.body).toMatchObject({ code: 'mesh-missing', path: 'form.mesh' })
  })

  it('what is not JSON, too long, or nowhere is said plainly', async () => {
    const broken = await fetch(`${server.base}/pieces`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'Mivro-Epoch': server.store.epoch },
      body: '{',
    })
    expect((await broken.json()).title).toMatch(/can't be read: it is not JSON/)
    const long = await call('POST', '/pieces', { id: 'x', document: { note: 'x'.repeat(3e6) } })
    expect(long.status).toBe(413)
    expect((await call('GET', '/nowhere')).status).toBe(404)
  })
})

describe('shapes', () => {
  it('come back as they were sent, and unpacked: packing would take longer than sending', async () => {
    // Long enough that it would be packed.
    const ball = writeStl(buildSolid({ solid: 'ball', diameter: 0.02 }))
    const { id } = (await (await upload(ball)).json()) as { id: string }
    const answer = await fetch(`${server.base}/meshes/${id}`, {
      headers: { 'accept-encoding': 'gzip' },
    })
    expect(answer.headers.get('content-encoding')).toBeNull()
    expect(Buffer.from(await answer.arrayBuffer()).equals(Buffer.from(ball))).toBe(true)
  })

  it('are kept once under the hash of their bytes and come back the same', async () => {
    const first = await (await upload(cube())).json()
    const second = await (await upload(cube())).json()
    expect(second.id).toBe(first.id)
    const back = new Uint8Array(
      await (await fetch(`${server.base}/meshes/${first.id}`)).arrayBuffer(),
    )
    expect(back).toEqual(cube())
  })

  it('a file that is cut off is refused with its numbers', async () => {
    const refused = await upload(cube().slice(0, 400))
    expect(refused.status).toBe(422)
    expect((await refused.json()).title).toMatch(/announces 12 triangles and ends after 6/)
  })

  it('over 200 MB is refused by its announced length, before it is sent', async () => {
    const answer = await new Promise<{ status: number; text: string }>((resolve, reject) => {
      const headers = {
        'content-length': 200_000_001,
        'content-type': 'application/octet-stream',
        'Mivro-Epoch': server.store.epoch,
      }
      const asked = httpRequest(
        `${server.base}/meshes`,
        { method: 'POST', headers },
        (response) => {
          let text = ''
          response.on('data', (chunk) => (text += chunk))
          response.on('end', () => resolve({ status: response.statusCode!, text }))
        },
      )
      asked.on('error', reject)
      asked.write('solid')
    })
    expect(answer.status).toBe(413)
    expect(JSON.parse(answer.text).title).toMatch(/The file has 200 MB and 200 MB is the most/)
  })
})

describe('moulds', () => {
  const mould = (values: object = {}) => ({
    ...newMould('Bear mould', 'p1', [0, 0, 1], 0.06),
    ...values,
  })
  const add = (document: object) => call('POST', '/moulds', { id: 'm1', document })

  it('are kept with every version, and belong to no piece alone', async () => {
    expect((await add(mould())).status).toBe(201)
    const next = mould({ nextTime: 'Two more bands', pieces: ['p1', 'p2'] })
    const written = await call('PUT', '/moulds/m1', {
      basedOn: 1,
      change: 'edited',
      document: next,
    })
    expect(written.body.document).toEqual(next)
    const history = (await call('GET', '/moulds/m1/history')).body.items
    expect(history.map((v: { revision: number }) => v.revision)).toEqual([1, 2])
    await addPiece()
    await call('DELETE', '/pieces/p1')
    expect((await call('GET', '/moulds')).body.items).toHaveLength(1)
  })

  it.each([
    [{ loss: 2 }, 'loss', /0 % to 60 %/],
    [
      { openings: [{ id: 'g', what: 'gate', at: [0, 0, 0], bore: 9, made: 'cast in' }] },
      'openings.0.bore',
      /200.0 mm/,
    ],
    [{ kind: 'balloon' }, 'kind', /./],
  ])('%o is refused at its field, in a sentence', async (values, path, sentence) => {
    const refused = await add(mould(values))
    expect(refused.status).toBe(422)
    expect(refused.type).toMatch(/problem\+json/)
    expect(refused.body.problems[0].path).toMatch(new RegExp(path))
    expect(refused.body.title).toMatch(sentence)
  })
})

describe('the demo studio', () => {
  it('fills an empty store: eight pieces, three from files, each with its plan, two with two, and moulds', async () => {
    expect((await call('POST', '/demo')).status).toBe(201)
    const pieces = (await call('GET', '/pieces')).body.items
    expect(pieces).toHaveLength(8)
    expect(
      pieces.filter(
        (p: { document: { form: { from: string } } }) => p.document.form.from === 'file',
      ),
    ).toHaveLength(3)
    expect((await call('GET', '/plans')).body.items).toHaveLength(10)
    expect((await call('GET', '/moulds')).body.items).toHaveLength(6)
    expect((await call('GET', '/runs')).body.items).toHaveLength(3)
    expect((await call('GET', '/pulls')).body.items).toHaveLength(18)
  })

  it('comes into a store whose settings a page has made already', async () => {
    await call('POST', '/studios', { id: 'studio', document: newStudio })
    expect((await call('POST', '/demo')).status).toBe(201)
    expect((await call('GET', '/pieces')).body.items.length).toBeGreaterThan(5)
  })

  it('is not poured over what is there', async () => {
    await addPiece()
    const refused = await call('POST', '/demo')
    expect(refused.status).toBe(409)
    expect(refused.body.title).toMatch(/There is 1 piece here already/)
  })
})

describe('who may ask', () => {
  const asking = (headers: Record<string, string>) =>
    new Promise<number>((resolve, reject) => {
      httpRequest(`${server.base}/pieces`, { headers }, (response) => {
        response.resume()
        resolve(response.statusCode!)
      })
        .on('error', reject)
        .end()
    })

  it('another host name or another site is turned away', async () => {
    expect(await asking({ host: 'evil.example' })).toBe(403)
    expect(await asking({ origin: 'http://evil.example' })).toBe(403)
    // A picture in its page that is a backup of ours.
    expect(await asking({ 'sec-fetch-site': 'cross-site' })).toBe(403)
    expect(await asking({ 'sec-fetch-site': 'same-site' })).toBe(403)
    expect(await asking({ 'sec-fetch-site': 'same-origin' })).toBe(200)
    expect(await asking({})).toBe(200)
  })

  it('every answer carries the strict policy', async () => {
    const policy = (await fetch(`${server.base}/pieces`)).headers.get('content-security-policy')!
    expect(policy).toContain("default-src 'self'")
    expect(policy).not.toContain('unsafe-inline')
  })
})
