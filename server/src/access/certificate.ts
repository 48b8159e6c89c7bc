import { X509Certificate } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

export interface Certificate {
  key: string
  cert: string
}

const year = 365 * 24 * 3600_000

/**
 * A certificate of its own for the names and addresses of this machine, made once and kept beside
 * the store; made anew when it has run out or a name is missing in it.
 */
export async function certificateFor(
  folder: string,
  names: readonly string[],
  now = Date.now(),
): Promise<Certificate> {
  const files = { key: join(folder, 'tls-key.pem'), cert: join(folder, 'tls-cert.pem') }
  if (existsSync(files.key) && existsSync(files.cert)) {
    const known = { key: readFileSync(files.key, 'utf8'), cert: readFileSync(files.cert, 'utf8') }
    if (holds(known.cert, names, now)) return known
  }
  const altNames = names.map((name) =>
    /^[\d.]+$|:/.test(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
  )
  // Only where a certificate is made: it is a tenth of what the server loads.
  const loaded = await import('selfsigned')
  // Bundled, a CommonJS module comes as its default alone.
  const { generate } = 'default' in loaded ? (loaded.default as typeof loaded) : loaded
  const made = await generate([{ name: 'commonName', value: 'Mivro' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now - 3600_000),
    notAfterDate: new Date(now + 2 * year),
    extensions: [{ name: 'subjectAltName', altNames }],
  })
  writeFileSync(files.key, made.private, { mode: 0o600 })
  writeFileSync(files.cert, made.cert)
  return { key: made.private, cert: made.cert }
}

function holds(cert: string, names: readonly string[], now: number): boolean {
  const read = new X509Certificate(cert)
  if (Date.parse(read.validTo) < now) return false
  return names.every((name) =>
    /^[\d.]+$|:/.test(name) ? read.checkIP(name) !== undefined : read.checkHost(name) !== undefined,
  )
}
