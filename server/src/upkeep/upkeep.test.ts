import { readdirSync, utimesSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { buildSolid } from '@mivro/core/form/shape'
import { writeStl } from '@mivro/core/form/mesh'
import { DocumentStore } from '../document/store.ts'
import { TestServer, temporaryFolder } from '../testServer.ts'
import { removeOldCopies } from './kept.ts'
import { removeUnnamedFiles } from './files.ts'
import { thinVersions } from './thin.ts'

let server: TestServer
beforeEach(async () => {
  server = await TestServer.start()
})
afterEach(() => server.stop())

const day = 24 * 3600_000
const piece = (
  name: string,
  form: object = {
    from: 'sizes',
    solid: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 },
  },
) => ({ name, form, note: '' })

describe('old versions', () => {
  it('are thinned by the rule, one with a name stays, and the document goes on as before', async () => {
    await server.call('POST', '/pieces', { id: 'p1', document: piece('0') })
    for (let i = 1; i <= 60; i++) {
      await server.call('PUT', '/pieces/p1', { basedOn: i, document: piece(String(i)) })
    }
    await server.call('PUT', '/pieces/p1/history/7', { name: 'As it was sold' })
    expect(await thinVersions(server.store, Date.now())).toBe(0)
    const later = Date.now() + 100 * day
    expect(await thinVersions(server.store, later)).toBeGreaterThan(55)
    const { items } = (await server.call('GET', '/pieces/p1/history')).body
    const left = items.map((v: { revision: number }) => v.revision)
    expect(left).toContain(1)
    expect(left).toContain(7)
    expect(left.at(-1)).toBe(61)
    expect(items.find((v: { revision: number }) => v.revision === 7).name).toBe('As it was sold')
    const next = await server.call('PUT', '/pieces/p1', { basedOn: 61, document: piece('on') })
    expect(next.body.revision).toBe(62)
  })
})

describe('shapes', () => {
  const upload = async (height: number) => {
    const bytes = writeStl(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height }))
    return (await (await server.send('POST', '/meshes', bytes)).json()).id as string
  }
  const of = (mesh: string) => piece('F', { from: 'file', mesh, fileName: 'a.stl', unit: 'mm' })

  it('that no version of any piece names go after a week, not before', async () => {
    const [used, once, never] = [await upload(0.01), await upload(0.02), await upload(0.03)]
    await server.call('POST', '/pieces', { id: 'p1', document: of(once) })
    await server.call('PUT', '/pieces/p1', { basedOn: 1, document: of(used) })
    expect(await removeUnnamedFiles(server.store, Date.now() + day)).toBe(0)
    expect(await removeUnnamedFiles(server.store, Date.now() + 8 * day)).toBe(1)
    const status = async (id: string) => (await fetch(`${server.base}/meshes/${id}`)).status
    expect([await status(used), await status(once), await status(never)]).toEqual([200, 200, 404])
  })
})

describe('looking through two thousand versions', () => {
  it('others are answered in between, and a shape that is named meanwhile stays', async () => {
    const bytes = writeStl(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.05 }))
    const { id: mesh } = await (await server.send('POST', '/meshes', bytes)).json()
    await server.call('POST', '/pieces', { id: 'p1', document: piece('0') })
    await server.store.transaction(async (tx) => {
      const [row] = await tx('revisions').where({ document: 'p1' })
      for (let i = 2; i <= 2000; i += 400) {
        const some = Array.from({ length: 400 }, (_, k) => ({
          ...row,

          revision: i + k,
        }))
        await tx('revisions').insert(some)
      }
    })
    const order: string[] = []
    const looking = removeUnnamedFiles(server.store, Date.now() + 8 * day).then((gone) => {
      order.push('looked')
      return gone
    })
    const document = piece('F', { from: 'file', mesh, fileName: 'a.stl', unit: 'mm' })
    await server.store.transaction((tx) =>
      new DocumentStore(tx, 'piece', new Date().toISOString()).add('a-first', null, document),
    )
    order.push('answered')
    expect(await looking).toBe(0)
    expect(order).toEqual(['answered', 'looked'])
    expect((await fetch(`${server.base}/meshes/${mesh}`)).status).toBe(200)
  })
})

describe('thinning thousands of versions', () => {
  it('is done in short steps, and requests are read and answered in between', async () => {
    await server.call('POST', '/pieces', { id: 'p1', document: piece('0') })
    await server.store.transaction(async (tx) => {
      const [row] = await tx('revisions').where({ document: 'p1' })
      for (let i = 2; i <= 6000; i += 200) {
        const some = Array.from({ length: 200 }, (_, k) => ({ ...row, revision: i + k }))
        await tx('revisions').insert(some.map((one) => ({ ...one, change: 'edited' })))
      }
    })
    let over = false
    const thinning = thinVersions(server.store, Date.now() + 100 * day).then((gone) => {
      over = true
      return gone
    })
    let answered = 0
    while (!over) {
      await server.call('GET', '/pieces/p1')
      if (!over) answered++
    }
    expect(await thinning).toBeGreaterThan(5900)
    expect(answered).toBeGreaterThan(3)
  })
})

describe('files beside the store', () => {
  it('copies of long ago go, the newest three and everything else stay', () => {
    const folder = temporaryFolder()
    const now = Date.now()
    const put = (name: string, days: number) => {
      writeFileSync(join(folder, name), '')
      const at = (now - days * day) / 1000
      utimesSync(join(folder, name), at, at)
    }
    for (const n of [1, 2, 3, 4, 5]) put(`before-restore-2026-0${n}.sqlite`, 90 - n)
    put('mivro.sqlite', 400)
    removeOldCopies(folder, now)
    expect(readdirSync(folder).sort()).toEqual([
      'before-restore-2026-03.sqlite',
      'before-restore-2026-04.sqlite',
      'before-restore-2026-05.sqlite',
      'mivro.sqlite',
    ])
  })
})
