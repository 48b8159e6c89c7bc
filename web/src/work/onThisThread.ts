import { readForm } from '@mivro/core/form/piece'
import { section } from '@mivro/core/form/filling'
import type { JobContext } from './handlers.ts'
import { solidKernel } from './solidKernel.ts'
import { surveyShape, type Survey, type SurveyQuestion } from '@mivro/core/work/project'

/** For tests: the jobs of the workers on this thread, with nothing kept between them. */
export const jobContext = (tell: (progress: never) => void = () => {}): JobContext => ({
  cavity: (form) => readForm(form, undefined, { kernel: solidKernel }),
  file: undefined,
  tell: tell as JobContext['tell'],
})

export async function surveyHere({ form, up, turn }: SurveyQuestion): Promise<Survey> {
  const cavity = await jobContext().cavity(form)
  return { ...surveyShape(cavity, up), section: section(cavity.mesh, up, turn) }
}
