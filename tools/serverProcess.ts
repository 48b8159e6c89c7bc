import { spawn, type ChildProcess } from 'node:child_process'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')

/** The bundled server as a process of its own, for tests and benchmarks. */
export class ServerProcess {
  /** What it has printed so far. */
  said = ''
  /** Its exit code, once it has ended; null after a signal. */
  readonly ended: Promise<number | null>
  private readonly child: ChildProcess

  constructor(args: string[], env: Record<string, string> = {}) {
    this.child = spawn(process.execPath, ['server/dist/main.js', ...args], {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    for (const stream of [this.child.stdout!, this.child.stderr!]) {
      stream.on('data', (part: Buffer) => (this.said += String(part)))
    }
    this.ended = new Promise((done) => this.child.once('close', done))
  }

  /** Started and listening. Throws what it said when it ends instead. */
  static async serving(args: string[], env?: Record<string, string>): Promise<ServerProcess> {
    const server = new ServerProcess(args, env)
    await server.listening()
    if (server.address === '') throw new Error(`the server ended: ${server.said}`)
    return server
  }

  /** Waits until it serves, or has ended. */
  async listening(): Promise<void> {
    const heard = new Promise<void>((done) => {
      this.child.stdout!.on('data', () => {
        if (this.address !== '') done()
      })
    })
    await Promise.race([heard, this.ended])
  }

  get pid(): number {
    return this.child.pid!
  }

  /** Where it is reached from this machine; empty before it listens. */
  get address(): string {
    return /https?:\/\/127\.0\.0\.1:\d+/.exec(this.said)?.[0] ?? ''
  }

  /** Sends a signal and waits until it has ended; answers its exit code. */
  async end(signal: 'SIGKILL' | 'SIGTERM' | 'SIGINT' = 'SIGKILL'): Promise<number | null> {
    this.child.kill(signal)
    return this.ended
  }
}
