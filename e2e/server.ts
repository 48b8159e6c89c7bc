import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import type * as serving from '../server/src/serve.ts'
import type { Asked } from '../tools/backupClient.ts'
import { ServerProcess } from '../tools/serverProcess.ts'

export const storeOf = (folder: string) => join(folder, 'store.sqlite')
const root = resolve(import.meta.dirname, '..')
/** The bundle, as it is started by `npm start`. */
const bundle = join(root, 'server/dist/serve.js')

interface Start {
  demo?: boolean
  folder?: string
  port?: number
  /** Further options of its command line, and of its environment. */
  options?: string[]
  env?: Record<string, string>
}

/** The real server over a store in a temporary folder. */
export abstract class TestedServer {
  constructor(
    readonly folder: string,
    readonly port: number,
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** As the clients of backups know it. */
  async asked(): Promise<Asked> {
    const found = await fetch(`${this.address}/api/studios?limit=1`)
    return { base: `${this.address}/api`, epoch: found.headers.get('Mivro-Epoch')! }
  }

  /** One request as another program would send it, meant for the store that is there. */
  async call(method: string, path: string, data?: unknown): Promise<Response> {
    const { base, epoch } = await this.asked()
    return fetch(`${base}/${path}`, {
      method,
      headers: { 'content-type': 'application/json', 'Mivro-Epoch': epoch },
      body: data === undefined ? undefined : JSON.stringify(data),
    })
  }

  /** Ends it at once. */
  abstract kill(): Promise<unknown>

  /** Takes its store off the disk, once it has ended. */
  forget(): void {
    rmSync(this.folder, { recursive: true, force: true })
  }

  static newFolder(): string {
    return mkdtempSync(join(tmpdir(), 'mivro-e2e-'))
  }

  protected static demoFolder(): string {
    const fresh = TestedServer.newFolder()
    copyFileSync(process.env.MIVRO_FILLED!, storeOf(fresh))
    return fresh
  }
}

/** As a process of its own: a kill is one. */
export class RunningServer extends TestedServer {
  private constructor(
    folder: string,
    port: number,
    readonly process: ServerProcess,
  ) {
    super(folder, port)
  }

  static async start({
    demo = true,
    folder,
    port = 0,
    options = [],
    env = {},
  }: Start = {}): Promise<RunningServer> {
    const place = folder ?? (demo ? TestedServer.demoFolder() : TestedServer.newFolder())
    const args = ['--port', String(port), '--database', storeOf(place)]
    const found = await ServerProcess.serving(
      [...args, ...(demo ? ['--demo'] : []), ...options],
      env,
    )
    return new RunningServer(place, Number(new URL(found.address).port), found)
  }

  /** As a power cut would. */
  kill(): Promise<number | null> {
    return this.process.end('SIGKILL')
  }
}

/** In the process of the test, which starts in no time: for all that is not about its end. */
export class ServerHere extends TestedServer {
  private constructor(
    folder: string,
    private readonly served: serving.Served,
  ) {
    super(folder, served.port)
  }

  /** Over a fresh demo studio. */
  static async start(port = 0): Promise<ServerHere> {
    const { serve } = (await import(bundle)) as typeof serving
    const folder = TestedServer.demoFolder()
    const served = await serve({
      database: storeOf(folder),
      port,
      web: join(root, 'web/dist'),
      keepIn: folder,
      demo: true,
      fresh: false,
      host: false,
      names: [],
      tls: false,
    })
    return new ServerHere(folder, served)
  }

  private gone: Promise<void> | undefined
  kill(): Promise<void> {
    return (this.gone ??= this.served.stop(0))
  }
}
