import { computed } from 'vue'
import { readDocument } from '@mivro/core/base/document'
import { cupsSoldIn } from '@mivro/core/matter/mix'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { compileRun, offersOf, runSchema, usualHands, type Run } from '@mivro/core/work/run'
import { useOpen } from '../api/useOpen.ts'
import { useStudio } from '../project/studioStore.ts'
import { useRunPours } from '../project/useRunPours.ts'

/** The run that is open, compiled with the studio's hands and tools. */
export function useRun() {
  const studio = useStudio()
  const { session, problems: notOpened, open } = useOpen('runs')
  const run = computed(() => session.value?.document)
  const known = useRunPours(() => run.value)
  const tools = computed(() => ({ pot: studio.studio.pot, vessel: studio.studio.vessel }))
  const bench = computed(() => ({
    hands: studio.studio.hands ?? usualHands,
    tools: tools.value,
    largestCup: Math.max(...cupsSoldIn(studio.units)),
  }))
  const ready = computed(() => run.value !== undefined && !known.waiting.value)
  const compiled = computed(() =>
    run.value && ready.value ? compileRun(run.value, known.pours.value, bench.value) : undefined,
  )
  const offers = computed(() =>
    run.value && ready.value
      ? offersOf(run.value, known.pours.value, bench.value, known.others.value)
      : [],
  )

  function change(values: Partial<Run>): Problem | undefined {
    try {
      session.value!.edit(readDocument(runSchema, { ...run.value!, ...values }))
      return undefined
    } catch (error) {
      return problemsOf(error)[0]
    }
  }

  return { session, run, notOpened, open, known, tools, bench, ready, compiled, offers, change }
}

export type OpenRun = ReturnType<typeof useRun>
