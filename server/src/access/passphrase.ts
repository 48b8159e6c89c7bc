import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { promisify } from 'node:util'
import { z } from '@mivro/core/base/schema'

const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  options: { N: number; r: number; p: number; maxmem: number },
) => Promise<Buffer>

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

/** The passphrase of the local network, kept beside the store as what scrypt makes of it. */
export class Passphrase {
  private constructor(private readonly kept: z.infer<typeof keptSchema>) {}

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
    const hash = await derive(secret.normalize('NFC'), salt, length, { ...cost, maxmem: memory })
    return new Passphrase({
      salt: salt.toString('base64'),
      hash: hash.toString('base64'),
      ...cost,
    })
  }

  keep(file: string): void {
    writeFileSync(file, JSON.stringify(this.kept), { mode: 0o600 })
  }

  async is(secret: string): Promise<boolean> {
    const { salt, hash, N, r, p } = this.kept
    const wanted = Buffer.from(hash, 'base64')
    const options = { N, r, p, maxmem: memory }
    const given = await derive(
      secret.normalize('NFC'),
      Buffer.from(salt, 'base64'),
      length,
      options,
    )
    return timingSafeEqual(given, wanted)
  }
}
