import { spawn } from 'node:child_process'
import { setPriority } from 'node:os'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')

/** What was printed before an end has arrived by then, ms. */
const lastWords = 3000

/** Runs a command in the project's root; answers its exit code and, if asked, what it printed. */
export function run(
  command,
  args,
  { env = {}, quiet = false, passSignals = false, priority = 0 } = {},
) {
  return new Promise((done) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    })
    if (priority > 0 && child.pid !== undefined) setPriority(child.pid, priority)
    // What stops this script stops what it runs: nothing is left behind.
    if (passSignals) {
      for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
        process.on(signal, () => child.kill(signal === 'SIGHUP' ? 'SIGTERM' : signal))
      }
    }
    let output = ''
    child.stdout?.on('data', (chunk) => (output += chunk))
    child.stderr?.on('data', (chunk) => (output += chunk))
    child.on('error', (error) => done({ code: 1, output: String(error) }))
    child.on('close', (code) => done({ code: code ?? 1, output }))
    // What it started and left behind may hold its output open for ever.
    child.on('exit', (code) => setTimeout(() => done({ code: code ?? 1, output }), lastWords))
  })
}

/** A command that comes with an installed package. */
export const bin = (name) => resolve(root, 'node_modules/.bin', name)
