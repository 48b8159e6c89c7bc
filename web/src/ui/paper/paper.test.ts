import { readFileSync } from 'node:fs'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import { deferring } from '@mivro/words/safety'
import PaperPage from './PaperPage.vue'

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

describe('a sheet', () => {
  const paper = (slots: Record<string, string>, ready = false) => {
    setActivePinia(createPinia())
    return mount(PaperPage, {
      props: { back: '/', backSays: 'Back', ready },
      slots,
      global: { stubs: { RouterLink: true } },
    })
  }

  it('says that it is read before there is anything on it, and cannot be printed yet', () => {
    const shown = paper({})
    expect(shown.get('[role="status"]').text()).toContain('Reading')
    expect(shown.find('footer').exists()).toBe(false)
    expect(shown.get('button').attributes('disabled')).toBeDefined()
  })

  it('shows what is known meanwhile, or what its own words are', () => {
    expect(paper({ head: '<h1>Drop</h1>' }).get('h1').text()).toBe('Drop')
    expect(paper({ head: '<h1>Drop</h1>', waiting: 'No mould yet.' }).text()).not.toContain('Drop')
  })

  it('is whole when it is ready, whom it defers to at its foot', () => {
    const shown = paper({ head: '<h1>Drop</h1>' }, true)
    expect(shown.get('footer').text()).toBe(deferring)
    expect(shown.get('button').attributes('disabled')).toBeUndefined()
  })
})
