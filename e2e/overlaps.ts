import type { Page } from '@playwright/test'

/**
 * Words that stand on one another, are squeezed into a column of a word, or are cut off where nothing
 * scrolls and no dots say so, by the boxes of their text.
 */
export const overlaps = (page: Page) =>
  page.evaluate(() => {
    /** px that no eye sees; lines of a narrow column that nobody reads. */
    const least = 3
    const dot = 6
    const squeezed = { lines: 5, width: 90 }
    const found: string[] = []
    const walker = document.createTreeWalker(document.querySelector('#app')!, NodeFilter.SHOW_TEXT)
    const boxes: { text: string; rect: DOMRect; element: Element }[] = []
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent!.trim()
      const element = node.parentElement!
      if (!text || !element.checkVisibility({ opacityProperty: true, visibilityProperty: true }))
        continue
      if (element.closest('.visually-hidden, [inert]')) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      const rects = [...range.getClientRects()]
      const lines = new Set(rects.map(({ top }) => Math.round(top))).size
      const widest = Math.max(0, ...rects.map(({ width }) => width))
      if (lines >= squeezed.lines && widest < squeezed.width)
        found.push(`"${text}" in ${lines} lines`)
      for (const rect of rects) {
        if (rect.width < least || rect.height < least) continue
        boxes.push({ text: text.slice(0, 30), rect, element })
      }
    }
    /** The part of it that can be seen: what scrolls is cut by its panel and can be reached. */
    const seen = ({ rect, element }: (typeof boxes)[number]) => {
      let { left, right, top, bottom } = rect
      let cut = false
      for (let at: Element | null = element; at; at = at.parentElement) {
        const style = getComputedStyle(at)
        if (style.overflow === 'visible') continue
        const edge = at.getBoundingClientRect()
        const hides = style.overflowX === 'hidden' || style.overflowX === 'clip'
        const beyond = right > edge.right + least || left < edge.left - least
        cut ||= hides && beyond && style.textOverflow !== 'ellipsis'
        left = Math.max(left, edge.left)
        right = Math.min(right, edge.right)
        top = Math.max(top, edge.top)
        bottom = Math.min(bottom, edge.bottom)
      }
      return { left, right, top, bottom, cut }
    }
    const parts = boxes.map((box) => ({ ...box, part: seen(box) }))
    for (const [i, a] of parts.entries()) {
      // A label for those who hear the page is a dot of it.
      const stands = a.part.right > a.part.left + dot && a.part.bottom > a.part.top + dot
      if (a.part.cut && stands) found.push(`"${a.text}" is cut off`)
      for (const b of parts.slice(i + 1)) {
        if (a.element === b.element) continue
        const wide = Math.min(a.part.right, b.part.right) - Math.max(a.part.left, b.part.left)
        const high = Math.min(a.part.bottom, b.part.bottom) - Math.max(a.part.top, b.part.top)
        if (wide > least && high > least)
          found.push(`"${a.text}" on "${b.text}": ${Math.round(wide)} x ${Math.round(high)} px`)
      }
    }
    return found
  })
