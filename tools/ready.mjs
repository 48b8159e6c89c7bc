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

/** The web application is built, unless what it is built from has not changed since. */
export async function built() {
  const made = join(root, 'web/dist/index.html')
  const sources = [
    'web/src',
    'web/public',
    'web/index.html',
    'web/vite.config.ts',
    'core/src',
    'package-lock.json',
  ]
  if (
    existsSync(made) &&
    sources.every((source) => newest(resolve(root, source)) <= statSync(made).mtimeMs)
  )
    return 0
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
