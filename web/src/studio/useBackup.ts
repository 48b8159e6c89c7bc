import { computed, ref, shallowRef } from 'vue'
import type { BackupJob } from '@mivro/core/base/answer'
import { canLeaveOut, packBackup, placeOfBackup, restoreBackup } from '../api/backup.ts'
import { forgetSessions } from '../api/sessions.ts'
import { useProblems } from '../ui/problems.ts'

/** What is said once, after the page was loaded anew. */
const saidKey = 'mivro.said'

function begin() {
  const { problems, trying } = useProblems()
  const job = shallowRef<BackupJob>()
  const given = shallowRef<AbortController>()
  const said = ref(sessionStorage.getItem(saidKey) ?? '')
  sessionStorage.removeItem(saidKey)

  async function run(
    work: (heard: (seen: BackupJob) => void, signal: AbortSignal) => Promise<void>,
  ): Promise<void> {
    said.value = ''
    const own = (given.value = new AbortController())
    await trying(async () => {
      try {
        await work((seen) => (job.value = seen), own.signal)
      } catch (error) {
        if (!own.signal.aborted) throw error
      }
    })
    given.value = undefined
    job.value = undefined
  }

  const save = (leaveOut = false) =>
    run(async (heard, signal) => {
      const { id } = await packBackup(leaveOut, heard, signal)
      const link = document.createElement('a')
      link.href = placeOfBackup(id, new Date())
      link.download = ''
      link.click()
    })

  const restore = (file: File) =>
    run(async (heard, signal) => {
      const { restored } = await restoreBackup(file, heard, signal)
      sessionStorage.setItem(
        saidKey,
        `${restored!.documents} documents came back from ${file.name}. What was here before is kept beside the store, as before-restore.`,
      )
      // Every page and list begins anew on the store that took the place.
      forgetSessions()
      location.reload()
    })

  return {
    problems,
    said,
    job,
    working: computed(() => given.value !== undefined),
    cancel: () => given.value?.abort(),
    canLeaveOut: computed(() => canLeaveOut(problems.value)),
    save,
    restore,
  }
}

const backup = begin()

/**
 * A backup that is packed and fetched, or one that comes in; one at a time. It goes on while another
 * view is looked at, and is found again.
 */
export const useBackup = () => backup
