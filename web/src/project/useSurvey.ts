import { shallowRef, watch } from 'vue'
import { askSurvey } from '../work/pool.ts'
import type { Survey, SurveyQuestion } from '@mivro/core/work/project'
import type { SurveyStep } from '../work/jobs.ts'
import { useJob } from '../work/useJob.ts'

/** The shape as it lies, measured and cut open anew whenever it is asked for otherwise. */
export function useSurvey(
  question: () => SurveyQuestion | undefined,
  options: { on?: 'back' } = {},
) {
  const survey = shallowRef<Survey>()
  const { progress: step, problems, run, stop } = useJob<SurveyStep>()
  watch(
    () => JSON.stringify(question()),
    async () => {
      const asked = question()
      if (!asked) return stop()
      const found = await run((heard) => askSurvey(asked, { ...options, ...heard }))
      if (found) survey.value = found
    },
    { immediate: true },
  )

  function forget(): void {
    survey.value = undefined
    problems.value = []
  }

  return { survey, problems, step, forget }
}
