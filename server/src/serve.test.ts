import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, expect, it } from 'vitest'
import { dropStalled } from './serve.ts'

let server: Server
afterEach(() => server.close())

/** Sends a byte every so often, so many times; what comes of it. */
async function trickle(bytes: number, every: number): Promise<string> {
  server = createServer((incoming, response) => {
    dropStalled(incoming, 150)
    let seen = 0
    incoming.on('data', (part: Buffer) => (seen += part.length))
    incoming.on('end', () => response.end(String(seen)))
  })
  server.requestTimeout = 0
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const { port } = server.address() as AddressInfo
  return new Promise((done) => {
    const sent = request({ port, method: 'PUT' }, (response) =>
      response.on('data', (part: Buffer) => done(String(part))),
    )
    sent.on('error', () => done('cut'))
    let left = bytes
    const next = () => {
      if (left-- > 0) sent.write('x', () => setTimeout(next, every))
      else sent.end()
    }
    next()
  })
}

it('an upload that keeps coming is waited for, longer than it may rest', async () => {
  expect(await trickle(8, 60)).toBe('8')
})

it('one that comes to rest is cut', async () => {
  expect(await trickle(2, 400)).toBe('cut')
})
