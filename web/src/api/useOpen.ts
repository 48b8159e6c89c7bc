import { getCurrentScope, onScopeDispose, ref, shallowRef } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { Documents, Path, Stored } from './client.ts'
import type { Session } from './session.ts'
import { leave, openSession } from './sessions.ts'

/**
 * One document that is open at a time. Asked for another before the first has come, the first is
 * let go: what is shown is always what was asked for last.
 */
export function useOpen<P extends Path>(path: P) {
  const session = shallowRef<Session<P>>()
  const problems = shallowRef<readonly Problem[]>([])
  const busy = ref(false)
  let asked = 0

  /** Resolves with the session when this is still what is asked for, else with undefined. */
  async function open(
    id: string | undefined,
    read?: Stored<Documents[P]>,
  ): Promise<Session<P> | undefined> {
    if (id !== undefined && session.value?.id === id && !busy.value) return session.value
    const own = ++asked
    show(undefined)
    problems.value = []
    busy.value = id !== undefined
    if (id === undefined) return undefined
    try {
      const opened = await openSession(path, id, read)
      if (own !== asked) {
        leave(opened)
        return undefined
      }
      session.value = opened
      return opened
    } catch (error) {
      if (own === asked) problems.value = problemsOf(error)
      return undefined
    } finally {
      if (own === asked) busy.value = false
    }
  }

  function show(next: Session<P> | undefined): void {
    leave(session.value as Session<Path> | undefined)
    session.value = next
  }

  const close = () => void open(undefined)
  if (getCurrentScope()) onScopeDispose(close)
  return { session, problems, busy, open, close }
}
