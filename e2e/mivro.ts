import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  expect,
  test as base,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test'
import { RunningServer, ServerHere, type TestedServer } from './server.ts'

interface Fixtures {
  mivro: Mivro
  /** A server of its own process, where its death is what is tried. */
  ownProcess: boolean
}
interface OfWorker {
  /** One browser profile and one address for all tests of a worker: scripts are read once. */
  home: { context: BrowserContext; port: number }
}

/** What is asked next is asked within so many pictures of the screen. */
const calmFrames = 6

interface VueRoot {
  __vue_app__: { config: { globalProperties: { $router: { push(to: string): Promise<unknown> } } } }
}

/** A test with a fresh demo studio. Any error in the console and any policy violation fails it. */
export const test = base.extend<Fixtures, OfWorker>({
  ownProcess: [false, { option: true }],
  home: [
    async ({ playwright }, use) => {
      const { viewport, locale, timezoneId, launchOptions } = base.info().project.use
      const profile = mkdtempSync(join(tmpdir(), 'mivro-browser-'))
      // A profile on the disk keeps what was compiled of the scripts: a page is there in half the time.
      const context = await playwright.chromium.launchPersistentContext(profile, {
        ...launchOptions,
        viewport,
        locale,
        timezoneId,
      })
      await use({ context, port: 0 })
      await context.close()
      rmSync(profile, { recursive: true, force: true })
    },
    { scope: 'worker' },
  ],
  // What a visit leaves in the browser is its own; what was read of the application stays.
  context: async ({ home }, use) => {
    await use(home.context)
    for (const page of home.context.pages()) await page.close()
    await home.context.clearCookies()
    await home.context.clearPermissions()
  },
  page: async ({ context, home, viewport, actionTimeout }, use) => {
    const page = await context.newPage()
    page.setDefaultTimeout(actionTimeout ?? 0)
    if (viewport) await page.setViewportSize(viewport)
    // What an earlier test computed is a long wait less; what it left unsent is its own.
    await page.addInitScript(() => {
      if (!location.protocol.startsWith('http') || sessionStorage.getItem('begun')) return
      sessionStorage.setItem('begun', 'yes')
      indexedDB.deleteDatabase('mivro')
    })
    if (home.port > 0) {
      const session = await context.newCDPSession(page)
      const origin = `http://127.0.0.1:${home.port}`
      const storageTypes = 'local_storage'
      await session.send('Storage.clearDataForOrigin', { origin, storageTypes })
      await session.detach()
    }
    await use(page)
  },
  mivro: async ({ page, home, ownProcess }, use) => {
    const { port } = home
    const server = ownProcess ? await RunningServer.start({ port }) : await ServerHere.start(port)
    home.port = server.port
    const mivro = new Mivro(page, server)
    await page.addInitScript(() => {
      addEventListener('securitypolicyviolation', (event) => {
        console.error(`policy violation: ${event.violatedDirective} ${event.blockedURI}`)
      })
    })
    await use(mivro)
    // The page goes first: a server that is away is none of its faults.
    const { complaints } = mivro
    await page.close()
    await mivro.server.kill()
    mivro.server.forget()
    expect(complaints).toEqual([])
  },
})

export { expect }

/** The application as a person drives it. */
export class Mivro {
  readonly complaints: string[] = []

  constructor(
    readonly page: Page,
    public server: TestedServer,
  ) {
    page.on('console', (message) => {
      // A refused request is logged by the browser itself; the page says it in its own words.
      if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) {
        this.complaints.push(message.text())
      }
    })
    page.on('pageerror', (error) => this.complaints.push(error.message))
  }

  async open(path: string): Promise<void> {
    await this.page.goto(this.server.address + path)
    await this.page.locator('#app > *').first().waitFor({ state: 'attached' })
  }

  /** As on a first visit: nothing of what earlier tests computed is known. */
  async forgetAnswers(): Promise<void> {
    await this.page.addInitScript(() => {
      if (!location.protocol.startsWith('http') || sessionStorage.getItem('forgot')) return
      sessionStorage.setItem('forgot', 'yes')
      indexedDB.deleteDatabase('mivro-answers')
    })
  }

  /** To another address without loading the page again, as a link goes; waits until it is calm. */
  async go(path: string): Promise<void> {
    await this.page.evaluate(
      (to) =>
        document
          .querySelector<HTMLElement & VueRoot>('#app')!
          .__vue_app__.config.globalProperties.$router.push(to),
      path,
    )
    await this.calm()
  }

  /**
   * Waits until nothing is asked of the server or of the workers, the answer is drawn and nothing
   * fades in any more; says what is asked where that never ends.
   */
  async calm(): Promise<void> {
    const asked = await this.page.evaluate(
      ({ frames, longest }) =>
        new Promise<string | undefined>((done) => {
          const begun = performance.now()
          let still = 0
          const fades = () =>
            document.getAnimations().some(({ playState, effect }) => {
              const { endTime = 0 } = effect?.getComputedTiming() ?? {}
              return playState === 'running' && Number.isFinite(endTime)
            })
          const look = () => {
            // Before the application is there nothing can be asked yet.
            const { working = document.querySelector('#app > *') ? undefined : 'the page' } =
              document.body.dataset
            still = working === undefined && !fades() ? still + 1 : 0
            if (still > frames) done(undefined)
            else if (performance.now() - begun > longest) done(working ?? 'an animation')
            else requestAnimationFrame(look)
          }
          look()
        }),
      { frames: calmFrames, longest: 180_000 },
    )
    expect(asked, `still asked at ${this.page.url()}`).toBeUndefined()
  }

  field(name: string | RegExp): Locator {
    return this.page.getByLabel(name, { exact: typeof name === 'string' }).first()
  }

  /** Types into a field as a person does: replaces what stands there and leaves it. */
  async type(name: string | RegExp, text: string): Promise<void> {
    const field = this.field(name)
    await field.fill(text)
    await field.press('Enter')
  }

  async pick(list: string, entry: string): Promise<void> {
    const box = this.page.getByRole('combobox', { name: list, exact: true })
    await this.page.locator('.el-select', { has: box }).click()
    await this.page.getByRole('option', { name: entry, exact: true }).click()
    await expect(this.page.getByRole('option', { name: entry, exact: true })).toBeHidden()
  }

  surface(index: number): Locator {
    return this.page.locator(`[data-surface="${index}"]`)
  }

  async heightOf(index: number): Promise<number> {
    return Number(await this.surface(index).getAttribute('aria-valuenow'))
  }

  /** Drags a surface by its grip, `by` px down. */
  async drag(index: number, by: number): Promise<void> {
    const box = (await this.surface(index).locator('.grip').boundingBox())!
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await this.page.mouse.move(x, y)
    await this.page.mouse.down()
    await this.page.mouse.move(x, y + by, { steps: 12 })
    await this.page.mouse.up()
  }

  layer(name: string): Locator {
    return this.page.locator('.tag', { hasText: name })
  }

  /** What the weigh table shows for a part: weight, and the scale's reading. */
  async weights(part: 'A' | 'B' | 'tint'): Promise<{ weigh: number; reading: number }> {
    const cells = this.page.locator(`aside .part-${part} td`)
    const [, weigh, reading] = await cells.allTextContents()
    return { weigh: Number(weigh), reading: Number(reading) }
  }

  /** Opens what is folded away. */
  async unfold(title: string): Promise<void> {
    const head = this.page.getByRole('button', { name: title, exact: true })
    if ((await head.getAttribute('aria-expanded')) === 'false') await head.click()
  }

  async saved(): Promise<void> {
    await expect(this.page.locator('.save')).toHaveText('Saved')
  }
}
