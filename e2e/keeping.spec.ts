import { closeSync, openSync, readFileSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { placeInside } from '../tools/killStore.ts'
import { expect, Mivro, test } from './mivro.ts'
import { RunningServer } from './server.ts'

test.describe('a server that is killed', () => {
  test.use({ ownProcess: true })

  test('killed in the middle of edits, every acknowledged edit is there', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/demo-orrery/pour')
    await mivro.layer('Dark body').click()
    const acknowledged: number[] = []
    page.on('response', async (response) => {
      if (response.request().method() !== 'PUT' || !response.ok()) return
      acknowledged.push((await response.json()).document.layers[0].fill.top)
    })
    await mivro.surface(0).focus()
    for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowDown')
    await expect.poll(() => acknowledged.length).toBeGreaterThan(3)
    const { folder, port } = mivro.server
    const killing = mivro.server.kill()
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowDown')
    await killing
    await expect(page.locator('.save')).toContainText('Not saved yet')
    // By the server that was killed: the next one acknowledges too, as soon as it is there.
    const before = [...acknowledged]

    mivro.server = await RunningServer.start({ folder, port })
    const answer = await mivro.server.call('GET', 'plans/demo-orrery-plan/history')
    const kept = (await answer.json()).items.map(
      (r: { document: { layers: { fill: { top: number } }[] } }) => r.document.layers[0].fill.top,
    )
    for (const top of before) expect(kept).toContain(top)
    // And what was not acknowledged is sent as soon as the server is back: 12 steps of 0.5 mm.
    await mivro.saved()
    await expect.poll(() => mivro.heightOf(0)).toBe(16)
    await page.reload()
    await expect.poll(() => mivro.heightOf(0)).toBe(16)
  })
})

test('undo reaches back across a reload, and redo forward', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await mivro.surface(0).focus()
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('ArrowUp')
  expect(await mivro.heightOf(0)).toBe(17.5)
  await mivro.saved()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  await page.keyboard.press('Control+z')
  await expect.poll(() => mivro.heightOf(0)).toBe(17)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => mivro.heightOf(0)).toBe(22)
  await mivro.saved()
  await page.reload()
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect.poll(() => mivro.heightOf(0)).toBe(17)
})

test('a stale revision shows both versions and loses neither', async ({ mivro, page, browser }) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await expect(mivro.surface(0)).toBeVisible()
  // Another browser: tabs of one browser follow each other.
  const other = await (await browser.newContext()).newPage()
  await other.goto(`${mivro.server.address}/pieces/demo-orrery/pour`)
  await other.locator('[data-surface="0"]').focus()
  await other.keyboard.press('ArrowUp')
  await expect(other.locator('.save')).toHaveText('Saved')

  await mivro.surface(0).focus()
  await page.keyboard.press('Shift+ArrowDown')
  const dialog = page.getByRole('dialog', { name: 'This was changed elsewhere meanwhile' })
  await expect(dialog).toContainText('up to 17.0 mm')
  await expect(dialog).toContainText('up to 22.5 mm')
  await dialog.getByRole('button', { name: 'Keep yours' }).click()
  await mivro.saved()
  expect(await mivro.heightOf(0)).toBe(17)
  const answer = await mivro.server.call('GET', 'plans/demo-orrery-plan/history')
  const tops = (await answer.json()).items.map(
    (r: { document: { layers: { fill: { top: number } }[] } }) =>
      r.document.layers[0].fill.top * 1000,
  )
  expect(tops.map((t: number) => +t.toFixed(3))).toEqual([22, 22.5, 17])
})

test('what is taken off can be taken back, at once and later', async ({ mivro, page }) => {
  await mivro.open('/pieces')
  const card = page.getByRole('listitem').filter({ hasText: 'Orrery base' })
  await card.hover()
  await card.getByRole('button', { name: 'Delete Orrery base' }).click()
  await expect(card).toBeHidden()
  await page.locator('.deleted').getByRole('button', { name: 'Undo' }).click()
  await expect(card).toBeVisible()
  await card.hover()
  await card.getByRole('button', { name: 'Delete Orrery base' }).click()
  await expect(card).toBeHidden()
  await mivro.open('/studio')
  await page.getByRole('button', { name: 'Restore', exact: true }).click()
  await mivro.open('/pieces')
  await expect(card).toBeVisible()
})

test('a backup brings everything back, and a broken one changes nothing', async ({
  mivro,
  page,
}) => {
  await mivro.open('/studio')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save a backup' }).click(),
  ])
  const file = await download.path()
  await mivro.type('Name', 'Another name')
  await mivro.saved()
  const put = async (buffer: Buffer) => {
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'mivro.zip', mimeType: 'application/zip', buffer })
    await page.getByRole('dialog').getByRole('button', { name: 'Restore backup' }).click()
  }
  await put(readFileSync(file).subarray(0, 5000))
  await expect(page.getByRole('alert')).toContainText(
    'not a whole Mivro backup: it is not a whole zip file. Nothing was changed.',
  )
  await expect(mivro.field('Name')).toHaveValue('Another name')
  await put(readFileSync(file))
  await expect(page.getByRole('status').filter({ hasText: 'came back' })).toBeVisible()
  await expect(mivro.field('Name')).toHaveValue('Perihelion Bench')
})

