import { rmSync } from 'node:fs'
import { RunningServer, storeOf } from './server.ts'

/** A store with the demo studio is filled once; every test begins with a copy of it. */
export default async function fill() {
  const server = await RunningServer.start({ demo: true, folder: RunningServer.newFolder() })
  await server.process.end('SIGTERM')
  process.env.MIVRO_FILLED = storeOf(server.folder)
  return () => rmSync(server.folder, { recursive: true, force: true })
}
