import { shallowRef } from 'vue'
import { changed, type Changeable } from '@mivro/core/learn/diagnosis'
import type { Vec3 } from '@mivro/core/form/mesh'
import type { Change, ChangeName, Pull } from '@mivro/core/work/pull'
import type { Run } from '@mivro/core/work/run'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { sayChange } from '@mivro/words/diagnosis'
import { api, newId, type Stored } from '../api/client.ts'
import { editOnce } from '../api/sessions.ts'
import { useProject } from '../project/projectStore.ts'
import { now } from '../ui/dates.ts'
import type { Pointed } from './usePullFacts.ts'

/** What can be changed because of a fault, and how it is taken into the next pour. */
export function useChanges(pull: () => Pull, change: (values: Partial<Pull>) => void) {
  const project = useProject()
  const run = shallowRef<Stored<Run>>()
  const problems = shallowRef<readonly Problem[]>([])

  /** The run that a bench carried out: found by the bench that wrote the pull. */
  async function load(): Promise<void> {
    const { bench } = pull()
    run.value = undefined
    if (bench === undefined) return
    try {
      const { document } = await api.get('benches', bench)
      if (document.of.what === 'run') run.value = await api.get('runs', document.of.id)
    } catch {
      // Bench or run are gone: what they would have changed is said in words.
    }
  }

  const of = (): Changeable => ({
    plan: project.pours.at(-1)?.document,
    mould: project.mould,
    run: run.value?.document,
  })
  /** Whether a change is made in a document, or can only be noted. */
  const made = (what: ChangeName, { pin }: Pointed): boolean =>
    changed(what, of(), 'x', pin?.at as Vec3 | undefined) !== undefined

  async function take(what: ChangeName, cause: string, { fault, pin }: Pointed): Promise<void> {
    try {
      const id = newId()
      const at = pin?.at as Vec3 | undefined
      const next = changed(what, of(), id, at)
      if (next?.mould) project.changeMould(next.mould)
      if (next?.plan) await intoNextPour(next.plan)
      if (next?.run && run.value) {
        const { run: changedRun } = next
        const document = await editOnce('runs', run.value.id, () => changedRun)
        run.value = { ...run.value, document }
      }
      const taken: Change = { id, what, fault, cause, at: at && [...at], takenAt: now() }
      const words = sayChange(taken)
      const { nextTime, changes = [] } = pull()
      change({
        changes: [...changes, taken],
        nextTime: next ? nextTime : [nextTime, words].filter(Boolean).join('\n'),
      })
      problems.value = []
    } catch (error) {
      problems.value = problemsOf(error)
    }
  }

  /** A pour that was poured stays as it was: the change goes into the next. */
  async function intoNextPour(plan: NonNullable<Changeable['plan']>): Promise<void> {
    const newest = project.pours.at(-1)!
    if (newest.id === pull().plan) {
      await project.nextPour(`Pour ${project.pours.length + 1}`)
    } else if (project.pour?.id !== newest.id) {
      await project.showPour(newest.id)
    }
    const { name } = project.plan!
    project.changePlan({ ...plan, name })
  }

  return { load, made, take, problems }
}
