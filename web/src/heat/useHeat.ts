import { computed, ref, shallowRef, watch } from 'vue'
import { useIntervalFn, watchDebounced } from '@vueuse/core'
import type { HeatField, Quantity } from '@mivro/core/matter/cure'
import { kindAt } from '@mivro/core/matter/cure'
import { hottestOf } from '@mivro/core/work/plan'
import type { Vec3 } from '@mivro/core/form/mesh'
import { useProject } from '../project/projectStore.ts'
import { askHeat } from '../work/pool.ts'
import { useJob } from '../work/useJob.ts'

/** Settled for so long, ms, before the field is followed anew. */
const settled = 250

/** A run through the whole pour takes so many seconds. */
const runTime = 12
const tick = 60

/** Points that are followed side by side. */
const mostPoints = 3

/** The field of the open pour, followed anew whenever it changes, and the moment looked at. */
export function useHeat(active: () => boolean) {
  const project = useProject()
  const field = shallowRef<HeatField>()
  const answered = ref('')
  const { progress, problems, run, stop } = useJob(0)
  const givenUp = ref(false)
  const what = ref<Quantity>('temperature')
  const at = ref(0)
  const points = shallowRef<Vec3[]>([])
  const chosen = { moment: false, points: false }

  const question = computed(() => (active() ? project.heatQuestion : undefined))
  const key = computed(() => (question.value ? project.heatKey : ''))
  // What was asked of a pour that has changed since is of no interest any more.
  watch(key, stop)
  const stale = computed(() => key.value !== answered.value)

  async function follow(): Promise<void> {
    const asked = question.value
    const mine = key.value
    if (!asked || mine === answered.value) return
    givenUp.value = false
    const found = await run((heard) => askHeat(asked, heard))
    if (!found) return
    field.value = found
    answered.value = mine
    project.answerHeat({ question: mine, peaks: hottestOf(project.estimated!, found) })
    // Until a moment or a point is chosen, what is hottest is looked at.
    if (!chosen.moment) at.value = hottest.value?.hot.at ?? 0
    points.value = points.value.filter((place) => kindAt(found, place) !== 'air')
    if (!chosen.points || points.value.length === 0) {
      points.value = hottest.value ? [hottest.value.hot.place] : []
    }
  }
  watchDebounced(key, () => void follow(), { debounce: settled, immediate: true })

  function giveUp(): void {
    stop()
    givenUp.value = true
  }

  /** The layer that gets hottest, by its 95th percentile. */
  const hottest = computed(() => {
    const layers = field.value?.layers.filter(({ series }) => series.at.length > 0) ?? []
    return layers.reduce<(typeof layers)[number] | undefined>(
      (best, layer) => (!best || layer.hot.temperature > best.hot.temperature ? layer : best),
      undefined,
    )
  })

  const end = computed(() => field.value?.frames.at(-1)?.at ?? 0)
  const play = useIntervalFn(
    () => {
      at.value = Math.min(end.value, at.value + (end.value * tick) / 1000 / runTime)
      if (at.value >= end.value) play.pause()
    },
    tick,
    { immediate: false },
  )
  function lookAt(moment: number): void {
    chosen.moment = true
    at.value = Math.min(end.value, Math.max(0, moment))
  }
  function togglePlay(): void {
    chosen.moment = true
    if (play.isActive.value) return play.pause()
    if (at.value >= end.value) at.value = 0
    play.resume()
  }
  watch(active, (now) => !now && play.pause())

  function show(quantity: Quantity): void {
    what.value = quantity
  }

  function addPoint(place: Vec3): void {
    if (!field.value || kindAt(field.value, place) === 'air') return
    points.value = [...(chosen.points ? points.value : []), place].slice(-mostPoints)
    chosen.points = true
  }
  function movePoint(index: number, place: Vec3): void {
    if (!field.value || kindAt(field.value, place) === 'air') return
    chosen.points = true
    points.value = points.value.map((old, i) => (i === index ? place : old))
  }
  function removePoint(index: number): void {
    points.value = points.value.filter((_, i) => i !== index)
  }

  return {
    field,
    stale,
    progress,
    givenUp,
    problems,
    what,
    at,
    points,
    hottest,
    playing: play.isActive,
    follow,
    show,
    giveUp,
    lookAt,
    togglePlay,
    addPoint,
    movePoint,
    removePoint,
  }
}

export type Heat = ReturnType<typeof useHeat>
