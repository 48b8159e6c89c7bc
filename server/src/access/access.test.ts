import { X509Certificate } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import { isIP } from 'node:net'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Device } from '@mivro/core/base/answer'
import { createApp } from '../app.ts'
import { Store } from '../db/store.ts'
import { documentTypeNames, documentTypes } from '@mivro/core/studio'
import { Instruments } from '../instruments/instruments.ts'
import { temporaryFolder } from '../testServer.ts'
import { certificateFor } from './certificate.ts'
import { Passphrase } from './passphrase.ts'
import { serve } from '../serve.ts'
import { Sessions } from './sessions.ts'
import { Tries } from './tries.ts'

const secret = 'three warm words'
const folder = temporaryFolder()
let store: Store
let server: Server
let port: number
let now = 0
beforeAll(async () => {
  store = await Store.open(join(folder, 'store.sqlite'))
  const app = createApp(store, {
    instruments: await Instruments.open(store),
    lan: {
      passphrase: await Passphrase.of(secret),
      sessions: await Sessions.open(store),
      tls: false,
      tries: new Tries(() => now),
      names: ['tablet.lan'],
      addresses: [],
    },
  })
  server = createServer(app).listen(0, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  port = (server.address() as AddressInfo).port
})
afterAll(async () => {
  server.closeAllConnections()
  server.close()
  await store.close()
})

interface Asked {
  method?: string
  host?: string
  headers?: Record<string, string>
  body?: string
  /** The address that is asked from. */
  localAddress?: string
}

/** As a device of the local network would: by another name than the machine calls itself. */
const from = (
  path: string,
  { method = 'GET', host = 'tablet.lan', headers = {}, body, localAddress }: Asked = {},
) =>
  new Promise<{ status: number; text: string; cookie?: string }>((done, failed) => {
    const asked = request(
      {
        port,
        host: '127.0.0.1',
        localAddress,
        path,
        method,
        headers: { host: `${host}:${port}`, ...headers },
      },
      (response) => {
        let text = ''
        response.setEncoding('utf8').on('data', (part: string) => (text += part))
        response.on('end', () =>
          done({ status: response.statusCode!, text, cookie: response.headers['set-cookie']?.[0] }),
        )
      },
    )
    asked.on('error', failed)
    asked.end(body)
  })
const enter = (passphrase: string, localAddress?: string, headers: object = {}) =>
  from('/enter', {
    localAddress,
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', ...headers },
    body: new URLSearchParams({ passphrase }).toString(),
  })

/** A stream of readings to a device: once it has begun, what is resolved when it was ended. */
const streaming = (headers: Record<string, string>) =>
  new Promise<{ ended: Promise<void> }>((begun) => {
    const own = { host: `tablet.lan:${port}`, ...headers }
    const asked = request({
      port,
      host: '127.0.0.1',
      path: '/api/instruments/stream',
      headers: own,
    })
    const ended = new Promise<void>((done) => {
      asked.on('error', () => done())
      asked.on('response', (response) => {
        response
          .on('error', () => done())
          .on('close', () => done())
          .resume()
        begun({ ended })
      })
    })
    asked.end()
  })

/** Every address that the application answers, with every way of asking. */
const routes = [
  '/',
  '/index.html',
  '/pieces',
  '/runs/x/bench',
  '/assets/index.js',
  '/manifest.json',
  '/api',
  '/api/lan',
  '/api/lan/here',
  '/api/lan/all',
  '/api/lan/devices/x',
  '/api/overview',
  '/api/demo',
  '/api/backup',
  '/api/meshes/x',
  '/api/pictures/x',
  '/api/pictures/x?size=small',
  '/api/instruments',
  '/api/instruments/stream',
  '/api/instruments/act',
  '/api/instruments/speed',
  '/api/instruments/lines',
  '/api/log',
  ...documentTypeNames.flatMap((kind) =>
    ['', '/x', '/deleted', '/x/history', '/x/history/1', '/x/restore'].map(
      (end) => `/api/${documentTypes[kind].path}${end}`,
    ),
  ),
  '/%2e%2e/passphrase.json',
  '/enter',
  '/ENTER',
  '/api/../pieces',
]

describe('other devices of the local network', () => {
  it.each(routes)('%s serves nothing without the passphrase', async (path) => {
    for (const method of ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']) {
      const { status, text } = await from(path, { method, headers: { 'mivro-epoch': store.epoch } })
      expect([method, status]).toEqual([method, 401])
      if (method !== 'HEAD')
        expect(text).toMatch(/Passphrase of this studio|passphrase-needed|passphrase-wrong/)
    }
    now += 1000
  })

  it('this machine itself is not asked', async () => {
    expect((await from('/api/pieces', { host: '127.0.0.1' })).status).toBe(200)
    expect((await from('/api/pieces', { host: 'localhost' })).status).toBe(200)
  })

  it('by a name nobody gave, or from another site’s page, nothing is answered', async () => {
    expect((await from('/', { host: 'elsewhere.example' })).status).toBe(403)
    const headers = { origin: 'http://elsewhere.example' }
    expect((await from('/enter', { method: 'POST', headers })).status).toBe(403)
  })

  it('the passphrase lets a device in, by a cookie that no script reads', async () => {
    const { status, cookie } = await enter(secret)
    expect(status).toBe(303)
    expect(cookie).toMatch(/HttpOnly/)
    expect(cookie).toMatch(/SameSite=Strict/)
    const headers = { cookie: cookie!.split(';')[0] }
    expect((await from('/api/pieces', { headers })).status).toBe(200)
    // A restart keeps it.
    const again = await Sessions.open(store)
    expect(again.has(/mivro=([^;]+)/.exec(cookie!)![1])).toBe(true)
    expect(again.has('made up')).toBe(false)
    await again.endAll()
    expect((await Sessions.open(store)).has(/mivro=([^;]+)/.exec(cookie!)![1])).toBe(false)
  })

  it('a device signs itself out, or all of them', async () => {
    now += 100_000
    const letIn = async () => {
      const { cookie } = await enter(secret)
      now += 100_000
      return { cookie: cookie!.split(';')[0], 'mivro-epoch': store.epoch }
    }
    const [one, other, third] = [await letIn(), await letIn(), await letIn()]
    const sees = async (headers: Record<string, string>) =>
      (await from('/api/pieces', { headers })).status
    expect([await sees(one), await sees(other), await sees(third)]).toEqual([200, 200, 200])
    const { ended } = await streaming(one)
    expect((await from('/api/lan/here', { method: 'DELETE', headers: one })).status).toBe(204)
    await ended
    expect([await sees(one), await sees(other), await sees(third)]).toEqual([401, 200, 200])
    expect(JSON.parse((await from('/api/lan', { headers: other })).text)).toMatchObject({
      itself: false,
    })
    expect((await from('/api/lan/all', { method: 'DELETE', headers: other })).status).toBe(204)
    expect([await sees(one), await sees(other), await sees(third)]).toEqual([401, 401, 401])
  })

  it('are listed with what they are, and one signs another out', async () => {
    now += 100_000
    const agent =
      'Mozilla/5.0 (Linux; Android 14; Tablet) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/120.0 Safari/537.36'
    const letIn = async (headers: object) => {
      const { cookie } = await enter(secret, undefined, headers)
      now += 100_000
      return { cookie: cookie!.split(';')[0], 'mivro-epoch': store.epoch }
    }
    const [one, other] = [await letIn({ 'user-agent': agent }), await letIn({})]
    const { devices } = JSON.parse((await from('/api/lan', { headers: other })).text) as {
      devices: Device[]
    }
    const [tablet, nameless] = [
      devices.find(({ here }) => !here)!,
      devices.find(({ here }) => here)!,
    ]
    expect(tablet.name).toMatch(/^Tablet, .+ on .+/)
    expect(nameless.name).toBe('A device')
    expect(Date.now() - Date.parse(tablet.used)).toBeLessThan(60_000)
    expect(JSON.stringify(devices)).not.toContain(one.cookie.slice(6))
    const out = { method: 'DELETE', headers: other }
    // Part of an id is none.
    await from(`/api/lan/devices/${tablet.id.slice(0, 8)}`, out)
    expect((await from('/api/pieces', { headers: one })).status).toBe(200)
    expect((await from(`/api/lan/devices/${tablet.id}`, out)).status).toBe(204)
    expect((await from('/api/pieces', { headers: one })).status).toBe(401)
    expect((await from('/api/pieces', { headers: other })).status).toBe(200)
    await from('/api/lan/all', out)
  })

  it('one that is not used for 30 days is out; use puts that off', async () => {
    const day = 24 * 3600_000
    const sessions = await Sessions.open(store, 0)
    const [used, left] = [await sessions.begin('Tablet', 0), await sessions.begin('Tablet', 0)]
    await sessions.used(used, 20 * day)
    expect([sessions.has(used, 29 * day), sessions.has(left, 29 * day)]).toEqual([true, true])
    expect([sessions.has(used, 31 * day), sessions.has(left, 31 * day)]).toEqual([true, false])
    expect(sessions.list(used, 31 * day)).toMatchObject([
      {
        name: 'Tablet',
        since: '1970-01-01T00:00:00.000Z',
        used: '1970-01-21T00:00:00.000Z',
        here: true,
      },
    ])
    // A restart knows it too.
    const again = await Sessions.open(store, 31 * day)
    expect([again.has(used, 31 * day), again.has(left, 31 * day)]).toEqual([true, false])
    await again.endAll()
  })

  it('guessing is slowed down: each wrong try waits twice as long, and a right one in between too', async () => {
    now += 1000
    expect((await enter('wrong words')).text).toContain('Try again in 1 s')
    expect((await enter(secret)).status).toBe(401)
    now += 2
    expect((await enter('wrong words')).text).toContain('Try again in 2 s')
    now += 3
    expect((await enter('wrong words')).text).toContain('Try again in 4 s')
    now += 5
    expect((await enter(secret)).status).toBe(303)
  })

  it('three hundred guesses at once are one: the right one among them is not let in', async () => {
    now += 1000
    const is = vi.spyOn(Passphrase.prototype, 'is')
    const guesses = Array.from({ length: 300 }, (_, i) => (i === 150 ? secret : `wrong words ${i}`))
    const answers = await Promise.all(guesses.map((guess) => enter(guess)))
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([401]))
    expect(is).toHaveBeenCalledTimes(1)
    is.mockRestore()
    now += 2
    expect((await enter(secret)).status).toBe(303)
  })

  it('from many addresses one after the other they wait as well, and this machine does not', async () => {
    now += 1000
    const is = vi.spyOn(Passphrase.prototype, 'is').mockResolvedValue(false)
    for (let i = 0; i < 60; i++) await enter('wrong words', `127.0.2.${i + 1}`)
    expect(is).toHaveBeenCalledTimes(20)
    now += 5
    for (let i = 0; i < 60; i++) await enter('wrong words', `127.0.3.${i + 1}`)
    expect(is).toHaveBeenCalledTimes(21)
    is.mockRestore()
    expect((await enter(secret, '127.0.4.1')).text).toMatch(/Try again in \d+ s/)
    expect((await from('/api/pieces', { host: '127.0.0.1' })).status).toBe(200)
    now += 6
    expect((await enter(secret, '127.0.4.1')).status).toBe(303)
  })

  it('from many addresses at once no more than two are looked at together', async () => {
    now += 1000
    let letGo = () => {}
    const held = new Promise<boolean>((done) => (letGo = () => done(false)))
    const is = vi.spyOn(Passphrase.prototype, 'is').mockReturnValue(held)
    try {
      let answered = 0
      const asked = Array.from({ length: 40 }, (_, i) =>
        enter('wrong words', `127.0.1.${i + 1}`).then(({ status }) => {
          // All others are answered while the two are looked at.
          if (++answered === 38) letGo()
          return status
        }),
      )
      expect(new Set(await Promise.all(asked))).toEqual(new Set([401]))
      expect(is).toHaveBeenCalledTimes(2)
    } finally {
      is.mockRestore()
    }
  })
})

