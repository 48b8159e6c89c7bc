import { connect } from '../db/connect.ts'
import { problemsOf, toData } from '@mivro/core/base/problem'
import { storeProblem } from '../db/faults.ts'
import { readBackup } from './read.ts'
import { writeBackup } from './write.ts'

/**
 * A process of its own, so that packing and unpacking hold nobody up and their memory goes with
 * them: `write <store>` puts the zip on standard output, `read <zip> <new store>` says on it what
 * came back. What is wrong goes to standard error as one line of JSON.
 */
const [what, from, to] = process.argv.slice(2)

async function main(): Promise<void> {
  if (what === 'write') {
    const db = await connect(from, { schema: 'as it is' })
    await writeBackup(db, process.stdout, new Date().toISOString())
    await db.destroy()
  } else {
    process.stdout.write(JSON.stringify(await readBackup(from, to)))
  }
}

main().catch((error: unknown) => {
  // What is still being read or packed is of no use any more, and would keep the process here.
  process.stderr.write(`${JSON.stringify(refusal(error))}\n`, () => process.exit(1))
})

function refusal(error: unknown) {
  try {
    return problemsOf(storeProblem(error, to ?? from) ?? error).map(toData)[0]
  } catch {
    return { fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }
  }
}
