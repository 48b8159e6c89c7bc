import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { doneMaking, tickedMaking } from '@mivro/core/work/bench'
import { earlierOpen, makingSteps } from '@mivro/core/mould'
import { listNewest } from '../../api/sessions.ts'
import { useOpen } from '../../api/useOpen.ts'
import { useProject } from '../../project/projectStore.ts'
import { useProblems } from '../../ui/problems.ts'
import { useMouldBench } from '../useMouldBench.ts'

/** The steps of making the mould, and which of them its bench has behind it. */
export function useSteps(shown: () => boolean) {
  const project = useProject()
  const { problems, trying } = useProblems()
  const { session, problems: notOpened, open } = useOpen('benches')
  const { benchOfIt, possible, begin, problems: notBegun } = useMouldBench()
  const chosen = ref(0)
  const steps = computed(() =>
    project.mould && project.compiledMould
      ? makingSteps(project.mould, project.compiledMould, project.silicone)
      : [],
  )
  watch(
    () => (shown() ? project.mouldSession?.id : undefined),
    (id) =>
      trying(async () => {
        if (id === undefined) return
        const known = await listNewest('benches', { naming: id })
        await open(known.findLast(({ document }) => document.of.id === id)?.id)
      }),
    { immediate: true },
  )
  const choose = (step: number) =>
    (chosen.value = Math.max(0, Math.min(steps.value.length - 1, step)))
  const bench = computed(() => session.value?.document)
  const done = computed(() =>
    bench.value ? doneMaking(bench.value, steps.value.length) : new Set<number>(),
  )
  /** A bench keeps the steps it was begun with. */
  const changed = computed(
    () => bench.value !== undefined && bench.value.of.revision !== project.mouldSession?.revision,
  )
  /** What went wrong at its bench. */
  const mishaps = computed(() =>
    (bench.value?.events ?? []).flatMap((event) =>
      event.what === 'wrong' ? [{ what: event.mishap, did: event.did }] : [],
    ),
  )
  /** Steps that usually come before the one that was ticked last, and are open. */
  const skipped = ref<number[]>([])
  const tick = (step: number, ticked: boolean) =>
    trying(async () => {
      if (!session.value) await open((await benchOfIt()).id)
      const document = session.value!.document
      const events = tickedMaking(document, step, ticked, dayjs().valueOf() / 1000)
      skipped.value = ticked ? earlierOpen(steps.value, step, done.value) : []
      session.value!.edit({ ...document, events })
    })
  return {
    ...{ session, steps, chosen, choose, done, skipped, mishaps, changed, tick, possible, begin },
    problems: computed(() => [...problems.value, ...notOpened.value, ...notBegun.value]),
  }
}
export type Steps = ReturnType<typeof useSteps>
