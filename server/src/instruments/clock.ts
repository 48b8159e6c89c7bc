/** What a clock is read from. */
export interface Sources {
  /** Of the machine, ms since 1970: it can be set, and jumps then. */
  wall: () => number
  /** Ticks evenly, ms. */
  even: () => number
}

const machine: Sources = { wall: () => Date.now(), even: () => performance.now() }

/** More than this between both is a machine whose clock was set, s. */
const jumped = 2

/**
 * The bench's clock, s since 1970: begun by the machine's, then even, so that setting the machine's
 * clock moves no deadline. It can run faster, for a trial.
 */
export class BenchClock {
  private from: number
  private since: number
  private wallAt: number
  private fast: number

  constructor(
    begin: number,
    private readonly sources: Sources = machine,
    speed = 1,
  ) {
    this.from = begin
    this.since = sources.even()
    this.wallAt = sources.wall()
    this.fast = speed
  }

  get speed(): number {
    return this.fast
  }

  now(): number {
    return this.from + ((this.sources.even() - this.since) / 1000) * this.fast
  }

  run(speed: number): void {
    this.from = this.now()
    this.since = this.sources.even()
    this.fast = speed
  }

  /** Begins again at the machine's time of day; answers by how much it was moved, s. */
  setRight(): number {
    const before = this.now()
    this.from = this.sources.wall() / 1000
    this.since = this.sources.even()
    this.fast = 1
    return this.from - before
  }

  /** How far the machine's clock was set since it was looked at last, s; 0 where it was not. */
  setSince(): number {
    const even = (this.sources.even() - this.since) / 1000
    const wall = (this.sources.wall() - this.wallAt) / 1000
    this.wallAt = this.sources.wall() - even * 1000
    return Math.abs(wall - even) > jumped ? wall - even : 0
  }
}
