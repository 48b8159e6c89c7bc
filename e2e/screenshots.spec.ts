import { execFileSync } from 'node:child_process'
import { mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { test } from './mivro.ts'

const folder = process.env.MIVRO_SHOTS

test.describe('pictures for the README', () => {
  test.skip(!folder, 'only taken by "npm run screenshots"')

  const views: [string, string, string?][] = [
    ['pieces', '/pieces'],
    ['shape', '/pieces/demo-meteorite/shape'],
    ['pour', '/pieces/demo-comet-drop/pour', 'Dusk violet'],
    ['pour-whole', '/pieces/demo-coaster/pour'],
    ['pulls', '/pieces/demo-coaster/pulls'],
    ['shelf', '/shelf'],
    ['studio', '/studio'],
  ]
  for (const [name, path, layer] of views) {
    test(name, async ({ mivro, page }) => {
      await mivro.open(path)
      await page.waitForLoadState('networkidle')
      if (layer) await mivro.layer(layer).click()
      await page.waitForTimeout(600)
      mkdirSync(resolve(folder!), { recursive: true })
      await page.screenshot({ path: join(resolve(folder!), `${name}.png`) })
    })
  }

  test('the printed run sheet', async ({ mivro, page }) => {
    await mivro.open('/pieces/demo-comet-drop/sheet')
    await page.waitForLoadState('networkidle')
    const [pdf, png] = [join(tmpdir(), 'mivro-sheet.pdf'), join(tmpdir(), 'mivro-sheet')]
    writeFileSync(pdf, await page.pdf({ preferCSSPageSize: true }))
    // The page as a printer would get it, by poppler; without it the screen's view has to do.
    try {
      execFileSync('pdftoppm', ['-png', '-r', '96', '-singlefile', pdf, png])
      renameSync(`${png}.png`, join(resolve(folder!), 'run-sheet.png'))
    } catch {
      await page.locator('.paper').screenshot({ path: join(resolve(folder!), 'run-sheet.png') })
    }
    rmSync(pdf)
  })
})
