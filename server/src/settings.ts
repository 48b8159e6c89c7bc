import { dirname, resolve } from 'node:path'
import { parseArgs } from 'node:util'

export interface Settings {
  database: string
  port: number
  web: string
  keepIn: string
  demo: boolean
  /** Begin the store anew. */
  fresh: boolean
  /** Serve other devices of the local network, under these names besides this machine's own. */
  host: boolean
  names: string[]
  tls: boolean
  passphrase?: string
  /** When the store is first tidied after a start, ms. */
  upkeepAfter?: number
}

const usualPort = 5317

/** From the command line and the environment: `--database`, `--port`, `--demo`, `--fresh`, `--host`, `--name`, `--tls`. */
export function readSettings(root: string, args: string[], env: NodeJS.ProcessEnv): Settings {
  const { values } = parseArgs({
    args,
    options: {
      database: { type: 'string', default: env.MIVRO_DATABASE ?? 'data/mivro.sqlite' },
      port: { type: 'string', default: env.MIVRO_PORT ?? String(usualPort) },
      demo: { type: 'boolean', default: false },
      fresh: { type: 'boolean', default: false },
      host: { type: 'boolean', default: false },
      name: { type: 'string', multiple: true, default: [] },
      tls: { type: 'boolean', default: false },
    },
  })
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`"${values.port}" is not a port: give a number from 0 (any free one) to 65535.`)
  }
  if (values.tls && !values.host) {
    throw new Error('--tls is for other devices: it goes with --host.')
  }
  const database = resolve(root, values.database)
  return {
    database,
    port,
    web: resolve(root, 'web/dist'),
    keepIn: dirname(database),
    demo: values.demo,
    fresh: values.fresh,
    host: values.host,
    names: values.name,
    tls: values.tls,
    passphrase: env.MIVRO_PASSPHRASE,
    upkeepAfter: env.MIVRO_UPKEEP_AFTER === undefined ? undefined : Number(env.MIVRO_UPKEEP_AFTER),
  }
}
