import { ref, shallowRef, watch } from 'vue'
import dayjs from 'dayjs'
import { pullsOf } from '@mivro/core/bench'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { api } from '../api/client.ts'
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

/** Writes the log when a load is out of its moulds: each pull once, whoever writes it. */
export function useLog({ bench, session, progress }: UseBench) {
  const shelf = useShelf()
  const written = ref<Written[]>([])
  const problems = shallowRef<readonly Problem[]>([])

  async function write(): Promise<void> {
    const document = bench.value!
    const { id } = session.value!
    const out = new Set(
      progress.value!.tasks.flatMap((task) =>
        task.what === 'demould' && progress.value!.done.has(task.id) ? [task.load] : [],
      ),
    )
    const iso = (at: number) => dayjs(at * 1000).format(isoFormat)
    const found: Written[] = []
    if (!shelf.loaded) await shelf.load()
    const openedOf = (material: string) => {
      const found = shelf.materials.get(material)
      const opened = found?.kind === 'resin' ? found.opened : undefined
      return opened && Math.max(0, dayjs().diff(dayjs(opened), 'second'))
    }
    const around = { id, iso, openedOf: (material: string) => openedOf(material) || undefined }
    for (const pull of pullsOf(document, around)) {
      if (!out.has(pull.load!)) continue
      const pour = document.pours.find(({ plan }) => plan === pull.plan)!
      const own = `${id.slice(0, 40)}-${pull.load! + 1}-${document.pours.indexOf(pour) + 1}`
      await api.add('pulls', own, pull, pour.piece)
      found.push({ id: own, piece: pour.piece, name: pour.name, copies: pull.copies })
    }
    written.value = found
  }

  let writing = Promise.resolve()
  watch(
    () =>
      progress.value?.tasks.filter(
        ({ id, what }) => what === 'demould' && progress.value!.done.has(id),
      ).length ?? 0,
    (loads) => {
      if (loads === 0) return
      writing = writing.then(write).then(
        () => void (problems.value = []),
        (error: unknown) => void (problems.value = problemsOf(error)),
      )
    },
    { immediate: true },
  )
  return { written, problems }
}
