import { dirname, join } from 'node:path'
import { createInterface } from 'node:readline'
import { Writable } from 'node:stream'
import type { Settings } from '../settings.ts'
import { certificateFor, type Certificate } from './certificate.ts'
import { namesOfMachine } from './names.ts'
import { Passphrase } from './passphrase.ts'

/** This machine to itself: the address that is said first. */
const loopback = ['127.0.0.1', 'localhost']

/** What serving other devices needs before anything listens. */
export interface Lan {
  passphrase: Passphrase
  /** It was given anew: it is kept in this file once the server has its port and its store. */
  keepIn?: string
  names: string[]
  certificate?: Certificate
}

/**
 * The passphrase that is kept, that the environment gives, or that is typed now; without one
 * nothing is served to other devices.
 *
 * Throws when there is none and nobody to type it.
 */
export async function openLan(settings: Settings): Promise<Lan> {
  const folder = dirname(settings.database)
  const file = join(folder, 'passphrase.json')
  const names = namesOfMachine(settings.names)
  const known = Passphrase.read(file)
  const given = settings.passphrase ?? (known ? undefined : await typed())
  const same = known !== undefined && (given === undefined || (await known.is(given)))
  return {
    passphrase: same ? known : await Passphrase.of(given!),
    keepIn: same ? undefined : file,
    names,
    certificate: settings.tls ? await certificateFor(folder, [...loopback, ...names]) : undefined,
  }
}

/** Asks in the terminal, without showing what is typed. */
async function typed(): Promise<string> {
  if (!process.stdin.isTTY) {
    throw new Error(
      'Serving other devices needs a passphrase. Start it in a terminal once to type one, or set MIVRO_PASSPHRASE.',
    )
  }
  const silent = new Writable({ write: (_part, _encoding, done) => done() })
  process.stdout.write('A passphrase for other devices on the network (8 letters or more): ')
  const lines = createInterface({ input: process.stdin, output: silent, terminal: true })
  const answer = await new Promise<string>((done) => lines.question('', done))
  lines.close()
  process.stdout.write('\n')
  return answer
}
