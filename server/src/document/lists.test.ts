import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { newPlan } from '@mivro/core/work/plan'
import { TestServer } from '../testServer.ts'

let server: TestServer
beforeEach(async () => {
  server = await TestServer.start()
})
afterEach(() => server.stop())

const call = (method: string, path: string, body?: unknown) => server.call(method, path, body)
const get = async (path: string) => (await call('GET', path)).body
const piece = (name: string) => ({
  name,
  form: { from: 'sizes', solid: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 } },
  note: '',
})
const add = (id: string) => call('POST', '/pieces', { id, document: piece(id) })
const idsOf = (page: { items: { id: string }[] }) => page.items.map(({ id }) => id)

describe('lists come in pages', () => {
  it('that together hold everything once, in either order', async () => {
    const all = Array.from({ length: 23 }, (_, i) => `p${String(i).padStart(2, '0')}`)
    for (const id of all) await add(id)
    for (const order of ['oldest', 'newest'] as const) {
      const seen: string[] = []
      let page = await get(`/pieces?limit=5&order=${order}`)
      for (;;) {
        seen.push(...idsOf(page))
        if (page.next === undefined) break
        page = await get(`/pieces?limit=5&order=${order}&after=${page.next}`)
      }
      expect(seen).toEqual(order === 'oldest' ? all : [...all].reverse())
    }
  })

  it('some by their ids, some by what they name', async () => {
    for (const id of ['a', 'b', 'c']) await add(id)
    expect(idsOf(await get('/pieces?ids=c,a'))).toEqual(['a', 'c'])
    const layer = {
      id: 'l',
      name: 'L',
      fill: { by: 'height', top: 0.004 },
      resin: 'clear-1',
      tints: [],
      inclusions: [],
      join: 'crisp',
    }
    await call('POST', '/plans', {
      id: 'x',
      parent: 'a',
      document: { ...newPlan('x'), layers: [layer] },
    })
    await call('POST', '/plans', { id: 'y', parent: 'b', document: newPlan('y') })
    expect(idsOf(await get('/plans?naming=clear-1'))).toEqual(['x'])
    expect((await call('GET', '/plans?limit=9999')).status).toBe(422)
  })

  it('the first screen: pieces with their newest plan and last pull, newest first', async () => {
    await call('POST', '/demo')
    await add('mine')
    await call('POST', '/plans', { id: 'm1', parent: 'mine', document: newPlan('One') })
    await new Promise((done) => setTimeout(done, 5))
    await call('POST', '/plans', { id: 'm2', parent: 'mine', document: newPlan('Two') })
    const { items } = await get('/overview')
    expect(items).toHaveLength(9)
    expect(items[0]).toMatchObject({
      piece: { id: 'mine' },
      plan: { document: { name: 'Two' } },
      pulls: 0,
      last: null,
    })
    const drop = items.find((one: { piece: { id: string } }) => one.piece.id === 'demo-comet')
    expect(
      drop?.pulls ?? items.reduce((sum: number, one: { pulls: number }) => sum + one.pulls, 0),
    ).toBeGreaterThan(0)
  })
})

describe('the history of a document', () => {
  it('comes page by page from the newest, and a version can be named', async () => {
    await add('p1')
    for (let i = 1; i < 12; i++)
      await call('PUT', '/pieces/p1', { basedOn: i, document: piece(`v${i + 1}`) })
    const first = await get('/pieces/p1/history?limit=5')
    expect(first.items.map((v: { revision: number }) => v.revision)).toEqual([8, 9, 10, 11, 12])
    const second = await get(`/pieces/p1/history?limit=5&before=${first.next}`)
    expect(second.items.map((v: { revision: number }) => v.revision)).toEqual([3, 4, 5, 6, 7])
    expect((await call('PUT', '/pieces/p1/history/4', { name: 'Sold' })).status).toBe(200)
    expect((await get('/pieces/p1/history?limit=50')).items[3].name).toBe('Sold')
    expect((await call('PUT', '/pieces/p1/history/99', { name: 'x' })).status).toBe(404)
  })
})

describe("the demo studio in a store of one's own", () => {
  it('comes back after all of it was deleted, and can be taken out for good', async () => {
    await call('POST', '/demo')
    for (const id of idsOf(await get('/pieces'))) await call('DELETE', `/pieces/${id}`)
    expect((await call('POST', '/demo')).status).toBe(201)
    expect((await get('/pieces')).items).toHaveLength(8)
    await add('mine')
    const { body } = await call('DELETE', '/demo')
    expect(body.kept).toBe(0)
    expect(idsOf(await get('/pieces'))).toEqual(['mine'])
    for (const list of ['plans', 'pulls', 'moulds', 'materials'])
      expect((await get(`/${list}`)).items).toEqual([])
    expect(await get('/pieces/deleted')).toEqual([])
  })

  it("what is needed by one's own things stays", async () => {
    await call('POST', '/demo')
    const [resin] = (await get('/materials')).items
    await add('mine')
    const layer = {
      id: 'l',
      name: 'L',
      fill: { by: 'height', top: 0.004 },
      resin: resin.id,
      tints: [],
      inclusions: [],
      join: 'crisp',
    }
    await call('POST', '/plans', {
      id: 'own',
      parent: 'mine',
      document: { ...newPlan('x'), layers: [layer] },
    })
    await call('DELETE', '/demo')
    expect(idsOf(await get('/materials'))).toEqual([resin.id])
  })
})

describe("requests that can't be used", () => {
  const title = async (response: Promise<Response>) => {
    const answer = await response
    expect(answer.headers.get('content-type')).toMatch(/problem\+json/)
    return [answer.status, (await answer.json()).title]
  }
  it.each<[string, string, RequestInit, number]>([
    ['a bad % in the address', '/pieces/%', {}, 400],
    [
      'an unknown charset',
      '/pieces',
      {
        method: 'POST',
        body: '{}',
        headers: { 'content-type': 'application/json; charset=klingon' },
      },
      415,
    ],
    [
      'an unknown encoding',
      '/pieces',
      {
        method: 'POST',
        body: '{}',
        headers: { 'content-type': 'application/json', 'content-encoding': 'zzz' },
      },
      415,
    ],
    ['another method', '/pieces', { method: 'PATCH' }, 404],
    ['no address of ours', '/nowhere', {}, 404],
  ])('%s is refused in a problem document', async (_, path, init, status) => {
    expect(await title(server.fetch(path, init))).toEqual([status, expect.any(String)])
  })

  it('a write that does not say which store it means is refused', async () => {
    const init = { method: 'POST', body: '{}', headers: { 'content-type': 'application/json' } }
    expect(await title(fetch(`${server.base}/pieces`, init))).toEqual([
      400,
      expect.stringMatching(/names no Mivro-Epoch/),
    ])
  })
})
