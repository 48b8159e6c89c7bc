import { readFileSync } from 'node:fs'
import { takeBackup } from '../tools/backupClient.ts'
import { expect, test } from './mivro.ts'

test('typing that has not left its field is not called saved, and a reload keeps it', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-coaster/pour')
  const name = mivro.field('Name of the pour')
  await expect(name).toHaveValue('First quarter')
  await name.fill('Second quarter')
  await expect(page.locator('.save')).toHaveText('Typing, not saved yet')
  await page.reload()
  await expect(mivro.field('Name of the pour')).toHaveValue('Second quarter')
  await mivro.saved()
})

test('of two documents asked for quickly the last is shown, and typing goes into it', async ({
  mivro,
  page,
}) => {
  await mivro.open('/moulds/demo-drop-mould')
  await expect(mivro.field('Name of the mould')).not.toHaveValue('')
  // The first answer comes late.
  let answer = () => {}
  const held = new Promise<void>((done) => (answer = done))
  await page.route('**/api/moulds/demo-orrery-mould', async (route) => {
    await held
    await route.continue()
  })
  await page.getByRole('link', { name: /Orrery block/ }).click()
  await page.getByRole('link', { name: /Round coaster, bought/ }).click()
  await expect(mivro.field('Name of the mould')).toHaveValue('Round coaster, bought')
  answer()
  await page.waitForResponse('**/api/moulds/demo-orrery-mould')
  await mivro.calm()
  await expect(mivro.field('Name of the mould')).toHaveValue('Round coaster, bought')
  await mivro.type('Name of the mould', 'Round coaster, mine')
  await mivro.saved()
  const kept = await (await mivro.server.call('GET', 'moulds/demo-coaster-mould')).json()
  expect(kept.document.name).toBe('Round coaster, mine')
  const other = await (await mivro.server.call('GET', 'moulds/demo-orrery-mould')).json()
  expect(other.document.name).toBe('Orrery block')
})

test('two tabs of one browser follow each other, and one that is closed loses nothing', async ({
  mivro,
  page,
  context,
}) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await expect(mivro.surface(0)).toBeVisible()
  const other = await context.newPage()
  await other.goto(`${mivro.server.address}/pieces/demo-orrery/pour`)
  await other.locator('[data-surface="0"]').focus()
  await other.keyboard.press('ArrowUp')
  await expect(other.locator('.save')).toHaveText('Saved')
  await expect.poll(() => mivro.heightOf(0)).toBe(22.5)

  // The server goes away; the other tab writes on and is closed; this one opens and sends it.
  const { folder, port } = mivro.server
  await mivro.server.kill()
  await other.keyboard.press('ArrowUp')
  await expect(other.locator('.save')).toContainText('Not saved yet')
  await other.close({ runBeforeUnload: true })
  mivro.server = await (await import('./server.ts')).RunningServer.start({ folder, port })
  await page.reload()
  await expect.poll(() => mivro.heightOf(0)).toBe(23)
  await mivro.saved()
})

test('a deletion is taken back by Ctrl+Z, and its notice can be read', async ({ mivro, page }) => {
  await mivro.open('/pieces')
  const card = page.getByRole('listitem').filter({ hasText: 'Orrery base' })
  await card.hover()
  await card.getByRole('button', { name: 'Delete Orrery base' }).click()
  await expect(card).toBeHidden()
  const notice = page.locator('.el-notification.deleted')
  await expect(notice).toContainText('Orrery base was deleted')
  await expect(notice).toHaveCSS('background-color', 'rgb(20, 49, 47)')
  await page.keyboard.press('Control+z')
  await expect(card).toBeVisible()
  await expect(notice).toBeHidden()
})

test('the history of a pour is seen, a version is named, laid beside today and restored', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await mivro.surface(0).focus()
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Escape')
  await mivro.type('Copies in this mix', '4')
  await mivro.saved()
  await page.getByRole('link', { name: 'History of this pour' }).click()
  const versions = page.getByRole('region', { name: 'Versions' }).getByRole('listitem')
  await expect(versions).toHaveCount(3)
  await expect(versions.nth(0)).toContainText('Changed: 4 copies')
  await expect(versions.nth(1)).toContainText('Changed: 1 Dark body: up to 17.0 mm')
  await versions.nth(2).getByRole('button').click()
  const chosen = page.getByRole('region', { name: 'The chosen version' })
  await expect(chosen.locator('li.differs')).toHaveCount(4)
  await mivro.type('Name of this version', 'For the market')
  await expect(versions.nth(2)).toContainText('For the market')
  await chosen.getByRole('button', { name: 'Restore this version' }).click()
  await expect(page).toHaveURL(/\/pour$/)
  await expect.poll(() => mivro.heightOf(0)).toBe(22)
  await mivro.saved()
  await page.keyboard.press('Control+z')
  await expect.poll(() => mivro.heightOf(0)).toBe(17)
})

