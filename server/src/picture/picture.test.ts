import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { jpeg, png } from '../../../core/src/base/picture/samples.ts'
import { TestServer } from '../testServer.ts'

let server: TestServer
beforeEach(async () => {
  server = await TestServer.start()
})
afterEach(() => server.stop())

const upload = async (bytes: Uint8Array, type = 'application/octet-stream') => {
  const response = await server.fetch('/pictures', {
    method: 'POST',
    headers: { 'content-type': type },
    body: bytes as RequestInit['body'],
  })
  return { status: response.status, body: (await response.json()) as Record<string, unknown> }
}
const fetched = async (path: string) => {
  const response = await server.fetch(path)
  return { response, bytes: new Uint8Array(await response.arrayBuffer()) }
}

describe('pictures', () => {
  it('are kept without the place they were taken at, under the hash of what is kept', async () => {
    const { status, body } = await upload(jpeg(40, 30, { told: 'GPS 48.1 N' }), 'image/jpeg')
    expect(status).toBe(201)
    expect(body).toMatchObject({ type: 'image/jpeg', width: 40, height: 30 })
    const { response, bytes } = await fetched(`/pictures/${String(body.id)}`)
    expect(response.headers.get('content-type')).toBe('image/jpeg')
    expect(new TextDecoder('latin1').decode(bytes)).not.toContain('GPS')
    // The same again is the same.
    expect((await upload(jpeg(40, 30, { told: 'elsewhere' }))).body.id).toBe(body.id)
  })

  it('a small one is shown in its place once there is one', async () => {
    const { body } = await upload(png(30, 30))
    const path = `/pictures/${String(body.id)}`
    expect((await fetched(`${path}?size=small`)).response.headers.get('content-type')).toBe(
      'image/png',
    )
    expect((await server.send('POST', `${path}/small`, jpeg(8, 8))).status).toBe(204)
    expect((await fetched(`${path}?size=small`)).response.headers.get('content-type')).toBe(
      'image/jpeg',
    )
    expect((await server.send('POST', `${path}/small`, png(8, 8))).status).toBe(422)
    expect(
      (await server.send('POST', `/pictures/${'0'.repeat(64)}/small`, jpeg(8, 8))).status,
    ).toBe(404)
  })

  it.each([
    ['no picture', new TextEncoder().encode('<svg/>'), 'image/png', 422, 'picture-not-one'],
    ['one that lies about its type', png(3, 3), 'image/jpeg', 422, 'picture-other'],
    ['a huge one', new Uint8Array(20_000_001), 'image/png', 413, 'file-too-large'],
  ])('refuses %s', async (_, bytes, type, status, code) => {
    const refused = await upload(bytes, type)
    expect([refused.status, refused.body.code]).toEqual([status, code])
  })
})
