import { computed, ref, watch } from 'vue'
import {
  clockAt,
  clocksOf,
  cuesOf,
  lateCup,
  progressOf,
  startOf,
  toRead,
  type Bench,
  type BenchEvent,
} from '@mivro/core/bench'
import { useOpen } from '../api/useOpen.ts'
import type { UseInstruments } from './useInstruments.ts'

type Unplaced<E> = E extends BenchEvent ? Omit<E, 'at'> : never

/** The run that is carried out: what is to do, what happened, and how its clocks stand. */
export function useBench(instruments: UseInstruments) {
  const { session, problems, open } = useOpen('benches')
  const bench = computed(() => session.value?.document)
  const progress = computed(() => (bench.value ? progressOf(bench.value) : undefined))
  const task = computed(() => progress.value?.task)
  const unread = computed(() => (bench.value && task.value ? toRead(bench.value, task.value) : []))
  const running = computed(() =>
    bench.value && progress.value ? clocksOf(bench.value, progress.value) : [],
  )
  const clocks = computed(() => running.value.map((clock) => clockAt(clock, instruments.now.value)))
  const cues = computed(() => (bench.value ? cuesOf(bench.value) : []))
  const late = computed(() =>
    bench.value && progress.value && instruments.now.value > 0
      ? lateCup(bench.value, instruments.now.value, progress.value)
      : undefined,
  )
  /** The task was begun by a key of its own: the parts met, the lid was clamped. */
  const begun = computed(() => {
    const now = task.value
    if (!now) return false
    const { done, met } = progress.value!
    return done.has(startOf(now.id)) || (now.what === 'mix' && met.has(now.mix))
  })
  /** No typing while the time to pour runs. */
  const busy = computed(() => running.value.some(({ kind }) => kind === 'deadline'))

  function happened(event: Unplaced<BenchEvent>): void {
    const document = bench.value
    if (!document) return
    const next: Bench = {
      ...document,
      events: [...document.events, { ...event, at: instruments.at() } as BenchEvent],
    }
    session.value!.edit(next)
  }

  const undone = ref(0)
  /** The last thing that was recorded is taken back. */
  async function undo(): Promise<void> {
    if (!session.value || bench.value!.events.length === 0) return
    const document = bench.value!
    session.value.edit({ ...document, events: document.events.slice(0, -1) })
    undone.value++
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
    happened,
    undo,
    overtaken,
  }
}
export type UseBench = ReturnType<typeof useBench>
