import { join } from 'node:path'
import { root } from './run.mjs'

/** What stays outside the bundle: native or WebAssembly beside its script, and databases that Knex offers and nobody uses. */
const external = [
  'libsql',
  'manifold-3d',
  ...['better-sqlite3', 'mariadb', 'mariadb/callback', 'mysql', 'mysql2', 'oracledb'],
  ...['pg', 'pg-query-stream', 'sqlite3', 'tedious'],
]

/** Packages in CommonJS look for these. */
const commonJs = `import { createRequire as requireFrom } from 'node:module'
import { dirname as folderOf } from 'node:path'
import { fileURLToPath as pathOf } from 'node:url'
const require = requireFrom(import.meta.url), __filename = pathOf(import.meta.url), __dirname = folderOf(__filename);`

/** The server, the process of its backups and the thread of its passphrase as plain scripts in server/dist: they start in half a second. */
export async function bundleServer() {
  const { build } = await import('esbuild')
  await build({
    absWorkingDir: root,
    entryPoints: [
      'server/src/main.ts',
      'server/src/serve.ts',
      'server/src/backup/child.ts',
      'server/src/access/hashWorker.ts',
    ],
    outdir: join(root, 'server/dist'),
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    // Half the time of a start is reading the script. Names stay, for what goes wrong.
    minifyWhitespace: true,
    minifySyntax: true,
    external,
    banner: { js: commonJs },
    logLevel: 'error',
  })
}
