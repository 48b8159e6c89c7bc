import { computed, reactive, ref, shallowRef } from 'vue'
import {
  edit,
  readDocument,
  redo,
  sameDocument,
  timelineOf,
  undo,
  type Change,
  type Revision,
  type Timeline,
} from '@mivro/core/base/document'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { api, Conflict, type Documents, type Page, type Path, type Stored } from './client.ts'
import { schemaOf } from './kinds.ts'
import { knownEpoch } from './request.ts'
import { putAside, putAsideAtOnce, storageProblem, type LeftBehind, type Unsent } from './unsent.ts'
import { alone } from './writer.ts'

/** How the newest change stands. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'stopped'

const retryAfter = 1500

/** Fewer steps back than this, and earlier versions are fetched before they are asked for. */
const fewLeft = 5

/** What passes by itself: the server is away, busy, full, or not allowed to write. */
const passing = new Set([
  'server-away',
  'server-fault',
  'store-locked',
  'store-full',
  'store-read-only',
  'store-gone',
  'store-in-use',
])

/** Counts gestures over all documents, so that undo finds the newest. */
let gestures = 0
export const gesture = (): number => ++gestures

export interface Opened<D> {
  stored: Stored<D>
  /** The newest versions, and where older ones begin; read when the page is calm if not given. */
  history?: Page<Revision<D>>
  /** What tabs that are gone could not send. */
  unsent: LeftBehind[]
}

/**
 * One open document that saves itself. Every gesture is one version; undo and redo are versions
 * too and reach back across sessions. What the server has not acknowledged is put aside in this
 * browser, so that a closed page or a killed server loses nothing. `heard` is told each version
 * that the server took.
 */
