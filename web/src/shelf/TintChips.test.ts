import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Swatch, Tint } from '@mivro/core/matter/material'
import { violet } from '../../../core/src/matter/material/samples.ts'
import { buttonOf, rowsOf } from '../ui/inTests.ts'
import TintChips from './TintChips.vue'

beforeEach(() => setActivePinia(createPinia()))

async function chipsOf(tint: Tint = violet) {
  const take = vi.fn<(swatches: Swatch[] | undefined) => undefined>()
  const shown = mount(TintChips, { props: { tint, take } })
  await flushPromises()
  return { shown, take, taken: () => take.mock.lastCall![0] }
}

describe('chips of a tint', () => {
  it('without one it is said what stands for it', async () => {
    const { shown } = await chipsOf()
    expect(shown.text()).toContain(
      'No chip yet, so it is taken as the colour above at 0.2 %, 10.0 mm',
    )
  })

  it('a chip begins as what stood for it, with its dose and depth', async () => {
    const { shown, taken } = await chipsOf()
    await buttonOf(shown, 'Add chip').trigger('click')
    expect(taken()).toEqual([
      { id: expect.any(String), colour: violet.colour, dose: 0.002, depth: 0.01 },
    ])
  })

  it('deleting the last leaves none', async () => {
    const chip = { id: 'a', colour: '#8d55ba', dose: 0.001, depth: 0.005 }
    const { shown, taken } = await chipsOf({ ...violet, swatches: [chip] })
    await shown.get('[aria-label="Delete chip 1"]').trigger('click')
    expect(taken()).toBeUndefined()
  })

  it('a ladder doubles up to the limit: 0.5 % of 10 g are 50 mg (by hand)', async () => {
    const { shown } = await chipsOf()
    const rows = rowsOf(shown)
    expect(rows).toHaveLength(5)
    expect(rows[4].slice(0, 2)).toEqual(['0.5 %', '0.05 g'])
    expect(rows[0][0]).toBe('0.031 %')
  })

  it('a ladder has four to six chips, whatever is typed', async () => {
    const { shown } = await chipsOf()
    const count = shown.get('[aria-label="Ladder"] input')
    await count.setValue('60')
    await count.trigger('blur')
    await flushPromises()
    expect(rowsOf(shown)).toHaveLength(6)
  })
})
