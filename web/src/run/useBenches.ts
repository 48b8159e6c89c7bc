import { computed, shallowRef } from 'vue'
import { benchOfRun, progressOf, type Bench } from '@mivro/core/work/bench'
import { cupsSoldIn } from '@mivro/core/matter/mix'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useStudio } from '../project/studioStore.ts'
import type { OpenRun } from './useRun.ts'

/** The benches of a run: the one that is still carried out, and how one is begun. */
export function useBenches({ session, run, known, compiled, tools }: OpenRun) {
  const studio = useStudio()
  const benches = shallowRef<Stored<Bench>[]>([])
  const load = async (id: string) => {
    benches.value = (await listNewest('benches', { naming: id })).filter(
      ({ document: { of } }) => of.id === id,
    )
  }
  const unfinished = computed(() =>
    benches.value.findLast(({ document }) => !progressOf(document).finished),
  )
  /** Everything that a bench needs is there. */
  const ready = computed(() => (compiled.value?.loads.length ?? 0) > 0)

  async function begin(): Promise<string> {
    const { id, revision } = session.value!
    const bench = benchOfRun({
      id,
      revision,
      run: run.value!,
      compiled: compiled.value!,
      tools: tools.value,
      cups: cupsSoldIn(studio.units),
      pours: known.benchPours(run.value!),
    })
    const made = await api.add('benches', newId(), bench)
    benches.value = [...benches.value, made]
    return made.id
  }

  return { benches, unfinished, ready, load, begin }
}
