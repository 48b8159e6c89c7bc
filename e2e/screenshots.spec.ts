import { execFileSync } from 'node:child_process'
import { mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { AtBench } from './bench.ts'
import { expect, test } from './mivro.ts'

const folder = process.env.MIVRO_SHOTS

test.describe('pictures for the README', () => {
  test.skip(!folder, 'only taken by "npm run screenshots"')

  const views: [string, string, string?][] = [
    ['pieces', '/pieces'],
    ['shape', '/pieces/demo-meteorite/shape'],
    ['pour', '/pieces/demo-comet-drop/pour', 'Dusk violet'],
    ['heat', '/pieces/demo-comet-drop/pour?lens=heat'],
    ['inclusions', '/pieces/demo-comet-drop/pour?lens=inclusions', 'Dusk violet'],
    ['run', '/runs/demo-run-keycaps'],
    ['log', '/log'],
    ['pull', '/pieces/demo-astronomer-solid/pulls/demo-astronomer-solid-pull-3'],
    ['air', '/pieces/demo-astronomer/mould/air'],
    ['silicone', '/pieces/demo-astronomer/mould/silicone'],
    ['steps', '/pieces/demo-comet-drop/mould/steps', 'Pour the first half'],
    ['shelf', '/shelf/demo-slow-epoxy'],
  ]
  for (const [name, path, layer] of views) {
    test(name, async ({ mivro, page }) => {
      await mivro.open(path)
      await page.waitForLoadState('networkidle')
      // What only makes it nicer is drawn for somebody who is there.
      await page.mouse.move(640, 700)
      await page.mouse.move(660, 720)
      if (layer) await page.getByText(layer).first().click()
      await mivro.calm()
      if (name === 'pieces') {
        await expect(page.locator('.picture img')).toHaveCount(8, { timeout: 120_000 })
      }
      mkdirSync(resolve(folder!), { recursive: true })
      await page.screenshot({ path: join(resolve(folder!), `${name}.png`) })
    })
  }

  test('the finished look', async ({ mivro, page }) => {
    await mivro.open('/pieces/demo-comet-drop/pour?lens=colour')
    await page.getByText('2 Dusk violet', { exact: true }).first().click()
    await expect(page.locator('canvas[data-drawn="800"]')).toBeVisible({ timeout: 120_000 })
    await page.screenshot({ path: join(resolve(folder!), 'colour.png') })
  })

  test('a hollow cast: its wall, how even it is, how it is turned', async ({ mivro, page }) => {
    const shot = (name: string) => page.screenshot({ path: join(resolve(folder!), `${name}.png`) })
    await mivro.open('/pieces/demo-astronomer/pour')
    await mivro.pick('Pours of this piece', 'Hollow, in two shots')
    await mivro.layer('White wall').click()
    await expect(page.locator('[data-turning]')).toContainText('until')
    await expect(page.locator('[data-narrow="brush"]')).toBeVisible()
    await expect(page.locator('[data-turn]')).toHaveCount(2)
    await shot('hollow')
    // By its key: a tip would lie over the picture.
    await page.keyboard.press('6')
    await expect(page.locator('[data-map]')).toHaveAttribute('data-map', 'shown')
    await expect(page.locator('.solid canvas')).toBeVisible()
    await expect(page.getByRole('img', { name: 'The wall on the cut' })).toBeVisible()
    await shot('wall')
    const bench = new AtBench(mivro)
    await bench.begin('demo-run-hollow')
    await bench.act({ do: 'fail', instrument: 'scale', how: 'gone' })
    for (let i = 0; i < 60 && (await bench.task) !== 'turn'; i++) await bench.onward()
    const arrow = page.locator('[data-lie="left"]')
    await expect(arrow).toBeVisible()
    await arrow.evaluate((one) => Promise.all(one.getAnimations().map(({ finished }) => finished)))
    await shot('bench-turning')
  })

  test('the bench, weighing, and when something is wrong', async ({ mivro, page }) => {
    const bench = new AtBench(mivro)
    const shot = (name: string) =>
      page.screenshot({ path: join(resolve(folder!), `bench-${name}.png`) })
    await bench.begin('demo-run-solid')
    while ((await bench.task) === 'lay out') await bench.key('Space')
    await bench.toWeighing()
    await bench.readCaution()
    await bench.world()
    await bench.pour('Pour to the mark')
    await expect(page.locator('.bench')).toHaveAttribute('data-task-id', /2$/, { timeout: 120_000 })
    await bench.pour('Pour 1 g')
    for (let i = 0; i < 7; i++) await bench.press('Pour 1 g')
    await bench.key('w')
    await expect(page.getByText('scale steady')).toBeVisible()
    await mivro.calm()
    await shot('weighing')
    await bench.key('h')
    for (let i = 0; i < 40 && (await bench.task) !== 'fill'; i++) await bench.key('Space')
    await bench.key('r')
    await expect(page.getByRole('heading', { name: 'What is wrong?' })).toBeVisible()
    await shot('rescue')
  })

  const sheets: [string, string][] = [['mould-sheet', '/pieces/demo-comet-drop/mould-sheet']]
  for (const [name, path] of sheets) {
    test(`the printed ${name}`, async ({ mivro, page }) => {
      await mivro.open(path)
      await expect(page.locator('[data-step]').first()).toBeVisible({ timeout: 120_000 })
      const [pdf, png] = [join(tmpdir(), `mivro-${name}.pdf`), join(tmpdir(), `mivro-${name}`)]
      writeFileSync(pdf, await page.pdf({ preferCSSPageSize: true }))
      // The first page as a printer would get it, by poppler; without it the screen's view has to do.
      try {
        execFileSync('pdftoppm', ['-png', '-r', '96', '-singlefile', pdf, png])
        renameSync(`${png}.png`, join(resolve(folder!), `${name}.png`))
      } catch {
        await page.locator('.paper').screenshot({ path: join(resolve(folder!), `${name}.png`) })
      }
      rmSync(pdf)
    })
  }
})
