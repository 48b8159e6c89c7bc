import { mkdirSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { Writable } from 'node:stream'
import { gzipSync } from 'node:zlib'
import { pino } from 'pino'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { createApp } from './app.ts'
import { Store } from './db/store.ts'
import { temporaryFolder } from './testServer.ts'

let store: Store
let server: Server
let base: string
let logged: string
beforeEach(async () => {
  const folder = temporaryFolder()
  const web = join(folder, 'web')
  mkdirSync(join(web, 'assets'), { recursive: true })
  writeFileSync(join(web, 'index.html'), '<!doctype html><title>Mivro</title>')
  writeFileSync(join(web, 'assets', 'a.js'), '1')
  writeFileSync(join(web, 'assets', 'b.js'), 'plain')
  writeFileSync(join(web, 'assets', 'b.js.gz'), gzipSync('compressed'))
  store = await Store.open(join(folder, 'store.sqlite'))
  logged = ''
  const log = pino(
    { level: 'error' },
    new Writable({ write: (part, _, done) => ((logged += part), done()) }),
  )
  server = createServer(createApp(store, { web, log })).listen(0, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterEach(async () => {
  server.closeAllConnections()
  server.close()
  await store.close().catch(() => {})
})

describe('pages', () => {
  it('every address of the interface answers its page; a script that is there is kept for long', async () => {
    expect(await (await fetch(`${base}/pieces/x/pour`)).text()).toContain('<title>Mivro')
    const script = await fetch(`${base}/assets/a.js`)
    expect(script.headers.get('cache-control')).toMatch(/immutable/)
  })

  it('a script goes as it was compressed when it was built, where the browser takes that', async () => {
    const script = await fetch(`${base}/assets/b.js`)
    expect(script.headers.get('content-encoding')).toBe('gzip')
    expect(await script.text()).toBe('compressed')
    const plain = { 'accept-encoding': 'identity' }
    expect(await (await fetch(`${base}/assets/b.js`, { headers: plain })).text()).toBe('plain')
  })

  it.each([
    ['/pieces', ['studios/studio', 'overview', 'materials']],
    ['/pieces/new', ['studios/studio']],
    ['/pieces/p1/pour', ['studios/studio', 'projects/p1']],
    ['/pieces/a%22b/pour', ['studios/studio']],
    [
      '/runs/r1',
      ['studios/studio', 'runs/r1', 'benches?naming=r1', 'pieces', 'moulds', 'materials'],
    ],
    ['/log', ['studios/studio', 'log']],
    ['/nowhere', ['studios/studio']],
    ['/__proto__/x', ['studios/studio']],
    ['/constructor/abc', ['studios/studio']],
    ['/hasOwnProperty/x', ['studios/studio']],
  ])('%s names what its page asks for first', async (path, asked) => {
    const link = (await fetch(base + path)).headers.get('link')
    expect(link).toBe(
      asked.map((to) => `</api/${to}>; rel=preload; as=fetch; crossorigin`).join(', '),
    )
  })

  it.each([
    ['a script that is missing', 'GET', '/assets/gone.js', 404],
    ['a bad % in an asset', 'GET', '/assets/%', 404],
    ['another method', 'DELETE', '/pieces', 400],
  ])('%s is a problem document, not a page', async (_, method, path, status) => {
    const answer = await fetch(base + path, { method })
    expect([answer.status, answer.headers.get('content-type')]).toEqual([
      status,
      expect.stringMatching(/problem\+json/),
    ])
  })

  it('a fault is answered by a reference, and logged with its message and place', async () => {
    await store.transaction((tx) => tx.schema.dropTable('revisions'))
    const answer = await fetch(`${base}/api/pieces/x/history`)
    expect(answer.status).toBe(404)
    await store.transaction((tx) =>
      tx('documents').insert({
        id: 'x',
        kind: 'piece',
        revision: 1,
        body: '{}',
        created_at: '',
        updated_at: '',
      }),
    )
    const fault = await fetch(`${base}/api/pieces/x/history`)
    expect(fault.status).toBe(500)
    const { amounts } = (await fault.json()) as { amounts: { reference: string } }
    const line = JSON.parse(logged) as {
      reference: string
      err: { message: string; stack: string }
    }
    expect(line.reference).toBe(amounts.reference)
    expect(line.err.message).toMatch(/no such table: revisions/)
    expect(line.err.stack).toContain('.ts:')
  })
})
