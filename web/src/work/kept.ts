import { createStore, del, get, set, update, type UseStore } from 'idb-keyval'
import { bytesIn } from './bytes.ts'

/** All answers that are kept over visits, and the largest of one, bytes. */
const most = { all: 400e6, one: 80e6 } as const

/** What is written waits so long, ms: while a hand drags nothing is written. */
const calm = 800

interface Entry {
  bytes: number
  usedAt: number
}
type Index = Map<string, Entry>
const indexKey = 'index'

let store: UseStore | undefined
/** One store for every version of the computation: what an older one found is of no use. */
const stored = () => (store ??= createStore('mivro-answers', 'answers'))

const waiting = new Map<string, unknown>()
let timer: ReturnType<typeof setTimeout> | undefined
/** What was read is noted as used with the next write. */
const used = new Set<string>()

/**
 * An answer of an earlier visit. Where the browser keeps nothing there is none: that is never a
 * fault of the question.
 */
export async function kept(key: string): Promise<unknown> {
  if (waiting.has(key)) return waiting.get(key)
  try {
    const found = await get<{ answer: unknown }>(versioned(key), stored())
    if (found) used.add(versioned(key))
    return found?.answer
  } catch {
    return undefined
  }
}

/** Keeps an answer for the next visit, when the page is calm. */
export function keep(key: string, answer: unknown): void {
  if (bytesIn(answer) > most.one) return
  waiting.set(key, answer)
  clearTimeout(timer)
  timer = setTimeout(() => void write(), calm)
}

/** Writes what waits, and drops what was used longest ago where that is too much. */
export async function write(): Promise<void> {
  clearTimeout(timer)
  const entries = [...waiting]
  waiting.clear()
  try {
    for (const [key, answer] of entries) await set(versioned(key), { answer }, stored())
    let gone: string[] = []
    await update<Index>(
      indexKey,
      (before) => {
        const index: Index = new Map(before)
        const now = Date.now()
        for (const key of used) {
          const entry = index.get(key)
          if (entry) index.set(key, { ...entry, usedAt: now })
        }
        for (const [key, answer] of entries) {
          index.set(versioned(key), { bytes: bytesIn(answer), usedAt: now })
        }
        gone = dropped(index)
        for (const key of gone) index.delete(key)
        return index
      },
      stored(),
    )
    used.clear()
    for (const key of gone) await del(key, stored())
  } catch {
    // A full or forbidden storage keeps nothing: the answer is reckoned anew next time.
  }
}

/** What has to go, the longest unused first; all that an older version found goes at once. */
function dropped(index: Index): string[] {
  const own = `${version} `
  const gone = [...index.keys()].filter((key) => !key.startsWith(own))
  const left = [...index]
    .filter(([key]) => key.startsWith(own))
    .sort(([, a], [, b]) => a.usedAt - b.usedAt)
  let sum = left.reduce((all, [, { bytes }]) => all + bytes, 0)
  for (const [key, { bytes }] of left) {
    if (sum <= most.all) break
    gone.push(key)
    sum -= bytes
  }
  return gone
}

/** Which computation found it: the same question may be answered otherwise by a newer one. */
const version = typeof __COMPUTATION__ === 'undefined' ? 'unbuilt' : __COMPUTATION__
const versioned = (key: string) => `${version} ${key}`
