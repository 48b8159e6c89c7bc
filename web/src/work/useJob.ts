import { getCurrentScope, onScopeDispose, ref, shallowRef, type Ref } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { AskOptions } from './jobs.ts'

/**
 * Work of which only the newest counts: begun anew, the one before is given up. What the work says
 * of how far it is, and what it ran into; `first` is its progress until it says a word.
 */
export function useJob<P>(first?: P) {
  const progress = ref() as Ref<P | undefined>
  const problems = shallowRef<readonly Problem[]>([])
  let newest = new AbortController()

  /** What the work answers; undefined where it was given up or refused. */
  async function run<A>(
    work: (options: Required<Pick<AskOptions<P>, 'signal' | 'onProgress'>>) => Promise<A>,
  ) {
    newest.abort()
    const own = (newest = new AbortController())
    const { signal } = own
    problems.value = []
    progress.value = first
    const onProgress = (now: P) => void (signal.aborted || (progress.value = now))
    try {
      return await work({ signal, onProgress })
    } catch (error) {
      if (!signal.aborted) problems.value = problemsOf(error)
      return undefined
    } finally {
      if (!signal.aborted) progress.value = undefined
      // Of several questions the others are given up where one is refused.
      own.abort()
    }
  }

  /** Gives it up. */
  function stop(): void {
    newest.abort()
    progress.value = undefined
  }
  if (getCurrentScope()) onScopeDispose(stop)

  return { progress, problems, run, stop }
}
