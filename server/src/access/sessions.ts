import { createHash, randomBytes } from 'node:crypto'
import type { Store } from '../db/store.ts'

/** A device stays let in for so long, ms. */
const lasts = 60 * 24 * 3600_000

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** Devices that gave the passphrase. Only hashes of their tokens are kept; they outlive the server. */
export class Sessions {
  private readonly known = new Map<string, number>()

  private constructor(private readonly store: Store) {}

  static async open(store: Store, now = Date.now()): Promise<Sessions> {
    const sessions = new Sessions(store)
    const rows = await store.transaction(async (tx) => {
      await tx('devices').where('until', '<', now).delete()
      return tx('devices').select('token', 'until')
    })
    for (const { token, until } of rows) sessions.known.set(token, Number(until))
    return sessions
  }

  has(token: string | undefined, now = Date.now()): boolean {
    return token !== undefined && (this.known.get(hashOf(token)) ?? 0) > now
  }

  /** A token for a device, and how long it lasts, ms. */
  async begin(now = Date.now()): Promise<{ token: string; lasts: number }> {
    const token = randomBytes(32).toString('base64url')
    const row = { token: hashOf(token), until: now + lasts }
    await this.store.transaction((tx) => tx('devices').insert(row))
    this.known.set(row.token, row.until)
    return { token, lasts }
  }

  /** All devices have to give it again. */
  async endAll(): Promise<void> {
    this.known.clear()
    await this.store.transaction((tx) => tx('devices').delete())
  }
}
