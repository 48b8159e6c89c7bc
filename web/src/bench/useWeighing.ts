import { computed, ref, watch } from 'vue'
import { beginsCup, weighedNow, zeroOf, type TaskOf } from '@mivro/core/bench'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'

/** Held steady in its band for so long it counts as weighed, s. */
const holds = 3
/** While it is poured the scale moves within so long, s. */
const moves = 20

/** One weighing as the scale sees it. */
export function useWeighing(bench: UseBench, instruments: UseInstruments) {
  const task = computed((): TaskOf<'weigh'> | undefined =>
    bench.task.value?.what === 'weigh' ? bench.task.value : undefined,
  )
  const zero = computed(() => (task.value ? zeroOf(bench.bench.value!, task.value) : undefined))
  /** The cup has to be put on and tared first. */
  const toPlace = computed(() => task.value !== undefined && zero.value === undefined)
  const newCup = computed(() => task.value && beginsCup(bench.bench.value!, task.value))
  const byHand = ref(false)
  const typed = ref(0)
  watch(
    () => task.value?.id,
    () =>
      (typed.value = task.value ? weighedNow(bench.bench.value!, task.value, 0).target.mass : 0),
    { immediate: true },
  )

  const shown = computed(() => instruments.valueOf('scale'))
  const inCup = computed(() => {
    if (byHand.value) return typed.value
    return Math.max(0, (shown.value ?? 0) - (zero.value ?? 0))
  })
  const weighed = computed(() =>
    task.value ? weighedNow(bench.bench.value!, task.value, inCup.value) : undefined,
  )
  const trouble = computed(() => {
    if (!task.value || byHand.value) return undefined
    return instruments.trouble('scale', weighed.value?.state === 'pouring' ? moves : undefined)
  })
  const steady = computed(() => instruments.watched.scale.last?.steady === true)
  const usable = computed(
    () => byHand.value || (shown.value !== undefined && trouble.value === undefined),
  )

  /** The other part of this cup, while it is still to come: a bottle is easily mistaken. */
  const otherPart = computed(() => {
    const now = task.value
    if (!now || now.part === 'tint') return undefined
    const { tasks, done } = bench.progress.value!
    return tasks.find(
      (one): one is TaskOf<'weigh'> =>
        one.what === 'weigh' &&
        one.mix === now.mix &&
        one.part !== 'tint' &&
        one.key !== now.key &&
        !done.has(one.id),
    )
  })

  /** Since when it has been good and steady, on the page's clock. */
  const goodSince = ref<number>()
  watch(
    () => [weighed.value?.state, steady.value, toPlace.value, byHand.value, task.value?.id],
    () => {
      const good =
        weighed.value?.state === 'good' && steady.value && !toPlace.value && !byHand.value
      goodSince.value = good ? (goodSince.value ?? instruments.page.value) : undefined
    },
  )
  const heldFor = computed(() =>
    goodSince.value === undefined ? 0 : instruments.page.value - goodSince.value,
  )
  const held = computed(() => heldFor.value >= holds)

  return {
    task,
    otherPart,
    toPlace,
    newCup,
    byHand,
    typed,
    inCup,
    weighed,
    trouble,
    steady,
    usable,
    held,
    shown,
  }
}
export type UseWeighing = ReturnType<typeof useWeighing>
