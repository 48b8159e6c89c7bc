import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { join } from 'node:path'
import { readLine, type Line } from '@mivro/core/work/instrument'
import { whiteUrethane } from '../../../core/src/matter/material/samples.ts'
import { Store } from '../db/store.ts'
import { TestServer, temporaryFolder } from '../testServer.ts'
import { BenchClock } from './clock.ts'
import { Instruments, type Message } from './instruments.ts'

let server: TestServer
beforeEach(async () => {
  server = await TestServer.start()
})
afterEach(() => server.stop())
const act = (one: object, more: object = {}) =>
  server.call('POST', '/instruments/act', { act: one, ...more })

/** Messages of the stream until `enough` says so; what is to be heard may be said once it `begun`. */
async function hear(enough: (heard: Message[]) => boolean, begun?: () => void): Promise<Message[]> {
  const end = new AbortController()
  const response = await server.fetch('/instruments/stream', { signal: end.signal })
  expect(response.headers.get('content-type')).toContain('text/event-stream')
  const heard: Message[] = []
  let rest = ''
  try {
    for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
      rest += new TextDecoder().decode(part)
      const lines = rest.split('\n\n')
      rest = lines.pop()!
      for (const line of lines) heard.push(JSON.parse(line.replace(/^data: /, '')) as Message)
      if (heard.length > 0) begun?.()
      if (enough(heard)) break
    }
  } finally {
    end.abort()
  }
  return heard
}
const linesOf = (heard: Message[]) => heard.flatMap((one) => ('line' in one ? [one.line] : []))

describe('instruments', () => {
  it('speak as they come: the clock first, then every one of them', async () => {
    const heard = await hear((all) => new Set(linesOf(all).map((l) => l.instrument)).size === 7)
    expect('clock' in heard[0]).toBe(true)
    for (const line of linesOf(heard)) expect(Number.isFinite(readLine(line).value)).toBe(true)
  })

  it('a scale shows what was poured onto it', async () => {
    await act({ do: 'put', cup: 'a' })
    await hear((all) =>
      linesOf(all).some((l) => l.instrument === 'scale' && l.steady && l.value > 1),
    )
    await act({ do: 'tare' })
    await act({ do: 'pour', part: 'A', mass: 0.02, flow: 0.2 })
    const weight = (line: Line) => line.instrument === 'scale' && line.steady && line.value > 19
    const heard = await hear((all) => linesOf(all).some(weight))
    expect(linesOf(heard).find(weight)!.value).toBeCloseTo(20, 0)
  })

  it('refuse what can’t be: a lid under pressure, a pour onto an empty scale, a made-up act', async () => {
    expect((await act({ do: 'pour', part: 'A', mass: 0.01 })).body.code).toBe('scale-empty')
    await act({ do: 'lid', to: 'shut' })
    await act({ do: 'valve', to: 'shut' })
    await act({ do: 'compressor', gauge: 2e5 })
    await server.call('POST', '/instruments/speed', { speed: 120 })
    await hear((all) => linesOf(all).some((l) => l.instrument === 'pot gauge' && l.value > 0.1))
    const refused = await act({ do: 'lid', to: 'open' })
    expect([refused.status, refused.body.code]).toEqual([409, 'pot-under-pressure'])
    expect((await act({ do: 'fly' })).status).toBe(422)
    expect((await server.call('POST', '/instruments/speed', { speed: 1e9 })).status).toBe(422)
    expect((await server.call('GET', '/instruments/nothing')).status).toBe(400)
  })

  it('a cup whose parts met warms as its resin does', async () => {
    for (const [cup, part] of [
      ['a', 'A'],
      ['b', 'B'],
    ]) {
      await act({ do: 'put', cup })
      await act({ do: 'pour', part, mass: 0.05, flow: 1 })
      await new Promise((done) => setTimeout(done, 200))
    }
    const met = await act({ do: 'join', from: 'b', into: 'a' }, { resin: whiteUrethane })
    const cup = met.body.world.cups.find(({ id }: { id: string }) => id === 'a')
    expect(Math.max(...cup.warmth.temperature)).toBeGreaterThan(330)
  })

  it('a bridge speaks instead of a stand-in, in lines; what is no line of it is refused', async () => {
    const say = (body: string) =>
      server.fetch('/instruments/lines', {
        method: 'POST',
        headers: { 'content-type': 'application/x-ndjson' },
        body,
      })
    const line = { instrument: 'scale', value: 2, unit: 'oz', steady: true }
    let heard!: Promise<Message[]>
    await new Promise<void>((begun) => {
      heard = hear((all) => linesOf(all).some(({ unit }) => unit === 'oz'), begun)
    })
    expect((await say(`${JSON.stringify(line)}\n`)).status).toBe(204)
    expect(linesOf(await heard).filter(({ unit }) => unit === 'oz')).toEqual([line])
    expect((await say('{"instrument":"scale"')).status).toBe(422)
    const wrong = await say(JSON.stringify({ ...line, unit: 'ml' }))
    expect(((await wrong.json()) as { code: string }).code).toBe('instrument-unit')
  })
})

describe('the clock of the bench', () => {
  const sources = (wall = 1e6, even = 0) => ({
    wall: () => wall,
    even: () => even,
    later: (ms: number) => {
      wall += ms
      even += ms
    },
    set: (ms: number) => {
      wall += ms
    },
  })

  it('is not moved by setting the machine’s, and says that it was set', () => {
    const machine = sources()
    const clock = new BenchClock(1000, machine)
    machine.later(5000)
    expect(clock.now()).toBe(1005)
    expect(clock.setSince()).toBe(0)
    machine.set(3600_000)
    expect(clock.now()).toBe(1005)
    expect(clock.setSince()).toBeCloseTo(3600, 3)
    expect(clock.setSince()).toBe(0)
  })

  it('runs faster without a jump', () => {
    const machine = sources()
    const clock = new BenchClock(0, machine)
    machine.later(10_000)
    clock.run(60)
    expect(clock.now()).toBe(10)
    machine.later(1000)
    expect(clock.now()).toBe(70)
  })

  it('after a trial in fast time it is set right, and nothing at the bench gets older by that', async () => {
    const machine = sources(Date.now())
    const store = await Store.open(join(temporaryFolder(), 'store.sqlite'))
    const instruments = await Instruments.open(store, machine)
    await instruments.do({ do: 'lid', to: 'shut' })
    await instruments.run(60)
    machine.later(60_000)
    const { world } = instruments.look()
    expect(world.at - machine.wall() / 1000).toBeCloseTo(59 * 60, 0)
    await instruments.setRight()
    const after = instruments.look()
    expect(after.speed).toBe(1)
    expect(after.world.at).toBeCloseTo(machine.wall() / 1000, 1)
    expect(after.world.pot.lid).toBe('shut')
    await store.close()
  })

  it('goes on over a restart of the server, with the world as it was', async () => {
    const file = join(temporaryFolder(), 'store.sqlite')
    const machine = sources(Date.now())
    const store = await Store.open(file)
    const before = await Instruments.open(store, machine)
    await before.do({ do: 'put', cup: 'a' })
    await before.do({ do: 'pour', part: 'A', mass: 0.03, flow: 0.01 })
    const { at } = before.look().world
    // Killed: nothing is said any more. Ten seconds later it is back.
    machine.later(10_000)
    const after = await Instruments.open(store, machine)
    const { world } = after.look()
    expect(world.at - at).toBeCloseTo(10, 0)
    expect(world.cups[0].parts.A).toBeCloseTo(0.03, 6)
    await store.close()
  })
})