test('a shape that the disk lost is named, and the backup is saved without it', async ({
  mivro,
  page,
}) => {
  const { items } = await (await mivro.server.call('GET', 'pieces')).json()
  const { document } = items.find((one: { id: string }) => one.id === 'demo-astronomer')
  const file = join(mivro.server.folder, 'store.sqlite')
  const mesh = Buffer.from(
    await (await fetch(`${mivro.server.address}/api/meshes/${document.form.mesh}`)).arrayBuffer(),
  )
  const at = placeInside(readFileSync(file), mesh)
  expect(at).toBeGreaterThan(0)
  const disk = openSync(file, 'r+')
  writeSync(disk, Buffer.alloc(50, 0), 0, 50, at)
  closeSync(disk)
  await mivro.open('/studio')
  await page.getByRole('button', { name: 'Save a backup' }).click()
  await expect(page.getByRole('alert')).toContainText(
    'The disk no longer gives back 1 shape (of Solid astronomer, Little astronomer). All else can be read',
  )
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save a backup without it' }).click(),
  ])
  await page.locator('input[type=file]').setInputFiles(await download.path())
  await page.getByRole('dialog').getByRole('button', { name: 'Restore backup' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'came back' })).toBeVisible()
})

test('units are switched everywhere, and any unit can be typed', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-coaster/pour')
  await mivro.layer('Moonlight').click()
  await page.getByRole('button', { name: /^Units/ }).click()
  await page.getByRole('button', { name: 'US', exact: true }).click()
  await expect(mivro.layer('Moonlight')).toContainText('0.797 fl oz · 0.118 in deep')
  await page.keyboard.press('Escape')
  await mivro.type('From 0.079 in up to', '5,5 mm')
  expect(await mivro.heightOf(1)).toBe(5.5)
  await mivro.saved()
  await page.reload()
  await expect(page.getByRole('button', { name: /^Units: oz/ })).toBeVisible()
})

test('a sheet of eight layers still prints on one page', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-orrery/pour')
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Add layer' }).click()
  await expect(mivro.surface(7)).toBeVisible()
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour sheet' }).click()
  await expect(page.locator('li.weigh')).toHaveCount(8)
  await mivro.calm()
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
  expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1)
})

test('an empty store says what it is for, and offers the demo studio', async ({ page }) => {
  const server = await RunningServer.start({ demo: false })
  await page.goto(server.address)
  await expect(page.getByRole('heading', { name: 'What will you cast?' })).toBeVisible()
  await page.getByRole('button', { name: 'Look round the demo studio' }).click()
  await expect(page.getByRole('heading', { name: 'Meteorite paperweight' })).toBeVisible()
  await server.kill()
})

test('an earlier pour of the piece can be opened again', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-coaster/pulls')
  await page.getByRole('button', { name: 'Plan the next pour' }).click()
  await expect(mivro.field('Name of the pour')).toHaveValue('Pour 2')
  await mivro.pick('Pours of this piece', 'First quarter')
  await expect(mivro.field('Name of the pour')).toHaveValue('First quarter')
  await page.getByRole('button', { name: 'Delete First quarter' }).click()
  await expect(mivro.field('Name of the pour')).toHaveValue('Pour 2')
  await page.locator('.deleted').getByRole('button', { name: 'Undo' }).click()
  await expect(mivro.field('Name of the pour')).toHaveValue('First quarter')
})

test('a change to what was deleted elsewhere is said, and what was typed stays', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await expect(mivro.surface(0)).toBeVisible()
  await mivro.server.call('DELETE', 'plans/demo-orrery-plan')
  await mivro.type('Copies in this mix', '3')
  await expect(page.getByRole('alert')).toContainText(
    'This plan is not here. It may have been deleted: look under Settings, Deleted.',
  )
  await expect(mivro.field('Copies in this mix')).toHaveValue('3')
})

// Three steps: a slab of 50 x 20 mm, its layer, a typical resin. By hand: π/4 · 50² · 20 = 39.3 ml.
test('a newcomer is led from an empty store to a first piece and its weights', async ({ page }) => {
  const server = await RunningServer.start({ demo: false })
  const mivro = new Mivro(page, server)
  await page.goto(server.address)
  await page.getByRole('link', { name: 'Create the first piece' }).click()
  const steps = page.getByRole('region', { name: 'First steps' })
  await expect(steps).toContainText('Choose Dimensions')
  await page.getByText('Dimensions', { exact: true }).click()
  await mivro.type('Diameter', '50')
  await mivro.type('Thickness', '20')
  await mivro.field('Name').fill('My first')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await expect(steps).toContainText('Press Add layer')
  await page.getByRole('button', { name: 'Add layer' }).click()
  await expect(steps).toContainText('Choose the resin of the layer')
  await page.getByRole('button', { name: 'Add typical materials' }).first().click()
  await mivro.pick('Resin', 'Typical deep-pour epoxy 3:1')
  await expect(steps).toContainText('That is all it takes')
  const { reading } = await mivro.weights('B')
  // 39.3 ml and a tenth of reserve at about 1.1 g/ml.
  expect(reading).toBeGreaterThan(44)
  expect(reading).toBeLessThan(50)
  await steps.getByRole('button', { name: 'Hide' }).click()
  await expect(steps).toBeHidden()
  await server.kill()
})
