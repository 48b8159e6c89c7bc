import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { CompiledLayer, CompiledPlan, LayerClock, PourMoment } from '@mivro/core/work/plan'
import ClockStrip from './ClockStrip.vue'

beforeEach(() => setActivePinia(createPinia()))

const hour = 3600
const clock = (mixAt: number, more: Partial<LayerClock> = {}): LayerClock => ({
  mixAt,
  pourAt: mixAt + 240,
  lastPourAt: mixAt + 240,
  cupUntil: mixAt + 0.8 * hour,
  bleedsUntil: mixAt + hour,
  gelAt: mixAt + 2 * hour,
  joinUntil: mixAt + 4 * hour,
  trimAt: mixAt + 10 * hour,
  demouldAt: mixAt + 24 * hour,
  basis: { pourable: 'model', gel: 'model', join: 'model', demould: 'model' },
  ...more,
})
const layer = (index: number, name: string, at: LayerClock) =>
  ({ id: name, index, name, clock: at, setIn: [] }) as unknown as CompiledLayer
const compiled = (layers: CompiledLayer[]): CompiledPlan =>
  ({ layers, demouldAt: 30 * hour, cautions: [] }) as unknown as CompiledPlan
const two = compiled([
  layer(0, 'Night', clock(0)),
  layer(1, 'Dusk', clock(2.4 * hour, { meets: 'crisp' })),
])
const strip = (props: object = {}) =>
  mount(ClockStrip, { props: { compiled: two, room: 294.15, ...props } })

describe('the clock', () => {
  it('says what it goes by, and every layer in a sentence', () => {
    expect(strip().text()).toContain('by the cure of each layer')
    expect(strip({ waiting: true }).text()).toContain('from the sheets')
    const [first] = strip().findAll('li')
    expect(first.text()).toContain(
      'Night: mixed at 0 s, poured at 4 min, its cup pours until 48 min',
    )
    expect(first.text()).toContain('gates trim easily from 10 h')
  })

  it('what has no gates has none to trim', () => {
    expect(strip().find('.trim').exists()).toBe(true)
    const open = strip({ compiled: compiled([layer(0, 'Night', clock(0, { trimAt: undefined }))]) })
    expect(open.find('.trim').exists()).toBe(false)
    expect(open.text()).not.toContain('gates')
  })

  it('shows when things are laid on a gel, under the layer that they lie on', () => {
    const when = { how: 'on the gel', from: 2 * hour, until: 2.4 * hour } as const
    const dusk = { ...layer(1, 'Dusk', clock(2.4 * hour)), setIn: [{ lies: 'floor', when }] }
    const set = strip({ compiled: compiled([layer(0, 'Night', clock(0)), dusk as CompiledLayer]) })
    expect(set.findAll('.setting')).toHaveLength(1)
    expect(set.text()).toContain('Set into Dusk, on the gel: 2 h to 2 h 24')
    expect(strip().find('.setting').exists()).toBe(false)
  })

  it('without a resin it waits', () => {
    expect(strip({ compiled: compiled([]) }).text()).toContain('starts when a layer has a resin')
  })

  it('knows the time of day when it knows when it begins, and shades the nights', () => {
    const day = strip({ begin: 9 * hour, awake: { from: 7 * hour, until: 22 * hour } })
    expect(day.text()).toContain('begun at 09:00')
    expect(day.text()).toContain('2 poured on the gel, 11:28')
    expect(day.findAll('.night').length).toBeGreaterThan(0)
    expect(strip().findAll('.night')).toHaveLength(0)
  })

  it('a pour moment is nudged by arrows, five minutes or thirty, and kept', async () => {
    const shown = strip()
    const handle = shown.get('[role="slider"]')
    expect(handle.attributes('aria-label')).toBe('When Dusk is poured')
    await handle.trigger('keydown', { key: 'ArrowRight' })
    await handle.trigger('keydown', { key: 'ArrowLeft', shiftKey: true })
    const moves = shown.emitted('move') as [number, PourMoment][]
    const at = 2.4 * hour + 240
    expect(moves[0]).toEqual([1, { at: at + 300, meets: 'crisp' }])
    expect(moves[1]).toEqual([1, { at: at - 1800, meets: 'soft' }])
    expect(shown.emitted('moved')).toHaveLength(2)
  })

  it('one that comes too late says so', () => {
    const late = compiled([
      layer(0, 'Night', clock(0)),
      layer(1, 'Dusk', clock(6 * hour, { meets: 'late' })),
    ])
    expect(strip({ compiled: late }).text()).toContain('2 poured too late to bond')
  })

  it('has a moment that is looked at only where there is something to look at', async () => {
    expect(strip().findAll('[role="slider"]')).toHaveLength(1)
    const looking = strip({ at: hour })
    const scrubber = looking.findAll('[role="slider"]').at(-1)!
    expect(scrubber.attributes('aria-valuenow')).toBe('3600')
    await scrubber.trigger('keydown', { key: 'ArrowRight' })
    expect(looking.emitted('look')).toEqual([[hour + 300]])
    await looking.get('[aria-label="Play"]').trigger('click')
    expect(looking.emitted('play')).toHaveLength(1)
  })
})
