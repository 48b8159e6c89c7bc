import { mkdirSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { sayProblem } from '@mivro/core/caution'
import { Problem } from '@mivro/core/problem'
import { createApp } from './app.ts'
import { connect } from './db/connect.ts'
import { fillDemo } from './demo/fill.ts'
import { readSettings } from './settings.ts'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')

async function main(): Promise<void> {
  const settings = readSettings(root, process.argv.slice(2), process.env)
  mkdirSync(dirname(settings.database), { recursive: true })
  const db = await connect(settings.database)
  if (settings.demo) await db.transaction((tx) => fillDemo(tx))
  const log = pino({ level: process.env.MIVRO_LOG ?? 'warn' })
  const server = createServer(createApp(db, { ...settings, log }))
  server.on('error', (error: NodeJS.ErrnoException) => {
    const taken = error.code === 'EADDRINUSE'
    say(
      taken
        ? `Port ${settings.port} is taken. Choose another with --port, or 0 for any.`
        : error.message,
    )
    process.exit(1)
  })
  server.listen(settings.port, '127.0.0.1', () => {
    const { port } = server.address() as AddressInfo
    process.stdout.write(`Mivro is at http://127.0.0.1:${port}\n`)
  })
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      server.close(() => db.destroy().then(() => process.exit(0)))
      server.closeAllConnections()
    })
  }
}

const say = (line: string) => process.stderr.write(`${line}\n`)

main().catch((error: unknown) => {
  say(error instanceof Problem ? sayProblem(error) : String(error))
  process.exit(1)
})
