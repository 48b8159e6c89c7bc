import { EventEmitter } from 'node:events'
import { readDocument } from '@mivro/core/base/document'
import {
  act,
  advance,
  instrumentNames,
  instruments as rates,
  lineOf,
  newWorld,
  shifted,
  worldSchema,
  type Act,
  type InstrumentName,
  type Line,
  type World,
} from '@mivro/core/work/instrument'
import type { Resin } from '@mivro/core/matter/material'
import type { Store } from '../db/store.ts'
import { BenchClock, type Sources } from './clock.ts'

/** What goes out to a page: a reading, or how the clock goes. */
export type Message =
  | { line: Line }
  | { clock: { now: number; speed: number; set?: number } }
  | { bench: string; revision: number }

/** The world is looked at so often while somebody listens, ms. */
const beat = 50
/** The clock is told again so often, and the world written down, ms. */
const everyClock = 1000
const everyWriting = 5000
/** A bridge that spoke so lately speaks for its instrument, ms. */
const bridged = 5000
/** How much faster than the day a trial may run. */
export const fastest = 120

/** The stand-ins at the bench: one world for all pages, that outlives the server. */
export class Instruments {
  private readonly heard = new EventEmitter()
  private readonly spoke = new Map<InstrumentName, number>()
  private readonly bridges = new Map<InstrumentName, number>()
  private timer: NodeJS.Timeout | undefined
  private told = 0
  private written = 0
  private resin: Resin | undefined

  private constructor(
    private readonly store: Store,
    private world: World,
    private readonly clock: BenchClock,
    private readonly random: () => number,
  ) {
    this.heard.setMaxListeners(200)
  }

  /** As it stood when it was written down last, and by so much later as has passed since. */
  static async open(
    store: Store,
    sources: Sources = { wall: () => Date.now(), even: () => performance.now() },
    random: () => number = Math.random,
  ): Promise<Instruments> {
    const kept = await store.transaction(async (tx) => tx('world').where({ id: 1 }).first())
    const wall = sources.wall() / 1000
    const found = kept ? read(kept.body) : undefined
    const speed = found?.speed ?? 1
    const begin = found ? found.world.at + Math.max(0, wall - found.wall) * speed : wall
    const world = found?.world ?? newWorld(wall)
    return new Instruments(store, world, new BenchClock(begin, sources, speed), random)
  }

  /** The world as it is now, and its clock. */
  look(): { world: World; speed: number } {
    this.follow()
    return { world: this.world, speed: this.clock.speed }
  }

  async do(done: Act, resin?: Resin): Promise<World> {
    this.follow()
    if (resin) this.resin = resin
    this.world = act(this.world, done, this.resin)
    await this.write()
    return this.world
  }

  async run(speed: number): Promise<void> {
    this.follow()
    this.clock.run(speed)
    this.tellClock()
    await this.write()
  }

  /** After a trial in fast time: by the time of day again. */
  async setRight(): Promise<void> {
    this.follow()
    this.world = shifted(this.world, this.clock.setRight())
    this.tellClock()
    await this.write()
  }

  /** A real instrument behind a bridge said something: its stand-in is silent meanwhile. */
  bridge(line: Line): void {
    this.bridges.set(line.instrument, performance.now())
    this.say({ line })
  }

  /** Somebody went on with a bench. */
  changed(bench: string, revision: number): void {
    this.say({ bench, revision })
  }

  /** Readings from now on; answers how to stop. */
  listen(hear: (message: Message) => void): () => void {
    this.heard.on('said', hear)
    this.timer ??= setInterval(() => this.speak(), beat)
    hear({ clock: { now: this.clock.now(), speed: this.clock.speed } })
    return () => {
      this.heard.off('said', hear)
      if (this.heard.listenerCount('said') > 0) return
      clearInterval(this.timer)
      this.timer = undefined
    }
  }

  /** Everybody is told to go; the world is written down. */
  async end(): Promise<void> {
    clearInterval(this.timer)
    this.heard.emit('end')
    await this.write()
  }

  onEnd(go: () => void): () => void {
    this.heard.once('end', go)
    return () => this.heard.off('end', go)
  }

  private follow(): void {
    const now = this.clock.now()
    if (now > this.world.at) this.world = advance(this.world, now - this.world.at)
  }

  private speak(): void {
    this.follow()
    const now = performance.now()
    for (const name of instrumentNames) {
      const due = now - (this.spoke.get(name) ?? -Infinity) >= 1000 / rates[name].rate - beat / 2
      const real = now - (this.bridges.get(name) ?? -Infinity) < bridged
      if (!due || real) continue
      this.spoke.set(name, now)
      const line = lineOf(this.world, name, this.random)
      if (line) this.say({ line: { ...line, at: new Date().toISOString() } })
    }
    if (now - this.told > everyClock) this.tellClock()
    if (now - this.written > everyWriting) void this.write().catch(() => {})
  }

  private tellClock(): void {
    this.told = performance.now()
    const set = this.clock.setSince()
    const clock = { now: this.clock.now(), speed: this.clock.speed }
    this.say({ clock: set === 0 ? clock : { ...clock, set } })
  }

  private say(message: Message): void {
    this.heard.emit('said', message)
  }

  private async write(): Promise<void> {
    this.written = performance.now()
    const kept = { world: this.world, speed: this.clock.speed, wall: Date.now() / 1000 }
    const row = { id: 1, body: JSON.stringify(kept) }
    await this.store.transaction((tx) => tx('world').insert(row).onConflict('id').merge())
  }
}

/** What was written down, unless it is of another version: then a world begins anew. */
function read(body: string): { world: World; speed: number; wall: number } | undefined {
  try {
    const { world, speed, wall } = JSON.parse(body) as {
      world: unknown
      speed: number
      wall: number
    }
    return { world: readDocument(worldSchema, world), speed, wall }
  } catch {
    return undefined
  }
}
