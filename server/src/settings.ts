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
}

const usualPort = 5317

/** From the command line and the environment: `--database`, `--port`, `--demo`, `--fresh`. */
export function readSettings(root: string, args: string[], env: NodeJS.ProcessEnv): Settings {
  const { values } = parseArgs({
    args,
    options: {
      database: { type: 'string', default: env.MIVRO_DATABASE ?? 'data/mivro.sqlite' },
      port: { type: 'string', default: env.MIVRO_PORT ?? String(usualPort) },
      demo: { type: 'boolean', default: false },
      fresh: { type: 'boolean', default: false },
    },
  })
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`"${values.port}" is not a port: give a number from 0 (any free one) to 65535.`)
  }
  const database = resolve(root, values.database)
  return {
    database,
    port,
    web: resolve(root, 'web/dist'),
    keepIn: dirname(database),
    demo: values.demo,
    fresh: values.fresh,
  }
}
