import { computed, ref, watch } from 'vue'
import {
  press,
  type BenchPress,
  type BenchReadings,
  type LayOutItem,
  type Mishap,
  type MishapRemedy,
  type TouchMark,
} from '@mivro/core/work/bench'
import { sayRefusal } from '@mivro/words/bench'
import { useStudio } from '../project/studioStore.ts'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import type { UseWeighing } from './useWeighing.ts'

/** Two presses within so long are one: a pedal bounces, ms. */
const bounce = 250

interface Parts {
  open: UseBench
  instruments: UseInstruments
  weighing: UseWeighing
}

/** The keys of the bench: what each does is core's, here they are listened to and answered in words. */
export function useBenchKeys({ open: bench, instruments, weighing }: Parts) {
  const studio = useStudio()
  const message = ref('')
  const bounces = ref(false)
  /** What is pressed is recorded with the bench's time: before its clock is told no key does anything. */
  const ready = computed(
    () => bench.bench.value !== undefined && instruments.told.value !== undefined,
  )
  /** The large key listens: a moment after a press it does again. */
  const listens = computed(() => ready.value && !bounces.value)
  /** What was refused last, of which task: pressed again it is meant so. */
  let refusedLast = ''
  const forget = () => {
    message.value = ''
    refusedLast = ''
  }
  watch(() => bench.task.value?.id, forget)
  // What was wrong with the scale is over.
  watch(weighing.usable, (usable) => usable && (message.value = ''))

  const readings = (): BenchReadings => ({
    ...weighing.readings.value,
    potGauge: instruments.valueOf('pot gauge'),
    vacuumGauge: instruments.valueOf('vacuum gauge'),
    room: instruments.valueOf('room thermometer'),
    humidity: instruments.valueOf('hygrometer'),
    cup: instruments.valueOf('cup thermometer'),
  })

  /** Whether it did anything. */
  function pressed(key: BenchPress): boolean {
    if (!ready.value) return false
    const document = bench.bench.value!
    const about = `${key.key} ${bench.task.value?.id}`
    const asked = refusedLast === about ? ({ ...key, again: true } as BenchPress) : key
    const { events, refusal } = press(document, readings(), asked, instruments.at())
    message.value = refusal ? sayRefusal(refusal, studio.units) : ''
    refusedLast = refusal ? about : ''
    if (events.length > 0) bench.add(events)
    if (events.some(({ what }) => what === 'tared')) instruments.tared()
    return refusal === undefined
  }

  function main(): void {
    if (!listens.value) return
    bounces.value = true
    setTimeout(() => (bounces.value = false), bounce)
    pressed({ key: 'main' })
  }
  function byHand(): void {
    if (pressed({ key: 'by hand' })) weighing.switchHand()
  }
  function undo(): void {
    forget()
    bench.undo()
  }

  return {
    main,
    steady: () => pressed({ key: 'steady' }),
    tick: (item: LayOutItem) => pressed({ key: 'tick', item }),
    tare: () => pressed({ key: 'tare' }),
    otherBottle: () => pressed({ key: 'other bottle' }),
    takeAsItIs: () => pressed({ key: 'as it is' }),
    byHand,
    skip: () => pressed({ key: 'skip' }),
    lost: () => pressed({ key: 'lost' }),
    stillPours: () => pressed({ key: 'still pours' }),
    touch: (mix: number, mark: TouchMark) => pressed({ key: 'touch', mix, mark }),
    note: (note: { text: string; picture?: string }) => pressed({ key: 'note', ...note }),
    wrong: (wrong: { mishap: Mishap; did: MishapRemedy; mix?: number }) =>
      pressed({ key: 'wrong', ...wrong }),
    undo,
    message,
    listens,
  }
}