test('after a restore open pages are told to reload, and overwrite nothing', async ({
  mivro,
  page,
  browser,
}) => {
  const backup = Buffer.from(await takeBackup(await mivro.server.asked()))
  const other = await (await browser.newContext()).newPage()
  await other.goto(`${mivro.server.address}/pieces/demo-orrery/pour`)
  await expect(other.locator('[data-surface="0"]')).toBeVisible()

  await mivro.open('/studio')
  const file = { name: 'b.zip', mimeType: 'application/zip', buffer: backup }
  await page.locator('input[type=file]').setInputFiles(file)
  await page.getByRole('dialog').getByRole('button', { name: 'Restore backup' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'came back from b.zip' })).toBeVisible()

  await other.locator('[data-surface="0"]').focus()
  await other.keyboard.press('ArrowUp')
  await expect(other.getByRole('alert')).toContainText(
    'A backup was restored since this page was opened',
  )
  await expect(other.locator('.save')).toHaveText('Not saved: reload the page')
  const kept = await (await mivro.server.call('GET', 'plans/demo-orrery-plan')).json()
  expect(kept.revision).toBe(1)
  // And after the reload the person chooses: theirs is not lost.
  await other.reload()
  const dialog = other.getByRole('dialog', { name: 'This was changed elsewhere meanwhile' })
  await expect(dialog).toContainText('up to 22.5 mm')
  await dialog.getByRole('button', { name: 'Keep yours' }).click()
  await expect(other.locator('.save')).toHaveText('Saved')
})

test('a double click makes one piece and one next pour', async ({ mivro, page }) => {
  await mivro.open('/pieces/new')
  await page.getByText('Dimensions').click()
  await mivro.field('Name').fill('Once')
  await expect(page.getByText('Yes, watertight')).toBeVisible()
  await page.getByRole('button', { name: 'Create piece' }).dblclick()
  await expect(page).toHaveURL(/\/pour$/)
  await mivro.open('/pieces/demo-coaster/pulls')
  await page.getByRole('button', { name: 'Plan the next pour' }).dblclick()
  await expect(page).toHaveURL(/\/pour$/)
  await mivro.calm()
  const pieces = await (await mivro.server.call('GET', 'pieces')).json()
  expect(
    pieces.items.filter((one: { document: { name: string } }) => one.document.name === 'Once'),
  ).toHaveLength(1)
  const plans = await (await mivro.server.call('GET', 'plans?parent=demo-coaster')).json()
  expect(plans.items).toHaveLength(2)
})

test('the demo studio can be left again, and an empty shelf offers typical materials', async ({
  mivro,
  page,
}) => {
  await mivro.open('/studio')
  await page.getByRole('button', { name: 'Remove the demo studio' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'was removed' })).toBeVisible()
  await mivro.open('/pieces')
  await expect(page.getByRole('heading', { name: 'What will you cast?' })).toBeVisible()
  await mivro.open('/shelf')
  await page.getByRole('button', { name: 'Add typical materials' }).click()
  await expect(page.getByRole('link', { name: /Typical deep-pour epoxy 3:1/ })).toBeVisible()
  await mivro.open('/pieces')
  await page.getByRole('button', { name: 'Look round the demo studio' }).click()
  await expect(page.getByRole('heading', { name: 'Meteorite paperweight' })).toBeVisible()
})

test('what earlier pulls said stays within reach of the next pour', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-coaster/pour')
  await expect(page.getByText('Level the board before the first pour')).toBeVisible()
  await page.getByRole('button', { name: 'And 1 earlier pull' }).click()
  await expect(page.getByText('Pour the second layer the same evening')).toBeVisible()
  await expect(page.getByText('Faults: line between layers, cloud between layers.')).toBeVisible()
})

test('a long look at the shape can be cancelled, and begun again', async ({ mivro, page }) => {
  await mivro.forgetAnswers()
  await mivro.open('/pieces/demo-astronomer/mould/silicone')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Look at the shape again' }).click()
  await expect(page.getByText(/Looking for|Trying/)).toBeVisible()
})

test('a backup taken by the button is a whole zip', async ({ mivro, page }) => {
  await mivro.open('/studio')
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save a backup' }).click()
  const path = await (await waiting).path()
  const bytes = readFileSync(path)
  expect(bytes.subarray(0, 4).toString('latin1')).toBe('PK\u0003\u0004')
  // The end of the central directory stands at its end.
  expect(bytes.subarray(-22, -18).toString('latin1')).toBe('PK\u0005\u0006')
})

test('a view that cannot be fetched while the server is away is said', async ({ mivro, page }) => {
  await mivro.open('/pieces')
  await expect(page.getByRole('heading', { name: 'Orrery base' })).toBeVisible()
  // On a first visit nothing of that view is in the browser yet.
  const session = await page.context().newCDPSession(page)
  await session.send('Network.clearBrowserCache')
  await mivro.server.kill()
  await page.getByRole('link', { name: 'Mixing' }).click()
  await expect(page.getByRole('alert')).toContainText('This view could not be fetched')
})
