import { computed, reactive, ref, shallowRef } from 'vue'
import {
  edit,
  redo,
  sameDocument,
  timelineOf,
  undo,
  type Change,
  type Timeline,
} from '@mivro/core/document'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { api, Conflict, type Held, type Path, type Stored } from './client.ts'

interface Unsent<D> {
  document: D
  change: Change
}

/** How the newest change stands. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict'

const retryAfter = 1500

/** Counts gestures over all documents, so that undo finds the newest. */
let gestures = 0

/**
 * One open document that saves itself. Every gesture is one version; undo and redo are
 * versions too and reach back across sessions. Changes the server has not acknowledged are
 * also put aside in this browser, so that a closed page or a killed server loses nothing.
 */
export function keep<P extends Path>(
  path: P,
  first: Stored<Held[P]>,
  history: Parameters<typeof timelineOf<Held[P]>>[0],
) {
  type D = Held[P]
  const { id } = first
  const timeline = shallowRef<Timeline<D>>(
    history.length > 0 ? timelineOf(history) : { past: [], present: first.document, future: [] },
  )
  const revision = ref(first.revision)
  const state = ref<SaveState>('saved')
  const theirs = shallowRef<Stored<D>>()
  const touched = ref(0)
  const refused = shallowRef<readonly Problem[]>([])
  const queue: Unsent<D>[] = []
  let sending = false
  const aside = `mivro.unsent.${path}.${id}`

  function push(next: Timeline<D>, change: Change): void {
    timeline.value = next
    touched.value = ++gestures
    queue.push({ document: next.present, change })
    localStorage.setItem(aside, JSON.stringify({ basedOn: revision.value, queue }))
    void send()
  }

  async function send(): Promise<void> {
    if (sending || state.value === 'conflict') return
    sending = true
    while (queue.length > 0) {
      const { document, change } = queue[0]
      if (state.value !== 'waiting') state.value = 'saving'
      try {
        acknowledged(await api.put(path, id, revision.value, document, change))
      } catch (error) {
        if (!(await survive(error))) break
      }
    }
    sending = false
    if (queue.length > 0) return
    localStorage.removeItem(aside)
    state.value = 'saved'
  }

  function acknowledged(written: Stored<D>): void {
    revision.value = written.revision
    queue.shift()
    refused.value = []
    state.value = 'saving'
    localStorage.setItem(aside, JSON.stringify({ basedOn: revision.value, queue }))
  }

  /** True when sending goes on. */
  async function survive(error: unknown): Promise<boolean> {
    if (error instanceof Conflict) {
      const other = error.theirs as Stored<D>
      // The server was stopped after it wrote and before it answered: "theirs" is ours.
      if (
        other.revision === revision.value + 1 &&
        sameDocument(other.document, queue[0].document)
      ) {
        acknowledged(other)
        return true
      }
      theirs.value = other
      state.value = 'conflict'
      return false
    }
    const problems = problemsOf(error)
    if (problems[0].code === 'server-away' || problems[0].code === 'server-fault') {
      state.value = 'waiting'
      await new Promise((resolve) => setTimeout(resolve, retryAfter))
      return true
    }
    // The server refuses what this page took for good: say it and drop the one change.
    refused.value = problems
    queue.shift()
    return true
  }

  /**
   * After a conflict mine is written on top of theirs; where theirs is taken, that is undone at
   * once. So both are versions, and the other one is an undo or a redo away.
   */
  function settle(choice: 'mine' | 'theirs'): void {
    const other = theirs.value
    if (!other) return
    const mine = timeline.value.present
    revision.value = other.revision
    timeline.value = { past: timeline.value.past, present: other.document, future: [] }
    queue.length = 0
    theirs.value = undefined
    state.value = 'saved'
    push(edit(timeline.value, mine), 'edited')
    if (choice === 'theirs') push(undo(timeline.value), 'undone')
  }

  /** What an earlier visit could not send. */
  function recover(): void {
    const kept = localStorage.getItem(aside)
    if (kept === null) return
    const { basedOn, queue: unsent } = JSON.parse(kept) as { basedOn: number; queue: Unsent<D>[] }
    revision.value = basedOn
    for (const { document } of unsent) timeline.value = edit(timeline.value, document)
    queue.push(...unsent)
    void send()
  }
  recover()

  return reactive({
    id,
    parent: first.parent,
    document: computed(() => timeline.value.present),
    revision,
    state,
    theirs,
    refused,
    touched,
    canUndo: computed(() => timeline.value.past.length > 0),
    canRedo: computed(() => timeline.value.future.length > 0),
    edit: (next: D) => push(edit(timeline.value, next), 'edited'),
    undo: () => timeline.value.past.length > 0 && push(undo(timeline.value), 'undone'),
    redo: () => timeline.value.future.length > 0 && push(redo(timeline.value), 'redone'),
    settle,
  })
}

export type Keeper<P extends Path> = ReturnType<typeof keep<P>>

/** The open keepers, so that the top bar can say how saving stands. */
export const openKeepers = reactive(new Map<string, Keeper<Path>>())

/** Opens a document with its versions. Throws `Problem` when it is not there. */
export async function openKeeper<P extends Path>(path: P, id: string): Promise<Keeper<P>> {
  const known = openKeepers.get(`${path}/${id}`) as unknown as Keeper<P> | undefined
  if (known && known.state !== 'saved') return known
  const [first, history] = await Promise.all([api.get(path, id), api.history(path, id)])
  const keeper = keep(path, first, history)
  openKeepers.set(`${path}/${id}`, keeper as unknown as Keeper<Path>)
  return keeper
}

/**
 * A list from the server, with what this page knows better: a document that was edited here is
 * shown as edited, even when the list was read before the edit was kept.
 */
export async function listNewest<P extends Path>(
  path: P,
  parent?: string,
): Promise<Stored<Held[P]>[]> {
  return (await api.list(path, parent)).map((entry) => {
    const keeper = openKeepers.get(`${path}/${entry.id}`) as unknown as Keeper<P> | undefined
    const newer = keeper && (keeper.state !== 'saved' || keeper.revision > entry.revision)
    return newer ? { ...entry, revision: keeper.revision, document: keeper.document } : entry
  })
}
