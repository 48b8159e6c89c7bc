/** Waited after the first wrong try, s; twice as long after each further one, never longer than most. */
const first = 1
const most = 60
/** Addresses that are remembered. */
const remembered = 1000

/**
 * Wrong tries from all addresses together: so many at once, and then one after so long, s. Whoever has
 * a thousand addresses guesses no sooner.
 */
const atOnce = 20
const oneEvery = 5

interface Failed {
  times: number
  until: number
}

/** How often addresses guessed wrong, and how long one has to wait. */
export class Tries {
  private readonly failed = new Map<string, Failed>()
  /** When all of `atOnce` can be tried again, s: a leaky bucket. */
  private full = -Infinity

  constructor(private readonly now: () => number = () => performance.now() / 1000) {}

  /** s that an address still waits. */
  waits(address: string): number {
    const own = (this.failed.get(address)?.until ?? 0) - this.now()
    const all = this.full - (atOnce - 1) * oneEvery - this.now()
    return Math.max(0, own, all)
  }

  /** Answers how long it waits now, s. */
  wrong(address: string): number {
    const times = (this.failed.get(address)?.times ?? 0) + 1
    const wait = Math.min(most, first * 2 ** (times - 1))
    // Whoever comes from more addresses than are remembered makes all others wait no less.
    if (this.failed.size >= remembered) this.failed.delete(this.failed.keys().next().value!)
    this.failed.set(address, { times, until: this.now() + wait })
    this.full = Math.max(this.full, this.now()) + oneEvery
    return wait
  }

  right(address: string): void {
    this.failed.delete(address)
    this.full -= oneEvery
  }
}
