import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Batch } from '@mivro/core/matter/cure'
import type { Material, Resin } from '@mivro/core/matter/material'
import { firmPlatinum, slowEpoxy, violet } from '../../../core/src/matter/material/samples.ts'
import { cureTimes, lawOf } from '../work/laws.ts'
import { rowsOf } from '../ui/inTests.ts'
import SheetReader from './SheetReader.vue'

const resin: Resin = { ...slowEpoxy, gelTime: undefined, recoatUntil: undefined }
vi.mock('../work/pool.ts', () => ({
  askTimes: async (batches: Batch[]) => cureTimes(batches),
  askLaw: async (of: Resin) => lawOf(of),
  askSurvey: () => Promise.reject(new Error('not here')),
}))
vi.mock('../api/sessions.ts', () => ({ listNewest: async () => [] }))

beforeEach(() => setActivePinia(createPinia()))

const reading = async (material: Material, field = '', label = '') => {
  const shown = mount(SheetReader, { props: { id: 'a', material, field, label } })
  await flushPromises()
  return shown
}
const column = (shown: Awaited<ReturnType<typeof reading>>, cell: number) =>
  rowsOf(shown).map((cells) => cells[cell])

describe('reading a sheet', () => {
  it('asks to touch a field, and shows what the sheet does to a usual layer', async () => {
    const shown = await reading(resin)
    expect(shown.text()).toContain('Click a field')
    expect(shown.text()).toContain('100 g in the cup, 10 mm deep, at 21 °C')
    expect(column(shown, 0)).toEqual([
      'The cup pours for',
      'It gels after',
      'Recoat window until',
      'Out of the mould after',
      'Hottest',
    ])
    expect(shown.findAll('thead th')).toHaveLength(2)
  })

  it('a field that is touched is explained, with a fifth more of it beside', async () => {
    const shown = await reading(resin, 'potLife', 'Pot life')
    expect(shown.get('h2').text()).toBe('Pot life')
    expect(shown.text()).toContain('before it has doubled in thickness')
    expect(shown.text()).toContain('a fifth more')
    expect(column(shown, 2)[0]).not.toBe(column(shown, 1)[0])
    expect(shown.findAll('.moves').length).toBeGreaterThan(2)
  })

  it('mixing time does not move what the chemistry does', async () => {
    const shown = await reading(resin, 'mixTime', 'Mixing takes')
    expect(column(shown, 2)[0]).toBe(column(shown, 1)[0])
  })

  it('what contradicts itself is said', async () => {
    const shown = await reading({ ...resin, demould: 2 * 3600 })
    expect(shown.text()).toContain('comes early for its pot life')
  })

  it('a silicone shows how long it can be worked, room by room', async () => {
    const shown = await reading(firmPlatinum, 'hardness', 'Hardness')
    expect(shown.text()).toContain('firm as a rubber band')
    const rows = column(shown, 0)
    expect(rows).toHaveLength(4)
    expect(rows[0]).toContain('18 °C')
  })

  it('a dye has nothing to reckon', async () => {
    const shown = await reading(violet, 'limit', 'Limit')
    expect(shown.findAll('table')).toHaveLength(0)
  })
})