describe('what is kept of it', () => {
  const settings = (at: string, port: number, passphrase: string) => ({
    database: join(at, 'store.sqlite'),
    port,
    web: at,
    keepIn: at,
    demo: false,
    fresh: false,
    host: true,
    names: [],
    tls: false,
    passphrase,
  })

  it('a start that is refused changes no passphrase, one that is not lets all devices out', async () => {
    const at = temporaryFolder()
    mkdirSync(join(at, 'assets'))
    writeFileSync(join(at, 'index.html'), '')
    const kept = () => Passphrase.read(join(at, 'passphrase.json'))!
    const first = await serve(settings(at, 0, secret))
    // Its port is taken, and its store.
    await expect(serve(settings(at, first.port, 'three other words'))).rejects.toThrow('is taken')
    await expect(serve(settings(at, 0, 'three other words'))).rejects.toThrow()
    expect(await kept().is(secret)).toBe(true)
    await first.stop(0)
    const again = await Store.open(join(at, 'store.sqlite'))
    const token = await (await Sessions.open(again)).begin('Tablet')
    await again.close()
    const next = await serve(settings(at, 0, 'three other words'))
    await next.stop(0)
    expect(await kept().is('three other words')).toBe(true)
    const after = await Store.open(join(at, 'store.sqlite'))
    expect((await Sessions.open(after)).has(token)).toBe(false)
    await after.close()
  })

  it('the passphrase as scrypt alone, not as it was typed', async () => {
    const file = join(temporaryFolder(), 'passphrase.json')
    const made = await Passphrase.of(secret)
    made.keep(file)
    const { statSync } = await import('node:fs')
    expect(readFileSync(file, 'utf8')).not.toContain('warm')
    expect(statSync(file).mode & 0o077).toBe(0)
    expect(await Passphrase.read(file)!.is(secret)).toBe(true)
    expect(await Passphrase.read(file)!.is('three cold words')).toBe(false)
    await expect(Passphrase.of('short')).rejects.toThrow('8 letters or more')
  })

  it('every address that is said at the start stands in the certificate', async () => {
    const at = temporaryFolder()
    mkdirSync(join(at, 'assets'))
    writeFileSync(join(at, 'index.html'), '')
    const { address, others, stop } = await serve({ ...settings(at, 0, secret), tls: true })
    await stop(0)
    const cert = new X509Certificate(readFileSync(join(at, 'tls-cert.pem')))
    expect(others.length).toBeGreaterThan(0)
    for (const url of [address, ...others]) {
      const name = new URL(url).hostname.replace(/^\[|\]$/g, '')
      expect([name, isIP(name) ? cert.checkIP(name) : cert.checkHost(name)]).not.toContain(
        undefined,
      )
    }
  })

  it('a certificate for its names, kept until it runs out or lacks one', async () => {
    const at = temporaryFolder()
    const made = await certificateFor(at, ['192.0.2.7', 'studio.local'])
    expect((await certificateFor(at, ['192.0.2.7'])).cert).toBe(made.cert)
    expect((await certificateFor(at, ['192.0.2.8'])).cert).not.toBe(made.cert)
    const later = Date.now() + 3 * 365 * 24 * 3600_000
    expect((await certificateFor(at, ['192.0.2.8'], later)).cert).not.toBe(made.cert)
  })
})
