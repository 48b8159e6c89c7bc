import { expect, test, type Mivro } from './mivro.ts'

/** Of a cylinder of 50 x 20 mm what a wall of t mm takes, ml: all walls, or all but its open mouth. */
const shellOf = (t: number, open = false) =>
  (Math.PI * (25 ** 2 * 20 - (25 - t) ** 2 * (20 - (open ? t : 2 * t)))) / 1000
const value = async (mivro: Mivro, name: string) => Number(await mivro.field(name).inputValue())

test('a piece is cast hollow: wall, resin, weight and shots move together, and the sheet says how it is turned', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/new')
  await page.getByText('Dimensions', { exact: true }).click()
  await mivro.type('Diameter', '50')
  await mivro.type('Thickness', '20')
  await mivro.type(/^Bevel/, '0')
  await mivro.field('Name').fill('Hollow moon')
  await page.getByRole('button', { name: 'Create piece' }).click()
  await page.getByText('Closed', { exact: true }).click()
  await page.getByRole('button', { name: 'Add layer' }).click()
  await mivro.pick('Resin', 'Fast white urethane 1:1')
  const solid = (await mivro.weights('A')).weigh

  // By elementary geometry, to 1 %.
  await page.getByText('As a wall', { exact: true }).click()
  const facts = page.getByRole('complementary', { name: 'What is chosen' })
  await expect(facts).toContainText('A third of solid would make')
  const resin = () => value(mivro, 'Resin per copy')
  const near = (wanted: number) => async () => Math.abs((await resin()) / wanted - 1) < 0.012
  await expect.poll(near(shellOf(3))).toBe(true)
  // Two shots: each of them half.
  const each = (await mivro.weights('A')).weigh
  expect(each / (solid * (shellOf(3) / shellOf(10)))).toBeCloseTo(0.5, 1)
  await mivro.type('Wall', '2')
  await expect.poll(near(shellOf(2))).toBe(true)
  await mivro.type('Shots', '1')
  await expect.poll(async () => (await mivro.weights('A')).weigh / each).toBeGreaterThan(1.3)
  await expect(page.locator('[data-turning]')).toContainText(/from .* until /)

  // Backwards: a cast was weighed.
  const before = await value(mivro, 'Weight of a cast')
  await mivro.type('Weight of a cast', String(before * 1.25))
  await expect.poll(near(shellOf(2) * 1.25)).toBe(true)
  expect(await value(mivro, 'Wall')).toBeGreaterThan(2.3)

  // The inner face by keys, and undone.
  await mivro.type('Wall', '3')
  const face = page.locator('[data-wall="0"]')
  await face.focus()
  await page.keyboard.press('ArrowLeft')
  await expect(face).toHaveAttribute('aria-valuenow', '3.1')
  await page.keyboard.press('Control+z')
  await expect(face).toHaveAttribute('aria-valuenow', '3')

  // In an open mould its mouth is no wall.
  await page.getByRole('button', { name: 'Show the whole pour' }).click()
  await page.getByText('Open', { exact: true }).click()
  await mivro.layer('Layer 1').click()
  await expect.poll(near(shellOf(3, true))).toBe(true)
  await mivro.saved()

  await page.reload()
  await expect.poll(near(shellOf(3, true))).toBe(true)

  // The cast is weighed: nine tenths of what was wished are a thinner wall, and more is mixed next.
  const wished = await value(mivro, 'Weight of a cast')
  await page.getByRole('link', { name: 'Pulls', exact: true }).click()
  await page.getByRole('button', { name: 'Record a pull' }).click()
  await mivro.type('Weight of one cast', String(wished * 0.9))
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour', exact: true }).click()
  await mivro.layer('Layer 1').click()
  const said = page.locator('[data-cast]')
  await expect(said).toContainText('for the 3.0 mm that were wished')
  const wall = Number(/a wall of ([\d.]+) mm/.exec(await said.innerText())![1])
  expect(shellOf(wall, true) / shellOf(3, true)).toBeCloseTo(0.9, 1)
  const mixed = (await mivro.weights('A')).weigh
  await said.getByRole('button', { name: /^Mix 2\d(\.\d)? % on top$/ }).click()
  await expect.poll(async () => (await mivro.weights('A')).weigh / mixed).toBeGreaterThan(1.05)
  await expect(said.getByRole('button')).toHaveCount(0)
  await mivro.saved()
  await page.getByRole('link', { name: 'Pour sheet' }).click()
  await expect(page.locator('[data-step="turn"]')).toContainText(
    'Turn it at once, 6 times a minute in all directions',
  )
  await expect(page.getByText('Before you turn it.')).toBeVisible()
})

test('a wall that cannot be is refused at its place, or told what it comes to', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-orrery/pour')
  await mivro.layer('Dark body').click()
  await page.getByText('As a wall', { exact: true }).click()
  await expect(page.locator('.tag', { hasText: "can't be poured like this" })).not.toHaveCount(0)
  for (const [name, typed] of [
    ['Wall', '0'],
    ['Shots', '0'],
    ['Turns a minute', '0'],
    ['Turns a minute', 'round and round'],
  ] as const) {
    await mivro.type(name, typed)
    await expect(mivro.field(name)).toHaveAttribute('aria-invalid', 'true')
    await expect(mivro.field(name)).toHaveValue(typed)
    await mivro.field(name).press('Escape')
  }
  await mivro.type('Wall', '49')
  await expect(page.locator('[data-code="cast-wall-fills"]:visible')).toContainText(
    'fills the piece',
  )
  await mivro.type('Wall', '1')
  await expect(page.locator('[data-code="cast-wall-thin"]:visible')).toContainText(
    'breaks easily when it comes out',
  )
  await page.getByText('Solid', { exact: true }).click()
  await expect(page.locator('[data-code="cast-wall-thin"]')).toHaveCount(0)
})
