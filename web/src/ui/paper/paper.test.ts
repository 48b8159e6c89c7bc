import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

describe('the looks of printed pages', () => {
  it('stay on printed pages: no rule of theirs reaches another view', () => {
    const css = readFileSync('web/src/ui/paper/paper.css', 'utf8')
    const plain = css.replace(/\/\*[^]*?\*\//g, '').replace(/@page[^{]*\{[^}]*\}/g, '')
    const selectors = [...plain.matchAll(/(^|[}{])\s*([^@{}]+)\{/g)].flatMap(([, , list]) =>
      list.split(',').map((one) => one.trim()),
    )
    expect(selectors.length).toBeGreaterThan(10)
    const own = /^(\.paper\b|\.paper-desk\b|html|body|:root)/
    expect(selectors.filter((one) => !own.test(one))).toEqual([])
  })
})
