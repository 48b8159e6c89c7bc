import { spawn, type ChildProcess } from 'node:child_process'
import { constants, setPriority } from 'node:os'
import { fileURLToPath } from 'node:url'
import { fromData, type ProblemData } from '@mivro/core/base/problem'

/** Memory of the process that packs or unpacks, MB: a shape of the largest size, twice, and room. */
const heap = 256

const running = new Set<ChildProcess>()

/** The child is the bundle's, also of a server that runs from its sources. */
const place = import.meta.url.endsWith('.ts') ? '../../dist/backup/child.js' : './backup/child.js'
const script = fileURLToPath(new URL(place, import.meta.url))

/** Starts the process that packs and unpacks. */
export function startChild(...args: string[]): ChildProcess {
  const flags = [`--max-old-space-size=${heap}`, script, ...args]
  const started = spawn(process.execPath, flags, { stdio: ['ignore', 'pipe', 'pipe'] })
  running.add(started)
  // What others wait for comes first; where the server itself is last already, both are alike.
  try {
    if (started.pid !== undefined)
      setPriority(started.pid, constants.priority.PRIORITY_BELOW_NORMAL)
  } catch {}
  started.once('close', () => running.delete(started))
  return started
}

/** Resolves when the child ended well. Throws the `Problem` it names, or what went wrong. */
export async function ended(child: ChildProcess): Promise<void> {
  let said = ''
  child
    .stderr!.setEncoding('utf8')
    .on('data', (part: string) => (said = (said + part).slice(-8000)))
  const code = await new Promise<number | null>((resolve) => child.once('close', resolve))
  if (code === 0) return
  const line = said.trim().split('\n').at(-1) ?? ''
  let told: Partial<ProblemData> & { fault?: string }
  try {
    told = JSON.parse(line) as typeof told
  } catch {
    throw new Error(`the backup process ended with ${code}: ${said}`)
  }
  if (told.code) throw fromData(told as ProblemData)
  throw new Error(told.fault ?? said)
}

/** Ends what is still packing or unpacking, when the server stops. */
export function endChildren(): void {
  for (const child of running) child.kill()
}
