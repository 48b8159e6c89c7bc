import { gzipSync } from 'node:zlib'
import { expect, test } from './mivro.ts'

/** Gzipped scripts that the first screen may take, bytes. */
const firstScreen = 300_000

test('the scripts of the first screen stay under 300 kB gzipped', async ({ mivro, page }) => {
  const sizes: Promise<number>[] = []
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) {
      sizes.push(response.body().then((body) => gzipSync(body).byteLength))
    }
  })
  await mivro.open('/pieces')
  await expect(page.locator('.picture svg').first()).toBeVisible()
  await page.waitForLoadState('networkidle')
  const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0)
  expect(total).toBeGreaterThan(50_000)
  expect(total).toBeLessThan(firstScreen)
})
