import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { serve } from './serve.ts'
import { readSettings } from './settings.ts'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')

async function main(): Promise<void> {
  // What is kept is nobody else's to read on this machine.
  process.umask(0o077)
  const { address, others, stop } = await serve(
    readSettings(root, process.argv.slice(2), process.env),
  )
  // Before it is said that it serves: whoever reads that may stop it at once.
  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (stopping) return
      stopping = true
      stop().then(() => process.exit(0), sayAndExit)
    })
  }
  process.stdout.write(`Mivro is at ${address}\n`)
  if (others.length > 0) {
    process.stdout.write(`Other devices, with the passphrase: ${others.join(' ')}\n`)
  }
}

function sayAndExit(error: unknown): void {
  const line = error instanceof Problem ? sayProblem(error) : (error as Error).message
  process.stderr.write(`${line}\n`)
  process.exit(1)
}

main().catch(sayAndExit)
