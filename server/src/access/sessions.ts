import { createHash, randomBytes } from 'node:crypto'
import type { ServerResponse } from 'node:http'
import type { Device } from '@mivro/core/base/answer'
import type { Store } from '../db/store.ts'

const hour = 3600_000

/** A device that is not used for so long is let out, ms. */
const lasts = 30 * 24 * hour

/** When a device was used is written down so often, ms. */
const noteEvery = hour

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

interface Known {
  name: string
  since: number
  used: number
  noted: number
}

/** Devices that gave the passphrase. Only hashes of their tokens are kept; they outlive the server. */
export class Sessions {
  private readonly known = new Map<string, Known>()
  /** What is being answered to a device: a stream goes on until it is ended. */
  private readonly answering = new Map<string, Set<ServerResponse>>()

  private constructor(private readonly store: Store) {}

  static async open(store: Store, now = Date.now()): Promise<Sessions> {
    const sessions = new Sessions(store)
    const rows = await store.transaction(async (tx) => {
      await tx('devices').where('until', '<', now).delete()
      return tx('devices').select('*')
    })
    for (const { token, name, since, until } of rows) {
      // When it was used last is known by when it is let out.
      const used = Number(until) - lasts
      sessions.known.set(token, { name, since: Number(since), used, noted: used })
    }
    return sessions
  }

  has(token: string | undefined, now = Date.now()): boolean {
    return token !== undefined && this.isIn(this.known.get(hashOf(token)), now)
  }

  private isIn(device: Known | undefined, now: number): boolean {
    return device !== undefined && device.used + lasts > now
  }

  /** Devices that are let in, the last used first. */
  list(token: string | undefined, now = Date.now()): Device[] {
    const own = token === undefined ? undefined : hashOf(token)
    return [...this.known]
      .filter(([, device]) => this.isIn(device, now))
      .map(([hash, { name, since, used }]) => ({
        id: hash.slice(0, 16),
        name,
        since: new Date(since).toISOString(),
        used: new Date(used).toISOString(),
        here: hash === own,
      }))
      .sort((a, b) => b.used.localeCompare(a.used))
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

  /** A device that is used stays let in. */
  async used(token: string, now = Date.now()): Promise<void> {
    const hash = hashOf(token)
    const device = this.known.get(hash)
    if (!device) return
    device.used = now
    if (now - device.noted < noteEvery) return
    device.noted = now
    await this.store.transaction((tx) =>
      tx('devices')
        .where({ token: hash })
        .update({ until: now + lasts }),
    )
  }

  /** A token for a device of this name. */
  async begin(name: string, now = Date.now()): Promise<string> {
    const token = randomBytes(32).toString('base64url')
    const hash = hashOf(token)
    await this.store.transaction((tx) =>
      tx('devices').insert({ token: hash, name, since: now, until: now + lasts }),
    )
    this.known.set(hash, { name, since: now, used: now, noted: now })
    return token
  }

  /** This device has to give the passphrase again. */
  end(token: string): Promise<void> {
    return this.endHash(hashOf(token))
  }

  /** The device of this id has to give it again. */
  async endOne(id: string): Promise<void> {
    const hash = [...this.known.keys()].find((known) => known.startsWith(id))
    if (hash !== undefined && id.length >= 16) await this.endHash(hash)
  }

  private async endHash(hash: string): Promise<void> {
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
