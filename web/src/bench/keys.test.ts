import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { computed, effectScope, ref } from 'vue'
import { progressOf, type Bench, type BenchEvent } from '@mivro/core/work/bench'
import { bench } from '../../../core/src/work/bench/samples.ts'
import { useBenchKeys } from './useBenchKeys.ts'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import type { UseWeighing } from './useWeighing.ts'

beforeEach(() => setActivePinia(createPinia()))

it('records no key before the bench and its clock are there', () => {
  const document = ref<Bench>()
  const told = ref<{ now: number }>()
  const recorded: BenchEvent[] = []
  const open = {
    bench: document,
    task: computed(() => document.value && progressOf(document.value).task),
    add: (events: BenchEvent[]) => void recorded.push(...events),
  }
  const instruments = { told, at: () => told.value?.now ?? 0, valueOf: () => undefined }
  const weighing = { usable: ref(true), readings: ref({}) }
  const scope = effectScope()
  const keys = scope.run(() =>
    useBenchKeys({
      open: open as unknown as UseBench,
      instruments: instruments as unknown as UseInstruments,
      weighing: weighing as unknown as UseWeighing,
    }),
  )!
  const press = () => keys.note({ text: 'It froths' })
  expect([press(), keys.listens.value]).toEqual([false, false])
  document.value = bench()
  expect([press(), keys.listens.value]).toEqual([false, false])
  told.value = { now: 1000 }
  expect([press(), keys.listens.value]).toEqual([true, true])
  expect(recorded).toEqual([expect.objectContaining({ what: 'noted', at: 1000 })])
  scope.stop()
})
