import { createHash, randomBytes } from 'node:crypto'
import type { ServerResponse } from 'node:http'
import type { Store } from '../db/store.ts'

const day = 24 * 3600_000

/** A device that is not used for so long is let out, ms. */
const lasts = 30 * day

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** Devices that gave the passphrase. Only hashes of their tokens are kept; they outlive the server. */
export class Sessions {
  private readonly known = new Map<string, number>()
  /** What is being answered to a device: a stream goes on until it is ended. */
  private readonly answering = new Map<string, Set<ServerResponse>>()

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

  /** Devices that are let in. */
  count(now = Date.now()): number {
    return [...this.known.values()].filter((until) => until > now).length
  }

  /** What is answered to a device ends when it is signed out. */
  answers(token: string, response: ServerResponse): void {
    const hash = hashOf(token)
    const open = this.answering.get(hash) ?? new Set()
    this.answering.set(hash, open.add(response))
    response.once('close', () => {
      open.delete(response)
      if (open.size === 0) this.answering.delete(hash)
    })
  }

  /** Streams that have begun; the answer to the signing out itself has not. */
  private cut(hashes: Iterable<string>): void {
    for (const hash of hashes) {
      for (const response of this.answering.get(hash) ?? []) {
        if (response.headersSent) response.destroy()
      }
    }
  }

  /** A device that is used stays let in; written down once a day. */
  async used(token: string, now = Date.now()): Promise<void> {
    const hash = hashOf(token)
    if ((this.known.get(hash) ?? Infinity) > now + lasts - day) return
    this.known.set(hash, now + lasts)
    await this.store.transaction((tx) =>
      tx('devices')
        .where({ token: hash })
        .update({ until: now + lasts }),
    )
  }

  /** A token for a device. */
  async begin(now = Date.now()): Promise<string> {
    const token = randomBytes(32).toString('base64url')
    const row = { token: hashOf(token), until: now + lasts }
    await this.store.transaction((tx) => tx('devices').insert(row))
    this.known.set(row.token, row.until)
    return token
  }

  /** This device has to give the passphrase again. */
  async end(token: string): Promise<void> {
    const hash = hashOf(token)
    this.known.delete(hash)
    this.cut([hash])
    await this.store.transaction((tx) => tx('devices').where({ token: hash }).delete())
  }

  /** All devices have to give it again. */
  async endAll(): Promise<void> {
    this.known.clear()
    this.cut([...this.answering.keys()])
    await this.store.transaction((tx) => tx('devices').delete())
  }
}
