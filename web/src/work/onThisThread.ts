import { readForm } from '@mivro/core/form/piece'
import { section } from '@mivro/core/form/filling'
import type { Hands } from './handlers.ts'
import { solidKernel } from './solidKernel.ts'
import { surveyHeld, type Survey, type SurveyQuestion } from '@mivro/core/work/project'

/** For tests: the jobs of the workers on this thread, with nothing kept between them. */
export const hands = (tell: (progress: never) => void = () => {}): Hands => ({
  cavity: (form) => readForm(form, undefined, { kernel: solidKernel }),
  file: undefined,
  tell: tell as Hands['tell'],
})

export async function surveyHere({ form, up, turn }: SurveyQuestion): Promise<Survey> {
  const cavity = await hands().cavity(form)
  return { ...surveyHeld(cavity, up), section: section(cavity.mesh, up, turn) }
}