export function begin<P extends Path>(
  path: P,
  { stored: first, history, unsent }: Opened<Documents[P]>,
  heard: (written: Stored<Documents[P]>) => void = () => {},
) {
  type D = Documents[P]
  interface Step {
    document: D
    change: Change
  }
  const { id } = first
  const place = `${path}/${id}`
  const versions: Step[] = [...(history?.items ?? [])]
  const newest = history?.items.at(-1)
  const timeline = shallowRef<Timeline<D>>(
    newest ? timelineOf(history!.items) : { past: [], present: first.document, future: [] },
  )
  const revision = ref(Math.max(first.revision, newest?.revision ?? 0))
  const unread = first.revision > 1 ? String(first.revision + 1) : undefined
  const earlier = ref(history ? history.next : unread)
  const state = ref<SaveState>('saved')
  const theirs = shallowRef<Stored<D>>()
  const touched = ref(0)
  const refused = shallowRef<readonly Problem[]>([])
  const queue: Step[] = []
  const backlog = [...unsent]
  /** What of an earlier visit waits for the person to choose. */
  let undecided: LeftBehind | undefined
  let sending = false

  const aside = (): Unsent => ({
    epoch: knownEpoch(),
    basedOn: revision.value,
    changes: queue.map(({ document, change }) => ({ document, change })),
    at: Date.now(),
  })

  function step(next: Timeline<D>, change: Change): void {
    timeline.value = next
    versions.push({ document: next.present, change })
    queue.push({ document: next.present, change })
  }

  function push(next: Timeline<D>, change: Change): void {
    step(next, change)
    touched.value = gesture()
    void putAside(place, aside())
    void send()
  }

  async function send(): Promise<void> {
    if (sending || state.value === 'conflict' || state.value === 'stopped') return
    sending = true
    if (state.value === 'saved') state.value = 'saving'
    // One writer for all tabs of this browser: their versions follow one another. Who has to
    // wait lets the others.
    while ((await alone(place, sendAll)) === 'later') {
      await new Promise((resolve) => setTimeout(resolve, retryAfter))
    }
    sending = false
    if (queue.length > 0) return
    void putAside(place, undefined)
    state.value = 'saved'
    nextOfBacklog()
  }

  async function sendAll(): Promise<'done' | 'later'> {
    while (queue.length > 0) {
      const { document, change } = queue[0]
      if (state.value !== 'waiting') state.value = 'saving'
      try {
        acknowledged(await api.put(path, id, revision.value, document, change))
      } catch (error) {
        const next = handleSendError(error)
        if (next !== 'on') return next
      }
    }
    return 'done'
  }

  function acknowledged(written: Stored<D>): void {
    revision.value = written.revision
    queue.shift()
    refused.value = []
    state.value = 'saving'
    void putAside(place, queue.length > 0 ? aside() : undefined)
    heard(written)
  }

  /** Whether sending goes on, is over for now, or is tried again later. */
  function handleSendError(error: unknown): 'on' | 'done' | 'later' {
    if (error instanceof Conflict) {
      const other = error.theirs as Stored<D>
      // The server was stopped after it wrote and before it answered: "theirs" is ours.
      if (
        other.revision === revision.value + 1 &&
        sameDocument(other.document, queue[0].document)
      ) {
        acknowledged(other)
        return 'on'
      }
      theirs.value = other
      state.value = 'conflict'
      return 'done'
    }
    const problems = problemsOf(error)
    if (passing.has(problems[0].code)) {
      state.value = 'waiting'
      refused.value = problems[0].code.startsWith('store-') ? problems : []
      return 'later'
    }
    refused.value = problems
    if (problems[0].code === 'store-replaced' || problems[0].code === 'store-damaged') {
      // What is unsent stays put aside: the next visit offers it.
      state.value = 'stopped'
      return 'done'
    }
    // The server refuses what this page took for good: say it and drop the one change.
    queue.shift()
    void putAside(place, queue.length > 0 ? aside() : undefined)
    return 'on'
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
    const decided = undecided
    undecided = undefined
    if (decided) void putAside(place, aside()).then(() => forget(decided))
  }

  /** Another tab of this browser had a version taken: it is followed while nothing waits here. */
  function follow(written: Stored<D>): void {
    if (queue.length > 0 || sending || written.revision <= revision.value) return
    revision.value = written.revision
    timeline.value = edit(timeline.value, written.document)
    versions.push({ document: written.document, change: 'edited' })
  }

  /** What an earlier visit could not send, one tab's changes after the other's. */
  function nextOfBacklog(): void {
    const next = backlog.shift()
    if (!next) return
    const read = next.changes.flatMap(({ document, change }): Step[] => {
      try {
        return [{ document: readDocument(schemaOf(path), document) as D, change }]
      } catch {
        return []
      }
    })
    if (read.length === 0) {
      next.forget()
      return nextOfBacklog()
    }
    // From a store that a backup has replaced its numbers mean nothing: the person chooses.
    const stale = next.epoch !== undefined && next.epoch !== knownEpoch()
    const before: Stored<D> = {
      ...first,
      revision: revision.value,
      document: timeline.value.present,
    }
    for (const { document } of read) step(edit(timeline.value, document), 'edited')
    touched.value = gesture()
    if (stale) {
      theirs.value = before
      state.value = 'conflict'
      undecided = next
      return
    }
    revision.value = next.basedOn
    void putAside(place, aside()).then(() => forget(next))
    void send()
  }
  /** It lies under this tab's own name now; where the browser keeps nothing it stays where it is. */
  function forget(left: LeftBehind): void {
    if (!storageProblem.value) left.forget()
  }
  nextOfBacklog()

  let fetching: Promise<void> | undefined
  const fetchEarlier = () => (fetching ??= readEarlier().finally(() => (fetching = undefined)))
  async function readEarlier(): Promise<void> {
    const before = earlier.value
    if (before === undefined) return
    const page = await api.history(path, id, before)
    versions.unshift(...page.items)
    earlier.value = page.next
    timeline.value = timelineOf(
      versions.map((version, i) => ({ ...version, revision: i + 1, at: '' })),
    )
  }

  async function undoOnce(): Promise<void> {
    if (timeline.value.past.length === 0) await fetchEarlier()
    if (timeline.value.past.length === 0) return
    push(undo(timeline.value), 'undone')
    if (timeline.value.past.length < fewLeft) await fetchEarlier()
  }

  return reactive({
    path,
    id,
    parent: first.parent,
    document: computed(() => timeline.value.present),
    revision,
    state,
    theirs,
    refused,
    touched,
    canUndo: computed(() => timeline.value.past.length > 0 || earlier.value !== undefined),
    canRedo: computed(() => timeline.value.future.length > 0),
    /** What undo would go back to, to say what it is. */
    before: computed(() => timeline.value.past.at(-1)),
    edit: (next: D) => push(edit(timeline.value, next), 'edited'),
    undo: undoOnce,
    redo: () => timeline.value.future.length > 0 && push(redo(timeline.value), 'redone'),
    fetchEarlier,
    settle,
    follow,
    /** While the page goes: what is unsent, in the one way that is quick enough. */
    flush: () => queue.length > 0 && putAsideAtOnce(place, aside()),
  })
}

export type Session<P extends Path> = ReturnType<typeof begin<P>>
