import { onScopeDispose, reactive, ref, shallowRef } from 'vue'
import {
  forget,
  hear,
  instrumentNames,
  lineSchema,
  newWatched,
  readLine,
  troubleOf,
  type InstrumentName,
  type Trouble,
  type Watched,
} from '@mivro/core/work/instrument'
import { Problem } from '@mivro/core/base/problem'

/** The bench's clock as it was told last, and when that was on the page's even clock, ms. */
interface Told {
  now: number
  speed: number
  at: number
}

/** Looked at so often, ms: clocks show seconds, and the scale is drawn when it speaks. */
const beat = 200

/** Instruments as they speak, and the bench's clock. */
export function useInstruments() {
  const watched = reactive(
    Object.fromEntries(instrumentNames.map((name) => [name, newWatched()])) as Record<
      InstrumentName,
      Watched
    >,
  )
  const refusals = reactive<Partial<Record<InstrumentName, Problem>>>({})
  const told = shallowRef<Told>()
  /** The machine's clock was set by so much, s. */
  const clockSet = ref(0)
  const now = ref(0)
  const page = ref(performance.now() / 1000)
  const changed = shallowRef<{ bench: string; revision: number }>()
  const open = ref(false)

  const stream = new EventSource('/api/instruments/stream')
  stream.onopen = () => (open.value = true)
  stream.onerror = () => (open.value = false)
  stream.onmessage = ({ data }: MessageEvent<string>) => {
    const message = JSON.parse(data) as {
      line?: unknown
      clock?: { now: number; speed: number; set?: number }
      bench?: string
      revision?: number
    }
    if (message.clock) {
      told.value = { ...message.clock, at: performance.now() }
      if (message.clock.set !== undefined) clockSet.value = message.clock.set
      look()
    }
    if (message.bench !== undefined) {
      changed.value = { bench: message.bench, revision: message.revision! }
    }
    if (message.line !== undefined) take(message.line)
  }

  function take(line: unknown): void {
    const read = lineSchema.safeParse(line)
    if (!read.success) return
    const { instrument } = read.data
    try {
      watched[instrument] = hear(watched[instrument], readLine(read.data), performance.now() / 1000)
      delete refusals[instrument]
    } catch (error) {
      if (error instanceof Problem) refusals[instrument] = error
    }
  }

  /** s since 1970 by the bench's clock, however the machine's is set. */
  function at(): number {
    if (!told.value) return 0
    const { now: then, speed, at: heard } = told.value
    return then + ((performance.now() - heard) / 1000) * speed
  }
  function look(): void {
    now.value = at()
    page.value = performance.now() / 1000
  }
  const timer = setInterval(look, beat)
  onScopeDispose(() => {
    stream.close()
    clearInterval(timer)
  })

  const trouble = (name: InstrumentName, movesWithin?: number): Trouble | undefined =>
    page.value > 0 ? troubleOf(watched[name], page.value, movesWithin) : undefined

  /** What an instrument shows; nothing of one that fell silent, is off, or speaks in no unit of its own. */
  const valueOf = (name: InstrumentName): number | undefined => {
    const { last } = watched[name]
    const speaks = last?.state === 'works' && trouble(name) !== 'silent'
    return speaks && refusals[name] === undefined ? last.value : undefined
  }
  /** The scale was tared: what it showed before is no weight that fell. */
  const tared = () => (watched.scale = forget(watched.scale))

  return {
    tared,
    watched,
    refusals,
    told,
    clockSet,
    now,
    page,
    changed,
    open,
    at,
    valueOf,
    trouble,
  }
}
export type UseInstruments = ReturnType<typeof useInstruments>
