import type { RequestHandler } from 'express'
import helmet from 'helmet'
import { hostOf } from '../access/names.ts'

/** Names this machine goes by to itself; anything else is another site's page asking. */
const ownNames = new Set(['127.0.0.1', 'localhost', '::1'])

/**
 * Refuses requests meant for another host, and what another site's page asks: writes by their
 * origin, and what a picture or a link in it would begin, a backup say, by what browsers tell of
 * where a request comes from (Fetch Metadata, W3C). `names` are those that this machine is served
 * under besides its own.
 */
export function ownHost(names: readonly string[] = []): RequestHandler {
  const known = new Set([...ownNames, ...names.map((name) => name.toLowerCase())])
  return (request, response, next) => {
    const { host = '', origin } = request.headers
    const site = request.headers['sec-fetch-site'] ?? 'none'
    const api = request.path.startsWith('/api')
    const same =
      (origin === undefined || origin === `${request.protocol}://${host}`) &&
      (!api || site === 'same-origin' || site === 'none')
    if (known.has(hostOf(host)) && same) return next()
    const said = names.length === 0 ? 'This Mivro serves 127.0.0.1 only.' : 'Not by that name.'
    response.status(403).type('text/plain').send(said)
  }
}

/** No inline script, no outside origin, nothing to frame; workers and wasm from ourselves. */
export const securityHeaders: RequestHandler = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      'default-src': ["'self'"],
      'script-src': ["'self'", "'wasm-unsafe-eval'"],
      'worker-src': ["'self'"],
      'style-src': ["'self'"],
      'img-src': ["'self'", 'blob:', 'data:'],
      'connect-src': ["'self'"],
      'font-src': ["'self'"],
      'frame-ancestors': ["'none'"],
      'base-uri': ["'none'"],
      'form-action': ["'self'"],
      'object-src': ["'none'"],
    },
  },
  strictTransportSecurity: false,
})
