/** Work that waits for others on the same thing, where the browser has no locks of its own. */
const waiting = new Map<string, Promise<unknown>>()

/** Runs `work` while no other tab of this browser runs any of the same name. */
export function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  // Web Locks are missing in old browsers and on plain http from another device.
  if (typeof navigator !== 'undefined' && navigator.locks) {
    return navigator.locks.request(`mivro ${name}`, work) as Promise<T>
  }
  const before = waiting.get(name) ?? Promise.resolve()
  const own = before.then(work, work)
  waiting.set(name, own)
  void own.finally(() => waiting.get(name) === own && waiting.delete(name)).catch(() => {})
  return own
}
