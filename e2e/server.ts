import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ServerProcess } from '../tools/serverProcess.ts'

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
    private readonly process: ServerProcess,
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
    await server.end('SIGTERM')
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
    const args = ['--port', String(port), '--database', join(folder, store)]
    const server = await ServerProcess.serving(
      [...args, ...(demo ? ['--demo'] : []), ...options],
      env,
    )
    return new RunningServer(folder, Number(new URL(server.address).port), server)
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
    return this.process.end(signal)
  }
}
