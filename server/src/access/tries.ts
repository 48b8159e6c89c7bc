/** Waited after the first wrong try, s; twice as long after each further one, never longer than most. */
const first = 1
const most = 60
/** Addresses that are remembered. */
const remembered = 1000

interface Failed {
  times: number
  until: number
}

/** How often an address guessed wrong, and how long it has to wait. */
export class Tries {
  private readonly failed = new Map<string, Failed>()

  constructor(private readonly now: () => number = () => performance.now() / 1000) {}

  /** s that an address still waits. */
  waits(address: string): number {
    return Math.max(0, (this.failed.get(address)?.until ?? 0) - this.now())
  }

  /** Answers how long it waits now, s. */
  wrong(address: string): number {
    const times = (this.failed.get(address)?.times ?? 0) + 1
    const wait = Math.min(most, first * 2 ** (times - 1))
    // Whoever comes from more addresses than are remembered makes all others wait no less.
    if (this.failed.size >= remembered) this.failed.delete(this.failed.keys().next().value!)
    this.failed.set(address, { times, until: this.now() + wait })
    return wait
  }

  right(address: string): void {
    this.failed.delete(address)
  }
}
