import { existsSync } from 'node:fs'
import { say } from './say.mjs'
import { run } from './run.mjs'

const places = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome']

/** Where the browser is; Debian's is installed where it is missing and we are root. */
export async function findChromium() {
  const named = process.env.MIVRO_CHROMIUM
  const found = [named, ...places].find((place) => place && existsSync(place))
  if (found) return found
  if (process.getuid?.() !== 0) return undefined
  say('Installing Chromium from Debian packages ...')
  await run('apt-get', ['update', '-qq'], { quiet: true })
  const { code, output } = await run('apt-get', ['install', '-y', '-qq', 'chromium'], {
    quiet: true,
    env: { DEBIAN_FRONTEND: 'noninteractive' },
  })
  if (code !== 0) say(output)
  return places.find((place) => existsSync(place))
}

/** No download, no background work, and root may start it. */
export const chromiumArgs = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

export const missingChromium =
  'Chromium is missing: install the package "chromium", or name another by MIVRO_CHROMIUM=/path.'
