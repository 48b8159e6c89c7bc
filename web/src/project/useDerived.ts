import { computed, shallowRef, watch } from 'vue'
import {
  compileWith,
  derivePour,
  type deriveMould,
  type FoundHeat,
  type ProjectAnswers,
  type ProjectDocuments,
  type ProjectView,
} from '@mivro/core/work/project'
import type { CompiledPlan, Plan } from '@mivro/core/work/plan'
import { askAir, askDepths, askSeats } from '../work/pool.ts'
import { useGeometry } from './useGeometry.ts'
import { useCureTimes } from './useCureTimes.ts'
import { steady, useLatest } from './useLatest.ts'
import { useSurvey } from './useSurvey.ts'

interface Options {
  /** Who answers: what stands before the person, or what may wait. */
  on?: 'back'
  /** The mould too, where it is looked at: a card knows nothing of it. */
  mould?: { derive: typeof deriveMould; looked: () => boolean; view: () => ProjectView }
}

/**
 * A piece with its pour and its mould as they are shown: `derive` says what it would like to know,
 * here it is asked of the workers and fed back.
 */
export function useDerived(
  documents: () => ProjectDocuments | undefined,
  { on, mould }: Options = {},
) {
  const answers = shallowRef<
    Pick<ProjectAnswers, 'survey' | 'seats' | 'depths' | 'geometry' | 'air'>
  >({})
  const known = useCureTimes(on ?? 'clock')
  const heat = shallowRef<FoundHeat>()
  const all = computed((): ProjectAnswers => ({
    ...answers.value,
    times: known.times.value,
    before: known.before,
    heat: heat.value,
  }))
  const derived = computed(() => {
    const found = documents()
    return found && derivePour(found, all.value)
  })
  const wanted = computed(() => derived.value?.wanted)
  const ofMould = computed(() => {
    const found = documents()
    if (!mould || !found?.mould) return undefined
    const pour = derived.value?.shown.pour
    return mould.derive({ ...found, mould: found.mould }, all.value, mould.view(), pour)
  })
  const looked = () => mould?.looked() === true

  const shape = useSurvey(
    () => wanted.value && { ...wanted.value.held, turn: mould?.view().turn ?? 0 },
    { on },
  )
  const seatsQuestion = steady(() => wanted.value?.seats)
  const seats = useLatest(
    () => seatsQuestion.value,
    (question) => askSeats(question, { on }),
  )
  const depthsQuestion = steady(() => wanted.value?.depths)
  const depths = useLatest(
    () => depthsQuestion.value,
    (question) => askDepths(question, { on }),
  )
  const geometry = useGeometry(() => (looked() ? ofMould.value?.wanted.geometry : undefined))
  const airQuestion = steady(() => (looked() ? ofMould.value?.wanted.air : undefined))
  const air = useLatest(() => airQuestion.value, askAir)
  watch(
    [shape.survey, seats.answer, depths.answer, geometry.geometry, air.answer, looked],
    ([survey, seats, depths, geometry, air, shown]) => {
      // A mould that nobody looks at is not compiled anew with every move of a layer.
      answers.value = shown ? { survey, seats, depths, geometry, air } : { survey, seats, depths }
    },
    { flush: 'sync' },
  )
  watch(
    () => derived.value?.shown.pour?.estimated,
    (found) => found && known.follow(found),
    { flush: 'post', immediate: true },
  )

  /** What the field would be asked; nothing while the model still answers. */
  const heatQuestion = computed(() => (known.waiting.value ? undefined : wanted.value?.heat))

  /** Another project: nothing of the one before is shown with it. */
  function forget(): void {
    shape.forget()
    seats.answer.value =
      depths.answer.value =
      geometry.geometry.value =
      air.answer.value =
      heat.value =
        undefined
  }

  return {
    shown: computed(() => derived.value?.shown),
    shownMould: computed(() => ofMould.value?.shown),
    shape,
    known,
    geometry,
    air,
    heatQuestion,
    heatKey: computed(() => (heatQuestion.value ? wanted.value!.heatKey : '')),
    answerHeat: (found: FoundHeat) => (heat.value = found),
    compileWith: (plan: Plan): CompiledPlan => compileWith(documents()!, all.value, plan),
    forget,
  }
}
export type UseDerived = ReturnType<typeof useDerived>
