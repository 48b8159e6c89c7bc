import { spawn, type ChildProcess } from 'node:child_process'
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')

const store = 'store.sqlite'
const newFolder = () => mkdtempSync(join(tmpdir(), 'mivro-e2e-'))

interface Start {
  demo?: boolean
  folder?: string
  port?: number
  /** Further options of its command line, and of its environment. */
  options?: string[]
  env?: Record<string, string>
}

/** The real server as a process of its own, over a store in a temporary folder. */
export class RunningServer {
  private constructor(
    readonly folder: string,
    readonly port: number,
    private readonly child: ChildProcess,
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** One request as another program would send it, meant for the store that is there. */
  async call(method: string, path: string, data?: unknown): Promise<Response> {
    const found = await fetch(`${this.address}/api/studios?limit=1`)
    return fetch(`${this.address}/api/${path}`, {
      method,
      headers: {
        'content-type': 'application/json',
        'Mivro-Epoch': found.headers.get('Mivro-Epoch')!,
      },
      body: data === undefined ? undefined : JSON.stringify(data),
    })
  }

  /** A store with the demo studio is filled once, and copied for every test. */
  private static filled: Promise<string> | undefined

  private static async fill(): Promise<string> {
    const server = await RunningServer.spawn(newFolder(), { demo: true, port: 0 })
    const gone = new Promise((done) => server.child.once('exit', done))
    server.child.kill('SIGTERM')
    await gone
    return join(server.folder, store)
  }

  static async start({
    demo = true,
    folder,
    port = 0,
    ...more
  }: Start = {}): Promise<RunningServer> {
    if (folder !== undefined || !demo) {
      return RunningServer.spawn(folder ?? newFolder(), { demo, port, ...more })
    }
    RunningServer.filled ??= RunningServer.fill()
    const fresh = newFolder()
    copyFileSync(await RunningServer.filled, join(fresh, store))
    return RunningServer.spawn(fresh, { demo, port, ...more })
  }

  private static async spawn(folder: string, { demo, port, options = [], env = {} }: Start) {
    const args = ['server/src/main.ts', '--port', String(port), '--database', join(folder, store)]
    // tsx as a loader, not as a parent: a kill then reaches the server itself.
    const child = spawn(
      process.execPath,
      ['--import', 'tsx', ...args, ...(demo ? ['--demo'] : []), ...options],
      { cwd: root, env: { ...process.env, ...env } },
    )
    const found = await new Promise<number>((done, failed) => {
      let said = ''
      const hear = (chunk: Buffer) => {
        said += chunk
        const match = /127\.0\.0\.1:(\d+)/.exec(said)
        if (match) done(Number(match[1]))
      }
      child.stdout.on('data', hear)
      child.stderr.on('data', hear)
      child.on('exit', () => failed(new Error(`the server ended: ${said}`)))
    })
    return new RunningServer(folder, found, child)
  }

  /** Ends it at once, as a power cut would. */
  kill(): Promise<number | null> {
    return this.end('SIGKILL')
  }

  /** Takes its store off the disk, once it has ended. */
  forget(): void {
    rmSync(this.folder, { recursive: true, force: true })
  }

  /** Asks it to stop, and waits until it has; answers its exit code. */
  end(signal: 'SIGKILL' | 'SIGTERM' | 'SIGINT'): Promise<number | null> {
    if (this.child.exitCode !== null || this.child.signalCode !== null) return Promise.resolve(null)
    const gone = new Promise<number | null>((done) => this.child.once('exit', done))
    this.child.kill(signal)
    return gone
  }
}
