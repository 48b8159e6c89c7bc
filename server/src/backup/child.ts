import { createWriteStream, rmSync, statfsSync } from 'node:fs'
import type { Socket } from 'node:net'
import { dirname } from 'node:path'
import { once } from 'node:events'
import { connect } from '../db/connect.ts'
import { problemsOf, toData } from '@mivro/core/base/problem'
import { storeProblem } from '../db/faults.ts'
import { readBackup } from './read.ts'
import { writeBackup } from './write.ts'

/**
 * A process of its own, so that packing and unpacking hold nobody up and their memory goes with
 * them: `write <store> <zip> [leave-out]`, or `read <zip> <new store>`. Standard output says as lines
 * of JSON how far it is, and what came of it; what is wrong goes to standard error as one such line.
 */
const [what, from, to, choice] = process.argv.slice(2)

/** How far it is is said so often, ms. */
const sayEvery = 200

let said = 0
function progress(done: number): void {
  const now = Date.now()
  if (now - said < sayEvery) return
  said = now
  process.stdout.write(`${JSON.stringify({ done })}\n`)
}

/** A server that was killed waits for nothing any more; by hand there is none. */
function endWithParent(): void {
  const parent = process.env.MIVRO_PARENT
  if (parent === undefined) return
  const alone = () => {
    // Also what was begun after the next server had swept.
    for (const ending of ['', '-wal', '-shm', '-journal']) rmSync(to + ending, { force: true })
    process.exit(1)
  }
  if (process.ppid !== Number(parent)) alone()
  // It holds the other end of this as long as it lives.
  process.stdin.on('end', alone).on('error', alone).resume()
  ;(process.stdin as Socket).unref()
}

async function main(): Promise<void> {
  endWithParent()
  const { bavail, bsize } = statfsSync(dirname(to))
  const answer =
    what === 'write'
      ? await write(bavail * bsize)
      : await readBackup(from, to, { progress, free: bavail * bsize })
  process.stdout.write(`${JSON.stringify({ answer })}\n`)
}

async function write(free: number) {
  const db = await connect(from, { schema: 'as it is' })
  const out = createWriteStream(to, { mode: 0o600 })
  const madeAt = new Date().toISOString()
  const leftOut = await writeBackup(db, out, {
    madeAt,
    leaveOut: choice === 'leave-out',
    progress,
    free,
  })
  out.end()
  await once(out, 'finish')
  await db.destroy()
  return { leftOut, bytes: out.bytesWritten }
}

main().catch((error: unknown) => {
  // What is still being read or packed is of no use any more, and would keep the process here.
  process.stderr.write(`${JSON.stringify(refusal(error))}\n`, () => process.exit(1))
})

function refusal(error: unknown) {
  try {
    return problemsOf(storeProblem(error, what === 'write' ? from : to) ?? error).map(toData)[0]
  } catch {
    return { fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }
  }
}
