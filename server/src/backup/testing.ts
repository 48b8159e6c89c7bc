import { readdirSync } from 'node:fs'
import { strToU8, zipSync } from 'fflate'
import { afterEach, beforeEach } from 'vitest'
import { putBackup, takeBackup, whenOver } from '../../../tools/backupClient.ts'
import { TestServer } from '../testServer.ts'

/** For tests: a server of its own for each, and backups taken from it and put into it. */
export function useServer() {
  let server: TestServer
  beforeEach(async () => {
    server = await TestServer.start()
  })
  afterEach(() => server.stop())
  return {
    get server() {
      return server
    },
    call: (method: string, path: string, body?: unknown) => server.call(method, path, body),
    take: () => takeBackup(server.asked),
    // The tests say what they expect of the answers.
    // eslint-disable-next-line @typescript-eslint/no-explicit-any
    put: (bytes: Uint8Array): Promise<any> => putBackup(server.asked, bytes),
    // eslint-disable-next-line @typescript-eslint/no-explicit-any
    over: (id: string, of = server): Promise<any> => whenOver(of.asked, id),
    /** What jobs have left beside the store. */
    lyingAbout: () =>
      readdirSync(server.folder).filter((name) => /\.(packed|upload|incoming)/.test(name)),
  }
}

/** Backups by hand, for tests. */
export const piece = (
  name = 'Coaster',
  form: object = {
    from: 'sizes',
    solid: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 },
  },
) => ({
  name,
  form,
  note: '',
})
export const row = (more: object = {}) => ({
  id: 'p1',
  kind: 'piece',
  parent: null,
  revision: 1,
  body: piece(),
  created_at: '2026-01-01',
  updated_at: '2026-01-01',
  deleted_at: null,
  ...more,
})
export const version = (more: object = {}) => ({
  document: 'p1',
  revision: 1,
  change: 'made',
  body: piece(),
  at: '2026-01-01',
  ...more,
})
const lines = (rows: object[]) => strToU8(rows.map((one) => JSON.stringify(one)).join('\n'))
/** A backup of these rows; what the manifest counts can be told otherwise. */
export const packed = (
  documents: object[],
  revisions: object[],
  more: Record<string, Uint8Array> = {},
  manifest = {},
  level: 0 | 6 = 6,
) =>
  zipSync(
    {
      'manifest.json': strToU8(
        JSON.stringify({
          format: 2,
          madeAt: '',
          documents: documents.length,
          revisions: revisions.length,
          meshes: Object.keys(more).length,
          ...manifest,
        }),
      ),
      'documents.ndjson': lines(documents),
      'revisions.ndjson': lines(revisions),
      ...more,
    },
    { level },
  )
