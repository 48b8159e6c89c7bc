import { networkInterfaces } from 'node:os'
import { expect, test } from '@playwright/test'
import { RunningServer } from './server.ts'

const secret = 'three warm words'
/** Where another device of the local network would come from; else a second name of this machine. */
const outside =
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find(({ internal, family }) => !internal && family === 'IPv4')?.address ?? '127.0.0.2'

test('a tablet of the local network is asked for the passphrase, and then carries on', async ({
  browser,
}) => {
  const server = await RunningServer.start({
    options: ['--host', '--name', outside],
    env: { MIVRO_PASSPHRASE: secret },
  })
  const page = await (await browser.newContext()).newPage()
  const address = `http://${outside}:${server.port}`
  try {
    await page.goto(`${address}/runs`)
    await expect(page.getByLabel('Passphrase of this studio')).toBeVisible()
    await page.getByLabel('Passphrase of this studio').fill('not these')
    await page.getByRole('button', { name: 'Enter' }).click()
    await expect(page.getByRole('alert')).toContainText('That is not the passphrase')
    // Who guessed wrong waits a moment.
    await expect(async () => {
      await page.getByLabel('Passphrase of this studio').fill(secret)
      await page.getByRole('button', { name: 'Enter' }).click()
      await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible({ timeout: 2000 })
    }).toPass()
    await page.goto(`${address}/studio`)
    await expect(page.getByLabel('A tablet at the bench')).toContainText(address)
    await expect(page.getByRole('img', { name: /QR code/ })).toBeVisible()
    // Edits are taken from there as from here.
    await page.goto(`${address}/pieces/demo-coaster/pulls`)
    await page.getByLabel('What to change next time').fill('From the tablet')
    await page.getByLabel('What to change next time').blur()
    await expect(page.locator('.save')).toHaveText('Saved')
    // It signs itself out, and is asked again.
    await page.goto(`${address}/studio`)
    const devices = page.getByLabel('Devices that are signed in').getByRole('listitem')
    await expect(devices).toContainText([/this one/])
    // And signs out another one.
    const other = await (await browser.newContext()).newPage()
    await other.goto(`${address}/runs`)
    await other.getByLabel('Passphrase of this studio').fill(secret)
    await other.getByRole('button', { name: 'Enter' }).click()
    await expect(other.getByRole('heading', { name: 'Pieces' })).toBeVisible()
    await page.reload()
    await expect(devices).toHaveCount(2)
    await page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await expect(devices).toHaveCount(1)
    await other.reload()
    await expect(other.getByLabel('Passphrase of this studio')).toBeVisible()
    await other.context().close()
    await page.getByRole('button', { name: 'Sign out here' }).click()
    await expect(page.getByLabel('Passphrase of this studio')).toBeVisible()
    // This machine itself is not asked.
    await page.goto(`${server.address}/runs`)
    await expect(page.getByRole('heading', { name: 'Runs' })).toBeVisible()
  } finally {
    await page.context().close()
    await server.kill()
    server.forget()
  }
})

test('without a passphrase nothing is served to others, and why is said', async () => {
  const refused = await RunningServer.start({
    demo: false,
    options: ['--host'],
    env: { MIVRO_PASSPHRASE: '' },
  }).catch((error: Error) => error.message)
  expect(String(refused)).toContain('passphrase')
  const short = await RunningServer.start({
    demo: false,
    options: ['--host'],
    env: { MIVRO_PASSPHRASE: 'short' },
  }).catch((error: Error) => error.message)
  expect(String(short)).toContain('8 letters or more')
})

test('with a certificate of its own the page is a secure one', async ({ browser }) => {
  const server = await RunningServer.start({
    options: ['--host', '--name', outside, '--tls'],
    env: { MIVRO_PASSPHRASE: secret },
  })
  const context = await browser.newContext({ ignoreHTTPSErrors: true })
  const page = await context.newPage()
  try {
    await page.goto(`https://${outside}:${server.port}/`)
    await page.getByLabel('Passphrase of this studio').fill(secret)
    await page.getByRole('button', { name: 'Enter' }).click()
    await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible()
    expect(await page.evaluate(() => isSecureContext)).toBe(true)
    const [cookie] = await context.cookies()
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', secure: true })
  } finally {
    await context.close()
    await server.kill()
    server.forget()
  }
})
