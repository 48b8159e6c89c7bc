import { expect, test, type Mivro } from './mivro.ts'
import type { Page } from '@playwright/test'

/** A field of a runaway takes some seconds, and more on a shared machine. */
const patience = { timeout: 120_000 }

async function makePiece(mivro: Mivro, more: object = {}): Promise<void> {
  const post = async (path: string, data: object) => {
    expect((await mivro.server.call('POST', path, data)).status).toBe(201)
  }
  await post('pieces', {
    id: 'block',
    document: {
      name: 'Deep block',
      form: { from: 'sizes', solid: { solid: 'block', width: 0.1, depth: 0.1, height: 0.06 } },
      note: '',
    },
  })
  await post('plans', {
    id: 'plan',
    parent: 'block',
    document: {
      name: 'In one go',
      up: [0, 0, 1],
      mould: 'open',
      layers: [
        {
          id: 'all',
          name: 'All of it',
          fill: { by: 'height', top: 0.06 },
          resin: 'demo-slow-epoxy',
          tints: [],
          inclusions: [],
          join: 'crisp',
        },
      ],
      gate: 0,
      reserve: 0.1,
      copies: 1,
      room: 296.15,
      scaleStep: 0.0001,
      note: '',
      ...more,
    },
  })
}

const hottest = (page: Page) =>
  page
    .locator('dl.facts dd b')
    .first()
    .textContent()
    .then((text) => parseFloat(text ?? ''))

test('coating epoxy 60 mm deep is refused with a number, and each way out holds', async ({
  mivro,
  page,
}) => {
  await makePiece(mivro)
  await mivro.open('/pieces/block/pour?lens=heat')
  await expect(page.getByText(/60\.0 mm deep, would run away: about \d{3} °C/).first()).toBeVisible(
    patience,
  )
  await expect(page.getByText('Deepest pour')).toBeVisible()
  await page.getByRole('button', { name: 'Suggest fixes' }).click()
  const split = page.getByRole('button', { name: /pours of .* in the join window/ })
  await expect(split).toBeVisible(patience)
  await expect(page.getByRole('button', { name: /Pour it of Deep clear epoxy/ })).toBeHidden()
  await expect(page.getByRole('button', { name: /scuff and wipe between/ })).toBeVisible()

  await split.click()
  await expect(page.getByText(/60\.0 mm deep, would run away/)).toHaveCount(0)
  await expect.poll(() => hottest(page), patience).toBeLessThanOrEqual(80)
  await page.keyboard.press('1')
  expect(await page.locator('.tag').count()).toBeGreaterThan(5)
  await page.keyboard.press('Control+z')
  await expect(page.locator('.tag')).toHaveCount(1)
})

test('the lens follows the clock: scrubber, points, cure', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await expect(page.getByText('by the cure of each layer')).toBeVisible(patience)
  await page.keyboard.press('5')
  await expect(page.locator('canvas').first()).toBeVisible(patience)
  await expect(
    page.getByText(/in Dusk violet, .* after the first mix; \d+ °C to \d+ °C/),
  ).toBeVisible(patience)
  const scrubber = page.getByRole('slider', { name: 'Time' })
  const before = Number(await scrubber.getAttribute('aria-valuenow'))
  await scrubber.press('Shift+ArrowRight')
  expect(Number(await scrubber.getAttribute('aria-valuenow'))).toBe(before + 1800)

  await expect(page.getByRole('button', { name: /^Point 1/ })).toBeVisible()
  const cut = (await page.locator('.cutaway svg').boundingBox())!
  await page.mouse.click(cut.x + 300, cut.y + 330)
  await page.mouse.click(cut.x + 330, cut.y + 330)
  await expect(page.getByRole('button', { name: /^Point 2/ })).toBeVisible()
  await page.getByRole('button', { name: /^Point 2/ }).press('Delete')
  await expect(page.getByRole('button', { name: /^Point 2/ })).toBeHidden()

  await page.getByText('Degree of cure').click()
  await expect(page.locator('.key')).toContainText('100 %')
  await expect(page.locator('[data-chart="temperature"]')).toBeVisible()
  await expect(page.locator('[data-chart="cure"]')).toBeVisible()
  await expect(page.getByRole('row', { name: /^28 °C/ })).toContainText('°C')
  await page.getByRole('button', { name: 'Where this temperature comes from' }).click()
  await expect(page.getByText(/The rise can be off by −25 and \+30 %/)).toBeVisible()
})

