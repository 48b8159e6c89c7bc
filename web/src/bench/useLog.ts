import { computed, ref, shallowRef, watch } from 'vue'
import dayjs from 'dayjs'
import { mergedPull, progressOf, pullsOf } from '@mivro/core/work/bench'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { Pull } from '@mivro/core/work/pull'
import { api } from '../api/client.ts'
import { editOnce } from '../api/sessions.ts'
import { useShelf } from '../project/shelfStore.ts'
import { isoFormat } from '../ui/dates.ts'
import type { UseBench } from './useBench.ts'

/** A pull that the bench wrote, and whose it is. */
export interface Written {
  id: string
  piece: string
  name: string
  copies: number
}

/**
 * Writes the log when a load is out of its moulds, each pull once, whoever writes it; and again when
 * something is recorded or taken back afterwards.
 */
export function useLog({ bench, session }: UseBench) {
  const shelf = useShelf()
  const written = ref<Written[]>([])
  const problems = shallowRef<readonly Problem[]>([])
  /** What was written last, by the pull's id. */
  const last = new Map<string, Pull>()

  const openedOf = (material: string): number | undefined => {
    const found = shelf.materials.get(material)
    const opened = found?.kind === 'resin' ? found.opened : undefined
    return opened ? Math.max(0, dayjs().diff(dayjs(opened), 'second')) || undefined : undefined
  }

  /** Pulls of the loads that are out, as the bench tells them now. */
  const told = computed(() => {
    const document = bench.value
    const id = session.value?.id
    if (!document || id === undefined) return []
    const { tasks, done } = progressOf(document)
    const out = new Set(
      tasks.flatMap((task) => (task.what === 'demould' && done.has(task.id) ? [task.load] : [])),
    )
    if (out.size === 0) return []
    const iso = (at: number) => dayjs(at * 1000).format(isoFormat)
    return pullsOf(document, { id, iso, openedOf }).flatMap((pull) => {
      if (!out.has(pull.load!)) return []
      const pour = document.pours.find(({ plan }) => plan === pull.plan)!
      const own = `${id.slice(0, 40)}-${pull.load! + 1}-${document.pours.indexOf(pour) + 1}`
      return [{ id: own, pull, pour }]
    })
  })

  /** A pull that is there already is left as it is. */
  const addOnce = (id: string, pull: Pull, piece: string) =>
    api.add('pulls', id, pull, piece).catch((error: unknown) => {
      if (!problemsOf(error).some(({ code }) => code === 'id-taken')) throw error
    })

  async function write(): Promise<void> {
    if (!shelf.loaded) await shelf.load()
    const all = told.value
    for (const { id, pull, pour } of all) {
      const before = last.get(id)
      if (before === undefined) await addOnce(id, pull, pour.piece)
      // Somebody else's, or of an earlier visit: what it holds besides stays.
      await editOnce('pulls', id, (kept) => mergedPull(kept, pull, before))
      last.set(id, pull)
    }
    written.value = all.map(({ id, pull, pour }) => {
      return { id, piece: pour.piece, name: pour.name, copies: pull.copies }
    })
  }

  let writing = Promise.resolve()
  watch(
    () => JSON.stringify(told.value),
    (pulls) => {
      if (pulls === '[]') return
      writing = writing.then(write).then(
        () => void (problems.value = []),
        (error: unknown) => void (problems.value = problemsOf(error)),
      )
    },
    { immediate: true },
  )
  return { written, problems }
}
