import type { Page } from '@playwright/test'

/** What stands outside the page to the right or left, or is wider than what holds it. */
export const cutOff = (page: Page) =>
  page.evaluate(() => {
    const root = document.scrollingElement!
    const found: string[] = []
    if (root.scrollWidth > innerWidth) found.push(`the page is ${root.scrollWidth} px wide`)
    for (const element of document.querySelectorAll(
      'main button, main input:not([type=radio], [type=checkbox], [type=file]), main a, main h1, main h2',
    )) {
      const { left, right, width } = element.getBoundingClientRect()
      if (width === 0 || element.closest('.visually-hidden')) continue
      if (left < -1 || right > innerWidth + 1) {
        found.push(`${element.tagName} "${element.textContent?.trim().slice(0, 30)}" at ${right}`)
      }
    }
    return found
  })