test('a pour moment is dragged along the clock and snaps to what it gets', async ({
  mivro,
  page,
}) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await expect(page.getByText('by the cure of each layer')).toBeVisible(patience)
  const handle = page.getByRole('slider', { name: 'When Dusk violet is poured' })
  await expect(handle).toHaveAttribute('aria-valuetext', /on the gel/)
  const box = (await handle.locator('.knob').boundingBox())!
  await page.mouse.move(box.x + 5, box.y + 5)
  await page.mouse.down()
  await page.mouse.move(box.x - 60, box.y + 5, { steps: 8 })
  await expect(page.getByText(/Out of the mould after/)).toBeVisible()
  await page.mouse.move(box.x - 300, box.y + 5, { steps: 8 })
  await page.mouse.up()
  await mivro.layer('Dusk violet').click()
  await expect(page.getByRole('radio', { name: 'Bled' })).toBeChecked()

  await page.getByText('Crisp', { exact: true }).click()
  await expect(handle).toHaveAttribute('aria-valuetext', /on the gel/)
  for (let i = 0; i < 8; i++) await handle.press('Shift+ArrowRight')
  await expect(handle).toHaveAttribute('aria-valuetext', /too late to bond/)
  await expect(page.getByText(/after Night blue stopped bonding/)).toBeVisible()
})

test('a join at night is said, with the hour to begin that avoids it', async ({ mivro, page }) => {
  await mivro.open('/pieces/demo-comet-drop/pour')
  await expect(page.getByText('by the cure of each layer')).toBeVisible(patience)
  await page.getByText('Working hours').click()
  await mivro.type('First mix at', 'half nine')
  await expect(page.getByText('"half nine" is no time of day')).toBeVisible()
  await mivro.type('First mix at', '9 pm')
  await expect(page.getByText(/would be poured at 0\d:\d\d, day 2/).first()).toBeVisible()
  await page.getByRole('button', { name: /^Begin at/ }).click()
  await expect(page.getByText(/would be poured at 0\d:\d\d, day 2/)).toHaveCount(0)
  await expect(page.getByText(/begun at 07:00/)).toBeVisible()
})

test('warmth and air: a room of 60 °C, a mould of 93 °C, damp', async ({ mivro, page }) => {
  await makePiece(mivro, {
    layers: [
      {
        id: 'thin',
        name: 'Thin',
        fill: { by: 'height', top: 0.003 },
        resin: 'demo-white-urethane',
        tints: [],
        inclusions: [],
        join: 'crisp',
      },
    ],
  })
  await mivro.open('/pieces/block/pour')
  await mivro.type('Room', '60')
  await expect(page.getByText(/60 °C/).first()).toBeVisible()
  await expect(mivro.field('Room')).toHaveAttribute('aria-invalid', 'true')
  await mivro.type('Room', '23')
  await page.getByText('Temperature and humidity').click()
  await mivro.type('Mould temperature', '93 C')
  await mivro.type('Humidity', '70')
  await expect(page.getByText(/can foam Fast white urethane/)).toBeVisible()
  await mivro.type('Material temperature', '12')
  await expect(page.getByText(/below the dew point/)).toBeVisible()
  await mivro.layer('Thin').click()
  await expect(page.getByText(/In a mould of 93 °C it stays open for about/)).toBeVisible(patience)
  await expect(page.locator('[data-safety="hot-mould"]')).toBeVisible()
})
