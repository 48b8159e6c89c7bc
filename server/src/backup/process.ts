import { spawn, type ChildProcess } from 'node:child_process'
import { constants, setPriority } from 'node:os'
import { createInterface } from 'node:readline'
import { fileURLToPath } from 'node:url'
import { fromData, Problem, type ProblemData } from '@mivro/core/base/problem'

/** Memory of the process that packs or unpacks, MB: a shape of the largest size, twice, and room. */
const heap = 256

/**
 * A process that says nothing for so long is given up, ms: putting twenty gigabytes into their file at
 * the end takes a slow disk minutes.
 */
const patience = 600_000

const running = new Set<ChildProcess>()

/** The child is the bundle's, also of a server that runs from its sources. */
const place = import.meta.url.endsWith('.ts') ? '../../dist/backup/child.js' : './backup/child.js'
const script = fileURLToPath(new URL(place, import.meta.url))

interface Heard {
  signal: AbortSignal
  progress: (done: number) => void
  patience?: number
}

/**
 * Runs the process that packs and unpacks, and answers what it came to. Given up, it is ended.
 *
 * Throws the `Problem` that it names, backup-stalled, or what went wrong.
 */
export async function runChild<T>(args: string[], heard: Heard): Promise<T> {
  const child = started(args)
  let stalled = false
  const wait = heard.patience ?? patience
  const giveUp = setTimeout(() => {
    stalled = true
    child.kill('SIGKILL')
  }, wait)
  const end = () => child.kill('SIGKILL')
  heard.signal.addEventListener('abort', end)
  let answer: T | undefined
  createInterface({ input: child.stdout! }).on('line', (line) => {
    giveUp.refresh()
    const said = JSON.parse(line) as { done?: number; answer?: T }
    if (said.done !== undefined) heard.progress(said.done)
    answer = said.answer ?? answer
  })
  let wrong = ''
  child
    .stderr!.setEncoding('utf8')
    .on('data', (part: string) => (wrong = (wrong + part).slice(-8000)))
  const code = await new Promise<number | null>((resolve) => child.once('close', resolve))
  clearTimeout(giveUp)
  heard.signal.removeEventListener('abort', end)
  if (stalled) throw new Problem('backup-stalled', { after: wait / 1000 })
  heard.signal.throwIfAborted()
  if (code === 0 && answer !== undefined) return answer
  throw refusal(wrong, code)
}

function started(args: string[]): ChildProcess {
  const flags = [`--max-old-space-size=${heap}`, script, ...args]
  const env = { ...process.env, MIVRO_PARENT: String(process.pid) }
  const child = spawn(process.execPath, flags, { stdio: ['pipe', 'pipe', 'pipe'], env })
  running.add(child)
  // What others wait for comes first; where the server itself is last already, both are alike.
  try {
    if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL)
  } catch {}
  child.once('close', () => running.delete(child))
  return child
}

function refusal(said: string, code: number | null): Error {
  const line = said.trim().split('\n').at(-1) ?? ''
  try {
    const told = JSON.parse(line) as Partial<ProblemData> & { fault?: string }
    return told.code ? fromData(told as ProblemData) : new Error(told.fault ?? said)
  } catch {
    return new Error(`the backup process ended with ${code}: ${said}`)
  }
}

/** Ends what is still packing or unpacking, when the server stops. */
export function endChildren(): void {
  for (const child of running) child.kill()
}
