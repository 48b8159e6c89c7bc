import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Material } from '@mivro/core/matter/material'
import { slowEpoxy, violet, whiteUrethane } from '../../../core/src/matter/material/samples.ts'
import { toCsv } from './exchangeFiles.ts'
import ExchangeDialog from './ExchangeDialog.vue'
import { stored } from '../api/answers.ts'
import { useShelf } from '../project/shelfStore.ts'

const added: Material[] = []
let refused = false
vi.mock('../api/client.ts', async () => ({
  newId: () => `id${added.length}`,
  api: {
    add: async (_: string, id: string, document: Material) => {
      if (refused) throw new (await import('@mivro/core/base/problem')).Problem('server-away', {})
      added.push(document)
      return stored(id, document)
    },
  },
}))

beforeEach(() => {
  setActivePinia(createPinia())
  useShelf().stored = [stored('epoxy', slowEpoxy)]
  added.length = 0
  refused = false
})

async function looking(text: string, name = 'theirs.csv') {
  const shown = mount(ExchangeDialog, {
    props: { modelValue: true },
    global: { stubs: { ElDialog: { template: '<div><slot /><slot name="footer" /></div>' } } },
  })
  const input = shown.get('input[type=file]')
  Object.defineProperty(input.element, 'files', { value: [new File([text], name)] })
  Object.defineProperty(input.element, 'value', { value: '', writable: true })
  await input.trigger('change')
  await flushPromises()
  await vi.waitFor(() => {
    if (!shown.text().includes('theirs') && !shown.find('[role="alert"]').exists()) throw Error()
  })
  const bring = () => shown.findAll('button').at(-1)!
  return { shown, bring }
}

describe('bringing materials in', () => {
  const other = { ...slowEpoxy, potLife: 3000 }

  it('says what a file holds before anything is changed', async () => {
    const { shown, bring } = await looking(await toCsv([other, violet, whiteUrethane]))
    expect(shown.text()).toContain('2 new, 0 already here, 1 differ')
    expect(bring().text()).toBe('Import 3')
    expect(added).toEqual([])
  })

  it('another of the same name comes in under a name of its own, or is left', async () => {
    const { shown, bring } = await looking(await toCsv([other]))
    await bring().trigger('click')
    await flushPromises()
    expect(added.map(({ name }) => name)).toEqual(['Clear slow epoxy 2:1, from theirs.csv'])
    expect(shown.emitted('update:modelValue')).toEqual([[false]])
    const again = await looking(await toCsv([{ ...slowEpoxy, potLife: 2800 }]))
    await again.shown.get('input[type=checkbox]').setValue(false)
    expect(again.bring().attributes('disabled')).toBeDefined()
  })

  it('what is here already is not brought in twice', async () => {
    const { bring } = await looking(await toCsv([slowEpoxy]))
    expect(bring().text()).toBe('Import 0')
    expect(bring().attributes('disabled')).toBeDefined()
  })

  it('a line that can’t be read is said with its column, the others come in', async () => {
    const text = (await toCsv([violet])) + '\r\nglue,Strange'
    const { shown, bring } = await looking(text)
    expect(shown.text()).toContain('"glue" is no kind of material')
    await bring().trigger('click')
    await flushPromises()
    expect(added).toHaveLength(1)
  })

  it('a file that holds nothing of ours is refused in words', async () => {
    const { shown } = await looking('a,b\n1,2')
    expect(shown.text()).toContain('names no columns "kind" and "name"')
  })

  it('when the server is away it says so, and what was looked at stays', async () => {
    const { shown, bring } = await looking(await toCsv([violet]))
    refused = true
    await bring().trigger('click')
    await flushPromises()
    expect(shown.find('[role="alert"]').exists() || shown.text().includes('server')).toBe(true)
    expect(shown.text()).toContain('1 new')
  })
})
