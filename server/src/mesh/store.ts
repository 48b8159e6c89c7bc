import { createHash } from 'node:crypto'
import { Problem } from '@mivro/core/base/problem'
import type { Transaction } from '../db/connect.ts'

/** Files of shapes, kept once under the SHA-256 of their bytes. */
export class MeshStore {
  constructor(
    private readonly tx: Transaction,
    private readonly now: string,
  ) {}

  async add(bytes: Uint8Array): Promise<string> {
    const id = createHash('sha256').update(bytes).digest('hex')
    await this.tx('meshes')
      .insert({ id, bytes: bytes.byteLength, body: Buffer.from(bytes), created_at: this.now })
      .onConflict('id')
      .ignore()
    return id
  }

  /** Throws `Problem('mesh-missing')`. */
  async get(id: string): Promise<Buffer> {
    const row = await this.tx('meshes').where({ id }).first()
    if (!row) throw new Problem('mesh-missing', { id })
    return Buffer.from(row.body)
  }
}
