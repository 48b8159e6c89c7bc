import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')

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

  static async start({
    demo = true,
    folder = mkdtempSync(join(tmpdir(), 'mivro-e2e-')),
    port = 0,
  } = {}) {
    const args = [
      'server/src/main.ts',
      '--port',
      String(port),
      '--database',
      join(folder, 'store.sqlite'),
    ]
    // tsx as a loader, not as a parent: a kill then reaches the server itself.
    const child = spawn(
      process.execPath,
      ['--import', 'tsx', ...args, ...(demo ? ['--demo'] : [])],
      { cwd: root },
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
  async kill(): Promise<void> {
    const gone = new Promise((done) => this.child.once('exit', done))
    this.child.kill('SIGKILL')
    await gone
  }
}
