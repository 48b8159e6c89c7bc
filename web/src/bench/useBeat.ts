import { computed, onScopeDispose, ref, watch, type Ref } from 'vue'
import { beatTakes } from '@mivro/core/matter/turning'
import { turningNow } from '@mivro/core/work/bench'
import type { UseBench } from './useBench.ts'
import { useTones } from './useTones.ts'

const tick = { pitch: 1200, loud: 0.12, from: 0, takes: 0.05 }

/** A beat that can be heard while hands turn a mould, at each quarter of a turn; answers how many there were. */
export function useBeat({ bench, task }: UseBench, sounds: Ref<boolean>): Ref<number> {
  const play = useTones()
  const beats = ref(0)
  let timer: ReturnType<typeof setInterval> | undefined
  const turns = computed(() => {
    const turning = bench.value && turningNow(bench.value, task.value)
    return turning?.called ? turning.task.turns : undefined
  })
  watch(
    turns,
    (rate) => {
      clearInterval(timer)
      beats.value = 0
      if (rate === undefined) return
      timer = setInterval(
        () => {
          beats.value++
          if (sounds.value) play([tick])
        },
        1000 * beatTakes(rate),
      )
    },
    { immediate: true },
  )
  onScopeDispose(() => clearInterval(timer))
  return beats
}
