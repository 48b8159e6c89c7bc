import { shallowRef } from 'vue'
import { Problem, problemsOf } from '@mivro/core/base/problem'

/** What went wrong that nobody expected, the newest last: one place shows it. */
export const faults = shallowRef<readonly Problem[]>([])

const most = 3

/** Takes any thrown value: what has a sentence keeps it, anything else is a fault of the page. */
export function reportFault(error: unknown): void {
  if (isGivenUp(error)) return
  const found = sentencesOf(error)
  const same = (one: Problem) => found.some((other) => one.message === other.message)
  faults.value = [...faults.value.filter((one) => !same(one)), ...found].slice(-most)
}

export function dismissFaults(): void {
  faults.value = []
}

/** What the person gave up is no fault. */
const isGivenUp = (error: unknown) => error instanceof DOMException && error.name === 'AbortError'

/** What browsers say, each in its own words, of a module or its style sheet that did not come. */
const notFetched = /dynamically imported module|importing a module script|preload CSS/i

function sentencesOf(error: unknown): readonly Problem[] {
  try {
    return problemsOf(error)
  } catch {
    const message = error instanceof Error ? error.message : String(error)
    if (notFetched.test(message)) return [new Problem('view-not-fetched', {})]
    return [new Problem('page-fault', { message: message.slice(0, 200) })]
  }
}

/** Hears everything that nothing else catches. */
export function hearFaults(target: Window = window): void {
  target.addEventListener('unhandledrejection', (event) => {
    event.preventDefault()
    reportFault(event.reason)
  })
  target.addEventListener('error', (event) => {
    // The browser reports layouts that settle late as an error; nothing is wrong then.
    if (!/ResizeObserver/.test(event.message)) reportFault(event.error ?? event.message)
  })
}
