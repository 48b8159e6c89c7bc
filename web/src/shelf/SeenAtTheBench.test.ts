import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { observationSchema, type Observation, type Resin } from '@mivro/core/matter/material'
import { Problem } from '@mivro/core/base/problem'
import { readDocument } from '@mivro/core/base/document'
import { firmPlatinum, slowEpoxy } from '../../../core/src/matter/material/samples.ts'
import { buttonOf, chooseIn } from '../ui/inTests.ts'
import SeenAtTheBench from './SeenAtTheBench.vue'

vi.mock('./LearnedChart.vue', () => ({ default: { template: '<i />' } }))
beforeEach(() => setActivePinia(createPinia()))

const one: Observation = {
  id: 'a',
  what: 'pot life',
  value: 2400,
  room: 291.15,
  mass: 0.15,
  on: '2026-05-04',
}
const shownWith = (observations: Observation[], take = vi.fn()) => {
  const material: Resin = { ...slowEpoxy, observations }
  const shown = mount(SeenAtTheBench, { props: { material, take } })
  const type = async (label: string, text: string) => {
    await flushPromises()
    const id = shown
      .findAll('label')
      .find((found) => found.text() === label)!
      .attributes('for')!
    const input = shown.get(`[id="${id}"]`)
    await input.setValue(text)
    await input.trigger('keydown', { key: 'Enter' })
    await flushPromises()
  }
  const keep = () => buttonOf(shown, 'Add measurement')
  return { shown, take, type, keep }
}

describe('what was seen at the bench', () => {
  it('stands with its mass, room and day', () => {
    const { shown } = shownWith([one])
    expect(shown.get('.readings').text()).toContain('Pot life 40 min')
    expect(shown.get('.readings').text()).toContain('150.0 g at 18 °C, Mon 4 May')
  })

  it('a pot life is kept with its room and mass, and only once a time is written', async () => {
    const { keep, type, take } = shownWith([])
    expect(keep().attributes('disabled')).toBeDefined()
    await type('Measured time', '34 min')
    await type('Room', '23')
    await keep().trigger('click')
    const [kept] = take.mock.calls[0][0] as Observation[]
    expect(kept).toMatchObject({ what: 'pot life', value: 2040, mass: 0.1 })
    expect(kept.room).toBeCloseTo(296.15, 6)
    readDocument(observationSchema, kept)
  })

  it('a strange reading is left out, and taken back in', async () => {
    const { shown, take } = shownWith([one])
    await shown.get('input[type=checkbox]').trigger('change')
    expect(take.mock.calls[0][0]).toEqual([{ ...one, leftOut: true }])
    const again = shownWith([{ ...one, leftOut: true }])
    expect(again.shown.get('.readings li').classes()).toContain('out')
    await again.shown.get('input[type=checkbox]').trigger('change')
    expect((again.take.mock.calls[0][0] as Observation[])[0].leftOut).toBeUndefined()
  })

  it('is taken off', async () => {
    const { shown, take } = shownWith([one, { ...one, id: 'b', value: 3000 }])
    await shown.findAll('.readings button')[0].trigger('click')
    expect((take.mock.calls[0][0] as Observation[]).map(({ id }) => id)).toEqual(['b'])
  })

  it('a peak is a temperature', async () => {
    const { shown, type, take, keep } = shownWith([])
    chooseIn(shown, 'Measured', 'peak')
    await flushPromises()
    await type('Measured temperature', '96 C')
    await keep().trigger('click')
    const [kept] = take.mock.calls[0][0] as Observation[]
    expect(kept.what).toBe('peak')
    expect(kept.value).toBeCloseTo(369.15, 6)
  })

  it('what the sheet refuses is said, and what was typed stays', async () => {
    const refuse = vi.fn(
      () => new Problem('out-of-range', { kind: 'mass', value: 0, min: 0.0005, max: 50 }),
    )
    const { shown, type, keep } = shownWith([], refuse)
    await type('Measured time', '40 min')
    await type('Amount in the cup', '0')
    await keep().trigger('click')
    expect(shown.get('[role="alert"], .says, .problem').text()).toMatch(/0\.50 g/)
    expect(keep().attributes('disabled')).toBeUndefined()
  })

  it('of a silicone only pot lives are asked', () => {
    const shown = mount(SeenAtTheBench, { props: { material: firmPlatinum, take: vi.fn() } })
    expect(shown.findAllComponents({ name: 'ElSelect' })).toHaveLength(0)
  })
})
