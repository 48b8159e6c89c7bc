import { computed, ref, watch } from 'vue'
import { weighedNow, weighingNow, type TaskOf } from '@mivro/core/work/bench'
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
  const byHand = ref(false)
  const typed = ref(0)
  watch(
    () => task.value?.id,
    () =>
      (typed.value = task.value ? weighedNow(bench.bench.value!, task.value, 0).target.mass : 0),
    { immediate: true },
  )

  const shown = computed(() => instruments.valueOf('scale'))
  const steady = computed(() => instruments.watched.scale.last?.steady === true)
  /** What is wrong with the scale while this is weighed. */
  const trouble = computed(() => {
    if (!task.value || byHand.value) return undefined
    const found = instruments.trouble(
      'scale',
      now.value?.weighed.state === 'pouring' ? moves : undefined,
    )
    // One cup goes off and another on: that is no resin that falls.
    return toPlace.value && found === 'shrinking' ? undefined : found
  })
  const scale = computed(() =>
    shown.value === undefined ? undefined : { value: shown.value, steady: steady.value },
  )
  const hand = computed(() => (byHand.value ? typed.value : undefined))
  const now = computed(() =>
    task.value
      ? weighingNow(bench.bench.value!, bench.progress.value!, task.value, {
          scale: scale.value && { ...scale.value, trusted: true },
          byHand: hand.value,
        })
      : undefined,
  )
  const readings = computed(() => ({
    scale: scale.value && { ...scale.value, trusted: trouble.value === undefined },
    byHand: hand.value,
  }))
  const usable = computed(() => byHand.value || readings.value.scale?.trusted === true)
  const toPlace = computed(() => now.value?.toPlace === true && !byHand.value)

  /** Since when it has been good and steady on a scale that is believed, on the page's clock. */
  const goodSince = ref<number>()
  const believed = computed(() => trouble.value === undefined && bench.unread.value.length === 0)
  watch(
    () => [
      now.value?.weighed.state,
      steady.value,
      toPlace.value,
      byHand.value,
      task.value?.id,
      believed.value,
    ],
    () => {
      const good =
        now.value?.weighed.state === 'good' &&
        steady.value &&
        believed.value &&
        !toPlace.value &&
        !byHand.value
      goodSince.value = good ? (goodSince.value ?? instruments.page.value) : undefined
    },
  )
  const held = computed(
    () => goodSince.value !== undefined && instruments.page.value - goodSince.value >= holds,
  )

  return {
    task,
    now,
    toPlace,
    byHand,
    switchHand: () => {
      if (task.value) byHand.value = !byHand.value
    },
    typed,
    trouble,
    steady,
    usable,
    held,
    shown,
    readings,
  }
}
export type UseWeighing = ReturnType<typeof useWeighing>
