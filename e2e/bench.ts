import { expect, type Page } from '@playwright/test'
import type { Mivro } from './mivro.ts'

/** A person at the bench: presses its keys, and plays the world around the stand-ins. */
export class AtBench {
  private readonly page: Page

  constructor(private readonly mivro: Mivro) {
    this.page = mivro.page
  }

  /** Opens the bench of a run that is planned. */
  async begin(run: string): Promise<void> {
    await this.mivro.open(`/runs/${run}`)
    await this.page.getByRole('button', { name: 'Carry out' }).click({ timeout: 120_000 })
    await expect(this.page.locator('.bench')).toHaveAttribute('data-task', 'lay out')
    // Keys are of use once the clock is known.
    await expect(this.page.locator('.lamp').first()).not.toHaveText(/silent/)
  }

  /** Everything laid out by one key, and what has to be closed is closed and banded. */
  async toWeighing(key = 'Space'): Promise<void> {
    for (let i = 0; i < 24 && /lay out|condition|band/.test((await this.task)!); i++)
      await this.key(key)
  }

  get task(): Promise<string | null> {
    return this.page.locator('.bench').getAttribute('data-task')
  }

  get taskId(): Promise<string | null> {
    return this.page.locator('.bench').getAttribute('data-task-id')
  }

  async key(key: string): Promise<void> {
    // Two presses in a row are one: it says when it listens again.
    await this.page.locator('.bench[data-listens]').waitFor()
    await this.page.keyboard.press(key)
  }

  /** The large key, until the task at hand is another. */
  async done(): Promise<void> {
    const before = await this.taskId
    await expect(async () => {
      if ((await this.taskId) === before) await this.key('Space')
      expect(await this.taskId).not.toBe(before)
    }).toPass({ timeout: 120_000, intervals: [50] })
  }

  /** One press of the large key, weighing by hand where something is weighed. */
  async onward(): Promise<void> {
    const byHand = this.page.getByText('By hand', { exact: true })
    if ((await this.task) === 'weigh' && (await byHand.isVisible())) await this.key('h')
    await this.key('Space')
  }

  /** Reads the caution that stands before a task, and answers its lines. */
  async readCaution(): Promise<string[]> {
    const lines = this.page.locator('.safety [data-safety]')
    const ids = await lines.evaluateAll((all) => all.map((one) => one.getAttribute('data-safety')!))
    await this.key('Space')
    await expect(lines.first()).toBeHidden()
    return ids
  }

  async cautionsShown(): Promise<boolean> {
    return this.page.locator('.bench section.safety').isVisible()
  }

  /** What a person does to the world, as its panel would. */
  async act(act: object): Promise<void> {
    const response = await this.mivro.server.call('POST', 'instruments/act', { act })
    expect(response.status, await response.text()).toBe(200)
  }

  /** What a bridge to a real instrument says. */
  async bridge(line: object): Promise<void> {
    const { address } = this.mivro.server
    const known = await fetch(`${address}/api/lan`)
    const response = await fetch(`${address}/api/instruments/lines`, {
      method: 'POST',
      headers: {
        'content-type': 'application/x-ndjson',
        'Mivro-Epoch': known.headers.get('Mivro-Epoch')!,
      },
      body: `${JSON.stringify(line)}\n`,
    })
    expect(response.status).toBe(204)
  }

  async speed(speed: number): Promise<void> {
    await this.mivro.server.call('POST', 'instruments/speed', { speed })
  }

  async world(): Promise<void> {
    await this.key('w')
    await expect(this.page.getByText('The world, simulated')).toBeVisible()
  }

  async press(button: string): Promise<void> {
    await this.page.getByRole('button', { name: button, exact: true }).click()
  }

  /** Puts a cup on, tares, and pours by the panel; ends when the scale has settled. */
  async pour(button: string): Promise<void> {
    await this.settled(() => this.press('Put the cup on'))
    await this.key('t')
    await expect(this.page.getByText(/to go/).first()).toBeVisible()
    await this.settled(() => this.press(button))
  }

  /** Does something to the scale, and waits until it stands still again. */
  async settled(act: () => Promise<void>): Promise<void> {
    const lamp = this.page.locator('.lamp').first()
    await act()
    await expect(lamp).toHaveText('scale moves')
    await expect(lamp).toHaveText('scale steady')
  }

  /** The bench's clock, s since 1970. */
  async clock(): Promise<number> {
    const response = await this.mivro.server.call('GET', 'instruments')
    return ((await response.json()) as { world: { at: number } }).world.at
  }
}
