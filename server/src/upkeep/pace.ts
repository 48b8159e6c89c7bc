/** A transaction of upkeep takes about so long, ms: requests wait for no more. */
const slice = 40
const fewest = 1
const most = 5000

/** How many things are done in one transaction, so that none takes much longer than a slice. */
export class Pace {
  /** Things of the next transaction. */
  size: number

  constructor(first: number) {
    this.size = first
  }

  /** Does one transaction's work of at most `size` things, and learns from how long it took. */
  async keep<T>(work: (size: number) => Promise<T>): Promise<T> {
    const start = performance.now()
    const done = await work(this.size)
    const taken = performance.now() - start
    const fits = Math.floor((this.size * slice) / Math.max(1, taken))
    // Not more than doubled: the next things can be heavier.
    this.size = Math.max(fewest, Math.min(most, 2 * this.size, fits))
    return done
  }
}
