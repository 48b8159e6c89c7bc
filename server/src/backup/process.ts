import { spawn, type ChildProcess } from 'node:child_process'
import { createRequire } from 'node:module'
import { constants, setPriority } from 'node:os'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { fromData, type ProblemData } from '@mivro/core/problem'

/** Memory of the process that packs or unpacks, MB: a shape of the largest size, twice, and room. */
const heap = 256

const running = new Set<ChildProcess>()

/** Starts `child.ts` the way this server is run: TypeScript by tsx. */
export function startChild(...args: string[]): ChildProcess {
  const tsx = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href
  const script = fileURLToPath(new URL('./child.ts', import.meta.url))
  const flags = [`--max-old-space-size=${heap}`, '--import', tsx, script]
  const child = spawn(process.execPath, [...flags, ...args], { stdio: ['ignore', 'pipe', 'pipe'] })
  running.add(child)
  // What others wait for comes first.
  if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL)
  child.once('close', () => running.delete(child))
  return child
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
