import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  checkCup,
  cupsSoldIn,
  portionsFor,
  type Extra,
  type Mix,
  type Wish,
} from '@mivro/core/matter/mix'
import type { Material, TwoPart } from '@mivro/core/matter/material'
import { Problem } from '@mivro/core/base/problem'
import { newId } from '../api/client.ts'
import { useShelf } from '../project/shelfStore.ts'
import { refusedWeight } from './poured.ts'
import { useStudio } from '../project/studioStore.ts'

/** A mix of one's own, where nothing on the shelf is meant. */
const ownMix: TwoPart = {
  ratio: { by: 'weight', a: 1, b: 1 },
  densityA: 1100,
  densityB: 1100,
  nameA: 'Part A',
  nameB: 'Part B',
}

/** What may be stirred in besides, to begin with. */
const usualExtras = {
  thickener: { name: 'Thickener', share: 0.02, of: 'both', density: 2200 },
  accelerator: { name: 'Accelerator', share: 0.01, of: 'B', density: 1000 },
  powder: { name: 'Metal powder', share: 1, of: 'both', density: 8800 },
  tint: { name: 'Tint', share: 0.002, of: 'both', density: 1100, most: 0.005 },
} as const
export type ExtraKind = keyof typeof usualExtras

/** The ratio desk keeps what lies on it while the application is open. */
export const useDesk = defineStore('desk', () => {
  const shelf = useShelf()
  const studio = useStudio()

  const materialId = ref<string>()
  const own = shallowRef<TwoPart>(ownMix)
  const extras = shallowRef<Extra[]>([])
  const wish = shallowRef<Wish>({ by: 'mass', mass: 0.1 })
  const inCup = shallowRef<Record<string, number | undefined>>({})
  const chosenCup = ref<number>()
  const room = ref(294.15)
  /** What a plan needs of this mix, where it was opened from one, m³. */
  const needed = ref<number>()

  const material = computed<Material | undefined>(() => shelf.materials.get(materialId.value ?? ''))
  const twoPart = computed<TwoPart>(() => {
    const found = material.value
    return found?.kind === 'resin' || found?.kind === 'silicone' ? found : own.value
  })
  const mix = computed<Mix>(() => {
    const { ratio, densityA, densityB, nameA, nameB } = twoPart.value
    return { ratio, densityA, densityB, nameA, nameB, extras: extras.value }
  })
  const cupSizes = computed(() => cupsSoldIn(studio.units))
  const portions = computed(() => portionsFor(mix.value, wish.value, cupSizes.value))
  const cupSize = computed(() => chosenCup.value ?? portions.value.cup.size)
  const check = computed(() => checkCup(mix.value, inCup.value, cupSize.value))
  const step = computed(() => studio.studio.scaleStep)

  function choose(id: string | undefined): void {
    materialId.value = id
    inCup.value = {}
  }
  function addExtra(kind: ExtraKind): void {
    extras.value = [...extras.value, { id: newId().slice(0, 8), ...usualExtras[kind] }]
  }
  function changeExtra(id: string, values: Partial<Extra>): void {
    extras.value = extras.value.map((extra) => (extra.id === id ? { ...extra, ...values } : extra))
  }
  function removeExtra(id: string): void {
    extras.value = extras.value.filter((extra) => extra.id !== id)
    pour(id, undefined)
  }
  /** Takes an amount that makes sense; what does not comes back. */
  function wishOf(asked: Wish): Problem | undefined {
    const amount = asked.by === 'volume' ? asked.volume : asked.mass
    const kind = asked.by === 'volume' ? 'volume' : 'mass'
    const [min, max] = kind === 'volume' ? [1e-7, 0.1] : [1e-4, 100]
    if (!(amount >= min && amount <= max)) {
      return new Problem('out-of-range', { kind, value: amount, min, max })
    }
    wish.value = asked
    return undefined
  }
  function roomOf(kelvin: number): Problem | undefined {
    const [min, max] = [278.15, 318.15]
    if (!(kelvin >= min && kelvin <= max)) {
      return new Problem('out-of-range', { kind: 'temperature', value: kelvin, min, max })
    }
    room.value = kelvin
    return undefined
  }
  function shareOf(id: string, share: number): Problem | undefined {
    if (!(share >= 0 && share <= 20)) {
      return new Problem('out-of-range', { kind: 'fraction', value: share, min: 0, max: 20 })
    }
    changeExtra(id, { share })
    return undefined
  }
  /** What the scale showed of one part; what no cup can hold comes back. */
  function pour(what: string, mass: number | undefined): Problem | undefined {
    const refused = refusedWeight(mass)
    if (!refused) inCup.value = { ...inCup.value, [what]: mass }
    return refused
  }
  function emptyCup(): void {
    inCup.value = {}
  }

  /** Lays out what a layer of a plan wants to be mixed. */
  function layOut(values: {
    material: string
    mass: number
    room: number
    needed: number
    extras: readonly Extra[]
  }): void {
    choose(values.material)
    extras.value = [...values.extras]
    wish.value = { by: 'mass', mass: values.mass }
    room.value = values.room
    needed.value = values.needed
    chosenCup.value = undefined
  }

  return {
    materialId,
    material,
    own,
    twoPart,
    mix,
    extras,
    wish,
    inCup,
    chosenCup,
    cupSize,
    cupSizes,
    room,
    needed,
    portions,
    check,
    step,
    choose,
    addExtra,
    changeExtra,
    removeExtra,
    wishOf,
    shareOf,
    roomOf,
    pour,
    emptyCup,
    layOut,
  }
})
