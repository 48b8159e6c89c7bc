import { randomBytes, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { z } from '@mivro/core/base/schema'
import { hash } from './hash.ts'

/** Cost of one try: some 60 ms and 32 MB on this year's machines (RFC 7914 for the parameters). */
const cost = { N: 32768, r: 8, p: 1 } as const
const memory = 96 * 1024 * 1024
const length = 32

/** Shorter is guessed too soon. */
export const shortest = 8

const keptSchema = z.object({
  salt: z.string(),
  hash: z.string(),
  N: z.number(),
  r: z.number(),
  p: z.number(),
})

type Kept = z.infer<typeof keptSchema>

/** The passphrase of the local network, kept beside the store as what scrypt makes of it. */
export class Passphrase {
  private constructor(private readonly kept: Kept) {}

  /** The one that is kept in a file, if there is one. */
  static read(file: string): Passphrase | undefined {
    if (!existsSync(file)) return undefined
    return new Passphrase(keptSchema.parse(JSON.parse(readFileSync(file, 'utf8'))))
  }

  /** Throws when it is too short. */
  static async of(secret: string): Promise<Passphrase> {
    if ([...secret].length < shortest) {
      throw new Error(`A passphrase has ${shortest} letters or more: three words are easily kept.`)
    }
    const salt = randomBytes(16)
    const made = await hashOf(secret, salt, cost)
    return new Passphrase({
      salt: salt.toString('base64'),
      hash: made.toString('base64'),
      ...cost,
    })
  }

  keep(file: string): void {
    writeFileSync(file, JSON.stringify(this.kept), { mode: 0o600 })
  }

  async is(secret: string): Promise<boolean> {
    const { salt, N, r, p } = this.kept
    const given = await hashOf(secret, Buffer.from(salt, 'base64'), { N, r, p })
    return timingSafeEqual(given, Buffer.from(this.kept.hash, 'base64'))
  }
}

const hashOf = (secret: string, salt: Uint8Array, { N, r, p }: Pick<Kept, 'N' | 'r' | 'p'>) =>
  hash({ secret: secret.normalize('NFC'), salt, length, options: { N, r, p, maxmem: memory } })
