import { computed, ref, shallowRef, watch } from 'vue'
import { readDocument } from '@mivro/core/base/document'
import { formSchema, nameOfFile, type Form } from '@mivro/core/form/piece'
import { Problem, problemsOf } from '@mivro/core/base/problem'
import { largestFile, type FileUnit } from '@mivro/core/form/mesh'
import { solidSchema, type Outline2D, type Solid } from '@mivro/core/form/shape'
import type { FileReport } from '../work/handlers.ts'
import { lookAt } from '../work/pending.ts'
import { askOutline, askSurvey, inspectFile } from '../work/pool.ts'
import type { Survey } from '@mivro/core/work/project'
import type { SurveyStep } from '../work/jobs.ts'
import { isDrawing, readSvg } from '../work/readSvg.ts'
import { useJob } from '../work/useJob.ts'
import type { useNewPieceDraft } from './newPieceDraft.ts'
import type { startingMeasured } from './startingMeasures.ts'

/** The shape of a piece that is about to be made: where it comes from, and what it is. */
export function useNewForm(draft: ReturnType<typeof useNewPieceDraft>) {
  const part = <K extends 'from' | 'solid' | 'measured'>(key: K) =>
    computed({
      get: () => draft.value[key],
      set: (value) => void (draft.value = { ...draft.value, [key]: value }),
    })
  const from = part('from')
  const solid = part('solid')
  const measured = part('measured')
  const outline = shallowRef<Outline2D>()
  const file = shallowRef<File>()
  const report = shallowRef<FileReport>()
  const unit = ref<FileUnit>()
  const survey = shallowRef<Survey>()
  const { progress: step, problems, run, stop: giveUp } = useJob<SurveyStep | 'keep' | 'drawing'>()
  /** The id of the chosen file until it is uploaded. */
  let mesh = ''

  const form = computed<Form | undefined>(() => {
    if (from.value === 'sizes') return { from: 'sizes', solid: solid.value }
    if (from.value === 'measured') return measured.value
    if (!file.value) return undefined
    const fileName = file.value.name
    if (outline.value) return { from: 'outline', fileName, outline: outline.value }
    if (!report.value || !unit.value) return undefined
    return { from: 'file', mesh, fileName, unit: unit.value }
  })

  watch(
    form,
    async (asked) => {
      survey.value = undefined
      if (!asked) return
      survey.value = await run((heard) => askSurvey({ form: asked, up: [0, 0, 1], turn: 0 }, heard))
    },
    { immediate: true },
  )

  async function choose(chosen: File | undefined): Promise<void> {
    if (!chosen) return
    file.value = chosen
    report.value = unit.value = outline.value = undefined
    if (draft.value.name === '') {
      draft.value = { ...draft.value, name: nameOfFile(chosen.name) }
    }
    await run(async ({ signal }) =>
      (await isDrawing(chosen)) ? chooseDrawing(chosen, signal) : chooseMesh(chosen, signal),
    )
  }

  async function chooseDrawing(chosen: File, signal: AbortSignal): Promise<void> {
    step.value = 'drawing'
    const { paths, unit: metres } = await readSvg(chosen)
    const { loops } = await askOutline(paths, metres, signal)
    const read = readDocument(formSchema, {
      from: 'outline',
      fileName: chosen.name,
      outline: { loops, thickness: 0.006, bevel: 0 },
    })
    if (file.value === chosen && read.from === 'outline') outline.value = read.outline
  }

  async function chooseMesh(chosen: File, signal: AbortSignal): Promise<void> {
    if (chosen.size > largestFile) {
      throw new Problem('file-too-large', { bytes: chosen.size, limit: largestFile })
    }
    step.value = 'read'
    mesh = lookAt(chosen)
    const found = await inspectFile(mesh, signal)
    report.value = found
    // Only what the file says, or a size that leaves no doubt, is taken; otherwise the person says it.
    const { suggestion, named } = found
    unit.value = named ?? (suggestion.doubtful ? undefined : suggestion.unit)
  }

  function stop(): void {
    giveUp()
    clear()
  }

  function clear(): void {
    file.value = report.value = outline.value = undefined
  }

  /** Takes what its schema takes; what it refuses comes back. */
  function checked(next: Form, write: (read: Form) => void): Problem | undefined {
    try {
      write(readDocument(formSchema, next))
      return undefined
    } catch (error) {
      return problemsOf(error)[0]
    }
  }

  function takeSolid(next: Solid): Problem | undefined {
    try {
      solid.value = readDocument(solidSchema, next)
      return undefined
    } catch (error) {
      return problemsOf(error)[0]
    }
  }
  const takeMeasured = (next: typeof startingMeasured) =>
    checked(next, (read) => {
      if (read.from === 'measured') measured.value = read
    })
  const takeOutline = (next: Outline2D) =>
    checked({ from: 'outline', fileName: file.value!.name, outline: next }, (read) => {
      if (read.from === 'outline') outline.value = read.outline
    })

  return {
    from,
    solid,
    measured,
    outline,
    file,
    report,
    unit,
    survey,
    step,
    problem: computed(() => problems.value.at(0)),
    refuse: (found: Problem) => void (problems.value = [found]),
    form,
    choose,
    stop,
    clear,
    takeSolid,
    takeMeasured,
    takeOutline,
  }
}
