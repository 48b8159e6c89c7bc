import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { benchOfMould, progressOf, type Bench } from '@mivro/core/work/bench'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import { useProblems } from '../ui/problems.ts'

/** Carries out a mould at the bench: the one that is under way, else a new one. */
export function useMouldBench() {
  const project = useProject()
  const studio = useStudio()
  const router = useRouter()
  const { problems, trying } = useProblems()
  const busy = ref(false)
  const possible = computed(
    () => project.compiledMould !== undefined && project.silicone !== undefined && !busy.value,
  )

  /** The bench that is under way, else a new one. */
  async function benchOfIt(): Promise<Stored<Bench>> {
    const session = project.mouldSession!
    const { id, revision } = session
    const known = await listNewest('benches', { naming: id })
    const open = known.findLast(
      ({ document }) => document.of.id === id && !progressOf(document).finished,
    )
    return (
      open ??
      (await api.add(
        'benches',
        newId(),
        benchOfMould({
          id,
          revision,
          mould: session.document,
          compiled: project.compiledMould!,
          silicone: project.silicone!,
          room: project.plan!.room,
          step: project.scaleStep,
          gauge: studio.studio.vessel?.gauge,
        }),
      ))
    )
  }
  async function make(): Promise<void> {
    const bench = await benchOfIt()
    await router.push({ name: 'mould-bench', params: { id: project.piece!.id, bench: bench.id } })
  }

  async function begin(): Promise<void> {
    if (busy.value) return
    busy.value = true
    await trying(make)
    busy.value = false
  }
  return { possible, benchOfIt, begin, problems }
}
