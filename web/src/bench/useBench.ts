import { computed, ref, watch } from 'vue'
import {
  clockAt,
  clocksOf,
  cuesOf,
  isBegun,
  isInTime,
  lateCup,
  progressOf,
  toRead,
  type BenchEvent,
  type Clock,
} from '@mivro/core/work/bench'
import { useOpen } from '../api/useOpen.ts'
import type { UseInstruments } from './useInstruments.ts'

/** The run that is carried out: what is to do, what happened, and how its clocks stand. */
export function useBench(instruments: UseInstruments) {
  const { session, problems, open } = useOpen('benches')
  const bench = computed(() => session.value?.document)
  const progress = computed(() => (bench.value ? progressOf(bench.value) : undefined))
  const task = computed(() => progress.value?.task)
  const unread = computed(() => (bench.value && task.value ? toRead(bench.value, task.value) : []))
  const inTime = (clock: Clock) => isInTime(bench.value!, clock, instruments.valueOf('pot gauge'))
  const running = computed(() =>
    bench.value && progress.value
      ? clocksOf(bench.value, progress.value).filter((clock) => !inTime(clock))
      : [],
  )
  const clocks = computed(() => running.value.map((clock) => clockAt(clock, instruments.now.value)))
  const cues = computed(() =>
    bench.value ? cuesOf(bench.value).filter(({ clock }) => !inTime(clock)) : [],
  )
  const late = computed(() =>
    bench.value && progress.value && instruments.now.value > 0
      ? lateCup(bench.value, instruments.now.value, progress.value)
      : undefined,
  )
  const begun = computed(() => task.value !== undefined && isBegun(progress.value!, task.value))
  /** No typing while the time to pour runs. */
  const busy = computed(() => running.value.some(({ kind }) => kind === 'deadline'))

  function add(events: readonly BenchEvent[]): void {
    const document = bench.value!
    session.value!.edit({ ...document, events: [...document.events, ...events] })
  }

  /** The last thing that was recorded is taken back. */
  function undo(): void {
    const document = bench.value
    if (!document || document.events.length === 0) return
    session.value!.edit({ ...document, events: document.events.slice(0, -1) })
  }

  /** Another bench went on with it: what it recorded is what holds. */
  const overtaken = ref(0)
  watch(
    () => session.value?.theirs,
    (theirs) => {
      if (!theirs) return
      overtaken.value++
      session.value!.settle('theirs')
    },
  )

  return {
    session,
    problems,
    open,
    bench,
    progress,
    task,
    unread,
    running,
    clocks,
    cues,
    late,
    begun,
    busy,
    add,
    undo,
    overtaken,
  }
}
export type UseBench = ReturnType<typeof useBench>
