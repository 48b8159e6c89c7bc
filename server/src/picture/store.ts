import { createHash } from 'node:crypto'
import { Problem } from '@mivro/core/base/problem'
import type { Transaction } from '../db/connect.ts'

/** Pictures, kept once under the SHA-256 of their bytes, with a small one for lists. */
export class PictureStore {
  constructor(
    private readonly tx: Transaction,
    private readonly now: string,
  ) {}

  async add(bytes: Uint8Array, type: string): Promise<string> {
    const id = createHash('sha256').update(bytes).digest('hex')
    const body = Buffer.from(bytes)
    await this.tx('pictures')
      .insert({ id, type, bytes: body.length, body, created_at: this.now })
      .onConflict('id')
      .ignore()
    return id
  }

  /** Throws `Problem('picture-missing')`. */
  async keepSmall(id: string, bytes: Uint8Array): Promise<void> {
    const changed = await this.tx('pictures')
      .where({ id })
      .update({ small: Buffer.from(bytes) })
    if (changed === 0) throw new Problem('picture-missing', { id })
  }

  /** The picture, or its small one where there is one. Throws `Problem('picture-missing')`. */
  async get(id: string, size: 'whole' | 'small'): Promise<{ type: string; body: Buffer }> {
    const row = await this.tx('pictures').where({ id }).first()
    if (!row) throw new Problem('picture-missing', { id })
    if (size === 'small' && row.small) return { type: 'image/jpeg', body: Buffer.from(row.small) }
    return { type: row.type, body: Buffer.from(row.body) }
  }
}
