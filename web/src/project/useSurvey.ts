import { ref, shallowRef, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { askSurvey } from '../work/pool.ts'
import type { Survey, SurveyQuestion } from '@mivro/core/work/project'
import type { SurveyStep } from '../work/jobs.ts'

/** The shape as it lies, measured and cut open anew whenever it is asked for otherwise. */
export function useSurvey(
  question: () => SurveyQuestion | undefined,
  options: { on?: 'back' } = {},
) {
  const survey = shallowRef<Survey>()
  const problems = shallowRef<readonly Problem[]>([])
  const step = ref<SurveyStep>()
  let surveying = new AbortController()
  watch(
    () => JSON.stringify(question()),
    async () => {
      surveying.abort()
      const { signal } = (surveying = new AbortController())
      step.value = undefined
      const asked = question()
      if (!asked) return
      try {
        survey.value = await askSurvey(asked, {
          ...options,
          signal,
          onProgress: (now) => (step.value = now),
        })
        problems.value = []
      } catch (error) {
        if (!signal.aborted) problems.value = problemsOf(error)
      } finally {
        if (!signal.aborted) step.value = undefined
      }
    },
    { immediate: true },
  )

  function forget(): void {
    survey.value = undefined
    problems.value = []
  }

  return { survey, problems, step, forget }
}
