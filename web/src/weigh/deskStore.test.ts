import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { checkCup, type CupCheck, type Mix } from '@mivro/core/matter/mix'
import { firmPlatinum, slowEpoxy, violet } from '../../../core/src/matter/material/samples.ts'
import { stored } from '../api/answers.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useDesk } from './deskStore.ts'
import CupPicture from '../desk/CupPicture.vue'
import PastTheMark from './PastTheMark.vue'

beforeEach(() => {
  setActivePinia(createPinia())
  useShelf().stored = [
    stored('epoxy', slowEpoxy),
    stored('silicone', firmPlatinum),
    stored('violet', violet),
  ]
})
const gram = 1e-3

describe('the ratio desk', () => {
  it('mixes what is chosen of the shelf, or a ratio of one’s own', () => {
    const desk = useDesk()
    expect(desk.mix.nameA).toBe('Part A')
    desk.choose('epoxy')
    expect(desk.mix.nameA).toBe(slowEpoxy.nameA)
    desk.choose('silicone')
    expect(desk.portions.portions.map(({ mass }) => mass / gram)).toEqual([50, 50])
    desk.choose('violet')
    expect(desk.mix.nameA).toBe('Part A')
  })

  it('another mix empties the cup', () => {
    const desk = useDesk()
    desk.choose('epoxy')
    desk.pour('A', 0.02)
    desk.choose('silicone')
    expect(desk.inCup).toEqual({})
  })

  it('nothing, and more than any bench mixes, are refused and change nothing', () => {
    const desk = useDesk()
    expect(desk.wishOf({ by: 'mass', mass: 0 })).toMatchObject({ code: 'out-of-range' })
    expect(desk.wishOf({ by: 'volume', volume: 5 })).toMatchObject({ code: 'out-of-range' })
    expect(desk.wish).toEqual({ by: 'mass', mass: 0.1 })
    expect(desk.roomOf(333)).toMatchObject({ code: 'out-of-range' })
    expect(desk.wishOf({ by: 'part', part: 'A', mass: 0.006 })).toBeUndefined()
  })

  it('what is left out is taken out of the cup too', () => {
    const desk = useDesk()
    desk.addExtra('powder')
    const [{ id }] = desk.extras
    expect(desk.shareOf(id, 30)).toMatchObject({ code: 'out-of-range' })
    expect(desk.shareOf(id, 2)).toBeUndefined()
    desk.pour(id, 0.1)
    expect(desk.check.mass).toBeCloseTo(0.15, 9)
    desk.removeExtra(id)
    expect(desk.check.mass).toBe(0)
  })

  it('lays out what a layer wants, with what the plan needs of it', () => {
    const desk = useDesk()
    const extras = [
      { id: 'tint-1', name: 'Violet dye', share: 0.002, of: 'both', density: 1100 } as const,
    ]
    desk.layOut({ material: 'epoxy', mass: 0.0935, room: 294, needed: 85e-6, extras })
    expect(desk.portions.portions.map(({ name }) => name)).toEqual([
      'Part A, resin',
      'Violet dye',
      'Part B, hardener',
    ])
    expect(desk.portions.volume / 85e-6).toBeCloseTo(1, 3)
    expect(desk.needed).toBe(85e-6)
  })
})

const oneToOne: Mix = {
  ratio: { by: 'weight', a: 1, b: 1 },
  densityA: 1100,
  densityB: 1100,
  nameA: 'Part A',
  nameB: 'Part B',
  extras: [],
}
const shown = (check: CupCheck, more: { needed?: number; cupSize?: number } = {}) =>
  mount(PastTheMark, {
    props: { check, step: 0.1 * gram, cupSize: 150e-6, wanted: 20e-6, ...more },
  }).text()
const cup = (A?: number, B?: number, size = 150e-6) =>
  checkCup(oneToOne, { A: A && A * gram, B: B && B * gram }, size)

describe('what the cup says', () => {
  it('an empty one says what to do', () => {
    expect(shown(cup())).toContain('what is missing stands here')
  })

  it('one part in: what the other asks for', () => {
    expect(shown(cup(10))).toContain('Add 10.0 g of Part B')
  })

  it('past the mark: how far, what to add, how much that is in all', () => {
    const text = shown(cup(12, 10))
    expect(text).toContain('+20.0 %')
    expect(text).toContain('too much A for B')
    expect(text).toContain('Add 2.0 g of Part B')
    expect(text).toContain('Then 24.0 g in all, 21.8 ml')
    expect(text).toContain('1.82 ml more than you wanted')
    expect(shown(cup(8, 10))).toContain('too little A for B')
  })

  it('a match is said, and what the plan needs of it', () => {
    expect(shown(cup(11, 11))).toContain('It matches: 22.0 g, 20.0 ml')
    expect(shown(cup(11, 11), { needed: 18e-6 })).toContain('2.00 ml stay over')
    expect(shown(cup(11, 11), { needed: 25e-6 })).toContain('5.00 ml short')
  })

  it('less than half a step of the scale is not asked for', () => {
    expect(shown(cup(10.02, 10))).toContain('It matches')
  })

  it('a cup that can’t hold it is said before it is added', () => {
    expect(shown(cup(40, 20, 60e-6), { cupSize: 60e-6 })).toContain(
      'more than a cup of 60 ml stirs',
    )
  })
})

describe('the picture of the cup', () => {
  it('stands portions on one another, and never over the brim', () => {
    const portions = [
      { what: 'A', name: 'Part A', mass: 0.05, volume: 50e-6 },
      { what: 'B', name: 'Part B', mass: 0.15, volume: 150e-6 },
    ]
    const bands = mount(CupPicture, {
      props: { portions, size: 100e-6, colours: ['#aaa', '#bbb'] },
    })
      .findAll('g g rect')
      .map((rect) => [Number(rect.attributes('y')), Number(rect.attributes('height'))])
    expect(bands[0][0]).toBeCloseTo(178 - 82, 6)
    expect(bands[1][0]).toBeCloseTo(14, 6)
  })
})
