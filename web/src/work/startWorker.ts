const begin = () =>
  new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'work' })

/** One that was started with the page, until somebody has a question. */
let early: Worker | undefined

export function startEarly(): void {
  early = begin()
}

export function startWorker(): Worker {
  const own = early ?? begin()
  early = undefined
  return own
}
