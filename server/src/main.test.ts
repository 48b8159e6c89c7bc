import { spawn } from 'node:child_process'
import { createRequire } from 'node:module'
import { existsSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterEach, describe, expect, it } from 'vitest'
import { runKills } from '../../tools/kills.ts'
import { fits } from '../../tools/ready.mjs'
import { ServerProcess } from '../../tools/serverProcess.ts'
import { temporaryFolder } from './testServer.ts'

const require = createRequire(import.meta.url)
const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')
const started: { end(signal: 'SIGKILL'): unknown }[] = []
afterEach(() => started.splice(0).forEach((one) => one.end('SIGKILL')))

/** The server as a process, once it serves or has ended. */
async function start(...args: string[]): Promise<ServerProcess> {
  const server = new ServerProcess(args)
  started.push(server)
  await server.listening()
  return server
}
const place = () => join(temporaryFolder(), 'store.sqlite')

describe('the server as a process', () => {
  it('a second one on the same store is refused in a sentence, and the first goes on', async () => {
    const store = place()
    const first = await start('--port', '0', '--database', store)
    const second = await start('--port', '0', '--database', store)
    expect(await second.ended).toBe(1)
    expect(second.said).toContain(
      `Another Mivro (process ${first.pid}) has this store open: ${store}. Close it first`,
    )
    const anew = await start('--fresh', '--port', '0', '--database', store)
    expect(await anew.ended).toBe(1)
    expect(anew.said).toContain('has this store open')
    expect((await fetch(`${first.address}/api/pieces`)).status).toBe(200)
  })

  it('a port that is taken is what is said, whatever the store is', async () => {
    const other = createServer().listen(0, '127.0.0.1')
    await new Promise((done) => other.once('listening', done))
    const { port } = other.address() as AddressInfo
    const store = place()
    const refused = await start('--port', String(port), '--database', store)
    expect(await refused.ended).toBe(1)
    expect(refused.said).toContain(`Port ${port} is taken. Choose another with --port`)
    expect(existsSync(store)).toBe(false)
    other.close()
  })

  it.each(['SIGTERM', 'SIGINT'] as const)(
    'asked to stop by %s it ends well, the store whole in its file',
    async (signal) => {
      const store = place()
      const server = await start('--demo', '--port', '0', '--database', store)
      expect((await fetch(`${server.address}/api/pieces`)).status).toBe(200)
      expect(await server.end(signal)).toBe(0)
      expect(existsSync(`${store}-wal`) ? statSync(`${store}-wal`).size : 0).toBe(0)
    },
  )

  it('asked to stop while another program locks its store it says so, without a stack', async () => {
    const store = place()
    const server = await start('--port', '0', '--database', store)
    const script = `const D = require(${JSON.stringify(require.resolve('libsql'))}); const d = new D(${JSON.stringify(store)}); d.exec('BEGIN EXCLUSIVE'); console.log('held'); setInterval(() => d, 1000)`
    const other = spawn(process.execPath, ['-e', script])
    started.push({ end: (signal) => other.kill(signal) })
    await new Promise((held) => other.stdout.once('data', held))
    expect(await server.end('SIGTERM')).toBe(1)
    const [, ...said] = server.said.trim().split('\n')
    expect(said).toEqual([expect.stringMatching(/^Another program is using the store/)])
  }, 30_000)

  it('a store that is none is said, and left as it is', async () => {
    const store = place()
    writeFileSync(store, 'not a store at all '.repeat(200))
    const refused = await start('--port', '0', '--database', store)
    expect(await refused.ended).toBe(1)
    expect(refused.said).toMatch(/The store is damaged: its file is no store of Mivro/)
    expect(statSync(store).size).toBe(19 * 200)
  })

  it('its store is nobody else’s to read', async () => {
    const store = place()
    await start('--port', '0', '--database', store)
    for (const file of [store, `${store}-wal`]) expect(statSync(file).mode & 0o077).toBe(0)
  })

  it('killed ten times under five writers it loses no acknowledged write', async () => {
    const report = await runKills({ kills: 10, seed: 7 })
    expect(report).toMatchObject({ kills: 10, lost: [] })
    expect(report.acknowledged).toBeGreaterThan(100)
  }, 180_000)
})

describe('what starts the server', () => {
  it('asked to stop it stops what it runs: nothing is left behind', async () => {
    const script = `import { run } from ${JSON.stringify(join(root, 'tools/run.mjs'))}
      const { code } = await run(process.execPath, ['-e', 'console.log(process.pid); setInterval(() => {}, 1000)'], { passSignals: true })
      process.exit(code)`
    const starter = spawn(process.execPath, ['--input-type=module', '-e', script])
    started.push({ end: (signal) => starter.kill(signal) })
    const pid = await new Promise<number>((done) =>
      starter.stdout.once('data', (part: Buffer) => done(Number(String(part)))),
    )
    const ended = new Promise((done) => starter.once('exit', done))
    starter.kill('SIGTERM')
    await ended
    expect(() => process.kill(pid, 0)).toThrow(/ESRCH/)
  })
})

describe('the version of Node', () => {
  it.each([
    [20, 18, false],
    [20, 19, true],
    [21, 7, false],
    [22, 11, false],
    [22, 12, true],
    [24, 0, true],
  ])('%d.%d', (major, minor, does) => {
    expect(fits(major, minor)).toBe(does)
  })
})
