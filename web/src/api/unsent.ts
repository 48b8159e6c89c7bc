import { createStore, del, entries, set, type UseStore } from 'idb-keyval'
import { shallowRef } from 'vue'
import type { Change } from '@mivro/core/base/document'
import { Problem } from '@mivro/core/base/problem'
import { newId } from './newId.ts'

/** Changes of one document that one tab has not sent, in their order. */
export interface Unsent {
  /** The store they were made on. */
  epoch: string | undefined
  basedOn: number
  changes: { document: unknown; change: Change }[]
  at: number
}

/** What a tab that is gone left; `forget` once it is this tab's own, or the server has it. */
export interface LeftBehind extends Unsent {
  forget: () => void
}

/** Put aside in haste, synchronously, while a page goes: taken over by the next visit. */
const hasty = 'mivro.unsent.'

/** This tab, among those of one browser. */
export const tab = newId().slice(0, 8)

/** What kept changes from being put aside: they are still sent, but a closed page would lose them. */
export const storageProblem = shallowRef<Problem>()

let store: UseStore | undefined
const stored = () => (store ??= createStore('mivro', 'unsent'))

const keyOf = (document: string, of = tab) => `${document} ${of}`
const ownerOf = (key: string) => key.slice(key.lastIndexOf(' ') + 1)
const documentOf = (key: string) => key.slice(0, key.lastIndexOf(' '))

/** Writes follow one another, so that an older one never ends last. */
let last: Promise<void> = Promise.resolve()

/** Puts a tab's changes aside, or takes them away when there are none. */
export function putAside(document: string, unsent: Unsent | undefined): Promise<void> {
  last = last.then(async () => {
    try {
      if (unsent) await set(keyOf(document), unsent, stored())
      else await del(keyOf(document), stored())
      storageProblem.value = undefined
    } catch (error) {
      if (unsent) storageProblem.value = problemOf(error)
    }
  })
  return last
}

/** While the page goes there is no time for anything but this. */
export function putAsideAtOnce(document: string, unsent: Unsent): void {
  try {
    localStorage.setItem(hasty + keyOf(document), JSON.stringify(unsent))
  } catch (error) {
    storageProblem.value = problemOf(error)
  }
}

/**
 * What tabs that are gone have left of a document, the oldest first. It stays where it lies until it
 * is forgotten: a page that closes before it has sent it loses nothing.
 */
export async function leftBehind(document: string): Promise<LeftBehind[]> {
  const alive = await tabsAlive()
  const found = new Map<string, LeftBehind>()
  try {
    for (const [key, value] of await entries<string, unknown>(stored())) {
      if (documentOf(key) !== document || alive.has(ownerOf(key))) continue
      const forget = () => void del(key, stored()).catch(() => {})
      if (isUnsent(value)) found.set(key, { ...value, forget })
      else forget()
    }
  } catch (error) {
    storageProblem.value = problemOf(error)
  }
  for (const [key, value, forget] of hastilyLeft(document, alive)) {
    const calm = found.get(key)
    // What was put aside in haste is newer than what was put aside in peace.
    found.set(key, {
      ...value,
      forget: () => {
        calm?.forget()
        forget()
      },
    })
  }
  return [...found.values()].sort((a, b) => a.at - b.at)
}

function hastilyLeft(
  document: string,
  alive: ReadonlySet<string>,
): [key: string, unsent: Unsent, forget: () => void][] {
  try {
    const keys = Object.keys(localStorage).filter((key) => key.startsWith(hasty))
    return keys.flatMap((place): [string, Unsent, () => void][] => {
      const key = place.slice(hasty.length)
      const own = ownerOf(key) === tab
      if (documentOf(key) !== document || (alive.has(ownerOf(key)) && !own)) return []
      const value = parsed(localStorage.getItem(place))
      const forget = () => localStorage.removeItem(place)
      if (isUnsent(value)) return [[key, value, forget]]
      forget()
      return []
    })
  } catch {
    return []
  }
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null')
  } catch {
    return undefined
  }
}

/** Whatever lies in the browser's storage may be garbage. */
function isUnsent(value: unknown): value is Unsent {
  const { basedOn, changes, at } = (value ?? {}) as Partial<Unsent>
  return typeof basedOn === 'number' && typeof at === 'number' && Array.isArray(changes)
}

const aliveName = (of: string) => `mivro-tab ${of}`

/** Each tab holds a lock with its name for as long as it lives; without locks only this one does. */
async function tabsAlive(): Promise<Set<string>> {
  const held = (await navigator.locks?.query())?.held ?? []
  const names = held.map(({ name }) => name ?? '').filter((name) => name.startsWith(aliveName('')))
  return new Set([...names.map((name) => name.slice(aliveName('').length)), tab])
}
void navigator.locks?.request(aliveName(tab), () => new Promise(() => {}))

function problemOf(error: unknown): Problem {
  const reason = error instanceof Error ? error.message || error.name : String(error)
  return new Problem('browser-storage', { reason })
}
