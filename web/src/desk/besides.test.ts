import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Material, Tint } from '@mivro/core/matter/material'
import { weigh } from '@mivro/core/matter/mix'
import { slowEpoxy, violet } from '../../../core/src/matter/material/samples.ts'
import { useShelf } from '../project/shelfStore.ts'
import AtTheCup from '../weigh/AtTheCup.vue'
import { useDesk } from '../weigh/deskStore.ts'
import { buttonOf } from '../ui/inTests.ts'
import DropBook from './DropBook.vue'

const push = vi.fn()
vi.mock('vue-router', () => ({ useRouter: () => ({ push }) }))
const edited = vi.fn()
/** When a sheet opens is the test's to say. */
let opens: Promise<void> = Promise.resolve()
vi.mock('../api/sessions.ts', () => ({
  openSession: async (path: string, id: string) => {
    await opens
    return { path, id, edit: (next: Tint) => edited(next) }
  },
  leave: () => {},
  openSessions: new Map(),
}))

const put = (...tints: Tint[]) => {
  const all: [string, Material][] = [
    ['epoxy', slowEpoxy],
    ...tints.map((tint, i): [string, Material] => [`tint${i}`, tint]),
  ]
  useShelf().stored = all.map(([id, document]) => ({
    id,
    parent: null,
    revision: 1,
    document,
    createdAt: '',
    updatedAt: '',
    deletedAt: null,
  }))
}
beforeEach(() => {
  setActivePinia(createPinia())
  push.mockClear()
  edited.mockClear()
})

const labelled = (shown: ReturnType<typeof mount>, label: string) =>
  shown.find(`[aria-label="${label}"]`).exists()
    ? shown.get(`[aria-label="${label}"]`)
    : shown.get(
        `[id="${shown
          .findAll('label')
          .find((found) => found.text() === label)!
          .attributes('for')}"]`,
      )
const type = async (shown: ReturnType<typeof mount>, label: string, text: string) => {
  await flushPromises()
  const input = labelled(shown, label)
  await input.setValue(text)
  await input.trigger('keydown', { key: 'Enter' })
  await flushPromises()
}

describe('drops of a bottle', () => {
  it('an unknown bottle asks for a count; a count that is kept is learned', async () => {
    put(violet)
    const shown = mount(DropBook)
    await flushPromises()
    expect(shown.text()).toContain('Count drops onto the scale once')
    await type(shown, 'Drops counted', '25')
    await type(shown, 'weighed together', '0.75 g')
    await buttonOf(shown, 'Save this count').trigger('click')
    expect(edited).toHaveBeenCalledOnce()
    expect((edited.mock.calls[0][0] as Tint).drops).toEqual([
      { count: 25, mass: expect.closeTo(0.00075, 9) as number },
    ])
    expect(shown.text()).toContain('One drop is 0.030 g')
    expect(shown.text()).toContain('from 25 drops')
  })

  it('a known bottle says how many drops a weight is, and how far counts lie apart', async () => {
    put({
      ...violet,
      drops: [
        { count: 20, mass: 0.0006 },
        { count: 20, mass: 0.00066 },
      ],
    })
    const shown = mount(DropBook, { props: { wanted: 0.00019 } })
    await flushPromises()
    expect(shown.text()).toMatch(/counts lie 10 % apart/)
    expect(shown.text()).toMatch(/0\.190 g are 6 drops, off by 1 %/)
  })

  it('until its sheet is open a count is neither shown nor kept, and what was typed stays', async () => {
    let come = () => {}
    opens = new Promise((done) => (come = done))
    put(violet)
    const shown = mount(DropBook)
    await type(shown, 'weighed together', '0.75 g')
    expect(buttonOf(shown, 'Save this count').attributes('disabled')).toBeDefined()
    come()
    await flushPromises()
    await buttonOf(shown, 'Save this count').trigger('click')
    expect(edited).toHaveBeenCalledOnce()
  })

  it('what no drops weigh is refused, and nothing is kept', async () => {
    put(violet)
    const shown = mount(DropBook)
    await flushPromises()
    await type(shown, 'weighed together', '4 kg')
    await buttonOf(shown, 'Save this count').trigger('click')
    expect(edited).not.toHaveBeenCalled()
    expect(shown.get('[role="alert"]').text()).toContain('4000 g is outside what makes sense')
  })
})

describe('beside what is to be weighed', () => {
  const weighing = weigh(
    85e-6,
    { resin: slowEpoxy, tints: [{ material: violet, fraction: 0.002 }] },
    1e-4,
  )
  const atTheCup = async () => {
    put(violet)
    const shown = mount(AtTheCup, {
      props: {
        material: 'epoxy',
        twoPart: slowEpoxy,
        tints: [{ material: violet, fraction: 0.002 }],
        weighing,
        step: 1e-4,
        room: 294.15,
      },
    })
    await shown.get('.el-collapse-item__header').trigger('click')
    return shown
  }

  it('past the mark, the other parts follow: 70 g of A ask for 31.3 g of B (by hand)', async () => {
    const shown = await atTheCup()
    await type(shown, 'Part A, resin that is in the cup', '70')
    expect(shown.get('.add').text()).toMatch(/0\.2 g of Violet dye and 31\.3 g of Part B, hardener/)
    expect(shown.text()).toContain('more than you wanted')
  })

  it('a match says what stays over of what the plan needs', async () => {
    const shown = await atTheCup()
    await type(shown, 'Part A, resin that is in the cup', '70')
    await type(shown, 'Violet dye that is in the cup', '0.2')
    await type(shown, 'Part B, hardener that is in the cup', '31.3')
    expect(shown.text()).toContain('It matches')
    expect(shown.text()).toMatch(/The plan needs 85\.0 ml: 7\.\d+ ml stay over/)
  })

  it('lays it out on the ratio desk', async () => {
    const shown = await atTheCup()
    await buttonOf(shown, 'Open in Mixing').trigger('click')
    await flushPromises()
    expect(push).toHaveBeenCalledWith({ name: 'desk' })
    const desk = useDesk()
    expect(desk.materialId).toBe('epoxy')
    expect(desk.needed).toBe(weighing.volume)
    expect(desk.portions.mass / weighing.total).toBeCloseTo(1, 9)
  })
})
