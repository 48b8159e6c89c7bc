import type { RequestHandler } from 'express'
import helmet from 'helmet'

/** Names this machine goes by to itself; anything else is another site's page asking. */
const ownNames = new Set(['127.0.0.1', 'localhost', '[::1]'])

/** Refuses requests meant for another host, and writes that another site's page sends. */
export const ownHost: RequestHandler = (request, response, next) => {
  const host = request.headers.host ?? ''
  const { origin } = request.headers
  const known = ownNames.has(host.replace(/:\d+$/, ''))
  const same = origin === undefined || origin === `http://${host}`
  if (known && same) return next()
  response.status(403).type('text/plain').send('This Mivro serves 127.0.0.1 only.')
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
