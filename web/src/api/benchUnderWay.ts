/** A bench that is not finished, and where it is carried out. */
export interface BenchUnderWay {
  id: string
  path: string
}

const place = 'mivro bench'

/** The bench that was opened on this device last and is not finished: its clock is seen everywhere. */
export function benchUnderWay(): BenchUnderWay | undefined {
  try {
    const { id, path } = JSON.parse(localStorage.getItem(place) ?? '{}') as Partial<BenchUnderWay>
    return typeof id === 'string' && path?.startsWith('/') ? { id, path } : undefined
  } catch {
    return undefined
  }
}

/** A browser that keeps nothing shows no clock elsewhere; the bench itself loses nothing. */
export function keepBench(bench: BenchUnderWay): void {
  try {
    localStorage.setItem(place, JSON.stringify(bench))
  } catch {
    // See above.
  }
}

export function forgetBench(): void {
  try {
    localStorage.removeItem(place)
  } catch {
    // See above.
  }
}
