import { ref, watch } from 'vue'
import { startOf, type LayOutItem, type TouchMark } from '@mivro/core/bench'
import { show } from '@mivro/core/units'
import { grams } from '@mivro/words/bench'
import { sayProblem } from '@mivro/words/problem'
import { problemsOf } from '@mivro/core/problem'
import { api } from '../api/client.ts'
import { useStudio } from '../project/studioStore.ts'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import type { UseWeighing } from './useWeighing.ts'

/** A pot with less than this left is open, Pa. */
const open = 5e3
/** At pressure from this share of it on. */
const nearly = 0.95
/** Two presses within so long are one: a pedal bounces, ms. */
const bounce = 250

interface Parts {
  open: UseBench
  instruments: UseInstruments
  weighing: UseWeighing
  say: (text: string, how: { at: number; urgent: boolean }) => void
}

/** What each key of the bench does. */
export function useBenchKeys({ open: bench, instruments, weighing }: Parts) {
  const studio = useStudio()
  const message = ref('')
  watch(
    () => bench.task.value?.id,
    () => (message.value = ''),
  )
  // What was wrong with the scale is over.
  watch(weighing.usable, (usable) => usable && (message.value = ''))
  let pressed = -Infinity

  async function main(): Promise<void> {
    const { task, unread, late, begun, bench: document } = bench
    if (!document.value || performance.now() - pressed < bounce) return
    pressed = performance.now()
    if (late.value) return lost()
    const now = task.value
    if (!now) return
    message.value = ''
    if (unread.value.length > 0) return bench.happened({ what: 'read', task: now.id })
    switch (now.what) {
      case 'lay out': {
        const ticked = document.value.events.flatMap((event) =>
          event.what === 'ticked' && event.task === now.id ? [event.item] : [],
        )
        const next = now.items.find(({ what }) => !ticked.includes(what))
        if (next) return tick(next.what)
        measureRoom()
        return finish()
      }
      case 'weigh':
        if (weighing.toPlace.value && !weighing.byHand.value) return tare()
        return weigh('as wanted')
      case 'mix':
        if (!begun.value) {
          measureRoom()
          return bench.happened({ what: 'done', task: startOf(now.id) })
        }
        return finish()
      case 'lid': {
        const gauge = instruments.valueOf('pot gauge')
        if (!begun.value) return bench.happened({ what: 'done', task: startOf(now.id) })
        if (gauge !== undefined && gauge < nearly * now.gauge) {
          message.value = `The gauge shows ${show(gauge, 'pressure', studio.units)} yet. It has to come to ${show(now.gauge, 'pressure', studio.units)}.`
          return
        }
        return finish(gauge)
      }
      case 'release': {
        const gauge = instruments.valueOf('pot gauge')
        if (gauge !== undefined && gauge > open) {
          message.value = `The gauge still shows ${show(gauge, 'pressure', studio.units)}. Let it off first; the clamps stay shut.`
          return
        }
        return finish()
      }
      case 'vacuum':
        return finish(instruments.valueOf('vacuum gauge'))
      default:
        return finish()
    }
  }

  function finish(gauge?: number): void {
    const task = bench.task.value!.id
    bench.happened(gauge === undefined ? { what: 'done', task } : { what: 'done', task, gauge })
  }

  function weigh(how: 'as wanted' | 'as it is'): void {
    const { task, weighed, usable, byHand, inCup, steady } = weighing
    const now = task.value
    const stands = weighed.value
    if (!now || !stands) return
    if (!usable.value) {
      message.value = 'The scale can’t be trusted now. Mend it, or weigh by hand (H).'
      return
    }
    if (!byHand.value && !steady.value) {
      message.value = 'The scale has not settled yet.'
      return
    }
    if (how === 'as wanted' && (stands.state === 'pouring' || stands.state === 'empty')) {
      message.value = `${grams(stands.toGo, now, studio.units)} are still to go. Pour on, or take it as it is (K).`
      return
    }
    if (stands.past && !stands.past.fits) {
      message.value =
        'This cup no longer stirs it all. Pour it into a larger one, then press again.'
      if (how === 'as wanted' && !warned.value) {
        warned.value = now.id
        return
      }
    }
    bench.happened({
      what: 'done',
      task: now.id,
      weighed: inCup.value,
      by: byHand.value ? 'hand' : 'scale',
    })
  }
  const warned = ref('')

  /** What is in the cup came out of the other bottle: it counts as that part, and this one is still to come. */
  function otherBottle(): void {
    const other = weighing.otherPart.value
    const { inCup, byHand, usable } = weighing
    if (!other || !usable.value || !(inCup.value > 0)) return
    bench.happened({
      what: 'done',
      task: other.id,
      weighed: inCup.value,
      by: byHand.value ? 'hand' : 'scale',
    })
  }

  async function tare(): Promise<void> {
    const task = weighing.task.value
    if (!task) return
    try {
      await api.act({ do: 'tare' })
      instruments.tared()
      bench.happened({ what: 'tared', task: task.id })
      message.value = ''
    } catch (error) {
      message.value = sayProblem(problemsOf(error)[0], studio.units)
    }
  }

  /** The room is written down when a cup is mixed, from what stands there. */
  function measureRoom(): void {
    const room = instruments.valueOf('room thermometer')
    const humidity = instruments.valueOf('hygrometer')
    if (room !== undefined || humidity !== undefined) {
      bench.happened({ what: 'room', room, humidity })
    }
  }

  const tick = (item: LayOutItem): void =>
    bench.happened({ what: 'ticked', task: bench.task.value!.id, item })
  const takeAsItIs = (): void => weigh('as it is')
  function byHand(): void {
    if (weighing.task.value) weighing.byHand.value = !weighing.byHand.value
  }
  function skip(): void {
    const { value: task } = bench.task
    if (task) bench.happened({ what: 'skipped', task: task.id })
  }
  function lost(): void {
    const { value: late } = bench.late
    if (late) bench.happened({ what: 'lost', mix: late.mix })
  }
  function stillPours(): void {
    const { value: late } = bench.late
    if (late) bench.happened({ what: 'kept', mix: late.mix })
  }
  const undo = async (): Promise<void> => {
    message.value = ''
    await bench.undo()
  }
  const touch = (mix: number, mark: TouchMark): void =>
    bench.happened({
      what: 'touched',
      mix,
      mark,
      temperature: instruments.valueOf('cup thermometer'),
    })
  const note = ({ text, picture }: { text: string; picture?: string }): void =>
    bench.happened({ what: 'noted', text, picture })

  return {
    main,
    tick,
    tare,
    otherBottle,
    takeAsItIs,
    byHand,
    skip,
    lost,
    stillPours,
    undo,
    touch,
    note,
    message,
  }
}
