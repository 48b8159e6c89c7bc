import { test } from './mivro.ts'
const shots = (process.env.ZL ?? '').split(',')
test('look', async ({ mivro, page }) => {
  test.setTimeout(300_000)
  await page.setViewportSize({ width: 1280, height: 800 })
  for (const s of shots) {
    const [name, path] = s.split('=')
    await mivro.open(path)
    await page.waitForLoadState('networkidle')
    await page.waitForTimeout(Number(process.env.ZW ?? 3500))
    await page.screenshot({ path: `/tmp/shots/${name}.png` })
  }
})
