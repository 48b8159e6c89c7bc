import { reactive, watch } from 'vue'
import { Problems } from '@mivro/core/base/problem'
import type { Mould } from '@mivro/core/mould'
import type { Pull } from '@mivro/core/work/pull'
import { api, type Documents, type Path, type Stored } from './client.ts'
import { begin, type Session } from './session.ts'
import { leftBehind } from './unsent.ts'

/** The open sessions, so that the top bar can say how saving stands. */
export const openSessions = reactive(new Map<string, Session<Path>>())
const users = new Map<string, number>()
const opening = new Map<string, Promise<Session<Path>>>()

/** A session that nobody uses and that has nothing to send is ended after so long, ms. */
const idle = 20_000

/** What one tab had taken the others follow. */
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('mivro')
channel?.addEventListener(
  'message',
  ({ data }: MessageEvent<{ path: Path; stored: Stored<never> }>) => {
    openSessions.get(`${data.path}/${data.stored.id}`)?.follow(data.stored)
  },
)

/** Histories are read when what is on the screen is drawn: undo and redo of earlier visits. */
const whenCalm = (work: () => void): void => {
  if (typeof requestIdleCallback === 'undefined') setTimeout(work)
  else requestIdleCallback(work, { timeout: 2000 })
}

/**
 * Opens a document for one user, with what earlier visits could not send; `read` where it was read
 * just now. Whoever opens it calls `leave` when done. Throws `Problem` when it is not there.
 */
export async function openSession<P extends Path>(
  path: P,
  id: string,
  read?: Stored<Documents[P]>,
): Promise<Session<P>> {
  const place = `${path}/${id}`
  const used = users.get(place) ?? 0
  users.set(place, used + 1)
  try {
    const known = openSessions.get(place)
    // One that nobody used may have been changed elsewhere since: it is read anew.
    const good = known && (used > 0 || known.state !== 'saved')
    const session = good ? known : await (opening.get(place) ?? load(path, id, read))
    return session as unknown as Session<P>
  } catch (error) {
    leavePlace(place)
    throw error
  }
}

function load(path: Path, id: string, read?: Stored<Documents[Path]>): Promise<Session<Path>> {
  const place = `${path}/${id}`
  const loading = Promise.all([read ?? api.get(path, id), leftBehind(place)]).then(
    ([stored, unsent]) => {
      const heard = (written: Stored<Documents[Path]>) =>
        channel?.postMessage({ path, stored: written })
      const session = begin(path, { stored, unsent } as never, heard) as Session<Path>
      openSessions.set(place, session)
      // Where it can't be read now, undo asks for it again.
      whenCalm(() => void session.fetchEarlier().catch(() => {}))
      return session
    },
  )
  opening.set(place, loading)
  void loading.catch(() => {}).finally(() => opening.delete(place))
  return loading
}

/** A user is done with a session. */
export function leave(session: { path: Path; id: string } | undefined): void {
  if (session) leavePlace(`${session.path}/${session.id}`)
}

function leavePlace(place: string): void {
  const left = (users.get(place) ?? 1) - 1
  if (left > 0) {
    users.set(place, left)
    return
  }
  users.delete(place)
  setTimeout(() => endIfIdle(place), idle)
}

function endIfIdle(place: string): void {
  const session = openSessions.get(place)
  if (!session || users.has(place)) return
  if (session.state === 'saved') openSessions.delete(place)
  else setTimeout(() => endIfIdle(place), idle)
}

/**
 * One edit of a document that no view has open: through a session as all edits are, so that it is
 * sent later where the server is away. Resolves with what the server then has; throws the `Problem`s
 * of what it would not take.
 */
export async function editOnce<P extends Path>(
  path: P,
  id: string,
  change: (document: Documents[P]) => Documents[P],
): Promise<Documents[P]> {
  const session = await openSession(path, id)
  try {
    session.edit(change(session.document as Documents[P]))
    await taken(session as unknown as Session<Path>)
    return session.document as Documents[P]
  } finally {
    leave(session as unknown as Session<Path>)
  }
}

/** Waits until the server has what was edited. */
const taken = (session: Session<Path>): Promise<void> =>
  new Promise((done, failed) => {
    const look = () => {
      if (session.state === 'saved') done()
      else if (session.state === 'stopped') failed(new Problems([...session.refused]))
      else return false
      return true
    }
    if (look()) return
    const stop = watch(
      () => session.state,
      () => look() && stop(),
    )
  })

/**
 * A list from the server, with what this page knows better: a document that was edited here is
 * shown as edited, even when the list was read before the edit was kept.
 */
export function newestOf<P extends Path>(
  path: P,
  entries: Stored<Documents[P]>[],
): Stored<Documents[P]>[] {
  return entries.map((entry) => {
    const session = openSessions.get(`${path}/${entry.id}`) as unknown as Session<P> | undefined
    const newer = session && (session.state !== 'saved' || session.revision > entry.revision)
    return newer ? { ...entry, revision: session.revision, document: session.document } : entry
  })
}

export const listNewest = async <P extends Path>(
  path: P,
  wanted?: Parameters<typeof api.list<P>>[1],
): Promise<Stored<Documents[P]>[]> => newestOf(path, await api.list(path, wanted))

/** The pulls of all pieces that a mould makes. */
export const pullsOfMould = async ({ pieces }: Pick<Mould, 'pieces'>): Promise<Stored<Pull>[]> =>
  (await Promise.all(pieces.map((piece) => listNewest('pulls', { parent: piece })))).flat()

/** After a restore nothing that was made on the store before is kept by this page. */
export function forgetSessions(): void {
  openSessions.clear()
  users.clear()
  opening.clear()
}

/** While the page goes everything unsent is put aside at once. */
export function flushAll(): void {
  for (const session of openSessions.values()) session.flush()
}
