import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { fail, say } from './say.mjs'
import { bin, root, run } from './run.mjs'

/** What the build needs (Vite): 20.19 or newer, but not 21, and of 22 the twelfth or newer. */
export const fits = (major, minor) =>
  (major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22

/** Node is new enough, and what the lock file names is installed. */
export async function ready() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (!fits(major, minor)) {
    fail(`Mivro needs Node 20.19, or 22.12 or newer; this is ${process.versions.node}.`)
  }
  const stampFile = join(root, 'node_modules/.mivro-lock')
  const stamp = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return
  say('Installing packages from the lock file ...')
  const { code, output } = await run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], {
    quiet: true,
  })
  if (code !== 0) fail(`npm ci failed:\n${output}`)
  mkdirSync(join(root, 'node_modules'), { recursive: true })
  writeFileSync(stampFile, stamp)
}

/** What the bundle of the server is made from, and the web application. */
const sources = {
  'server/dist/main.js': ['server/src', 'words/src', 'core/src', 'tools/bundle.mjs'],
  'web/dist/index.html': [
    'web/src',
    'web/public',
    'web/index.html',
    'web/vite.config.ts',
    'words/src',
    'core/src',
  ],
}

const isBuilt = (made) => {
  const file = join(root, made)
  if (!existsSync(file)) return false
  const { mtimeMs } = statSync(file)
  return [...sources[made], 'package-lock.json'].every(
    (source) => newest(resolve(root, source)) <= mtimeMs,
  )
}

/** The server is bundled, unless what it is made from has not changed since; answers an exit code. */
export async function bundled() {
  if (isBuilt('server/dist/main.js')) return 0
  say('Bundling the server ...')
  const { bundleServer } = await import('./bundle.mjs')
  return bundleServer().then(
    () => 0,
    (error) => {
      say(String(error))
      return 1
    },
  )
}

/** Server and web application are built. */
export async function built() {
  if ((await bundled()) !== 0) return 1
  if (isBuilt('web/dist/index.html')) return 0
  say('Building the web application ...')
  const { code, output } = await run(
    bin('vite'),
    ['build', 'web', '--config', 'web/vite.config.ts'],
    { quiet: true },
  )
  if (code !== 0) say(output)
  return code
}

function newest(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
}
