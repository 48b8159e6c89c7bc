import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { wallsOf, type Mould } from '@mivro/core/mould'
import { compile, newPlan, type Plan } from '@mivro/core/plan'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { lastWord, type Pull } from '@mivro/core/pull'
import { readDocument } from '@mivro/core/document'
import { pieceSchema, type Piece } from '@mivro/core/piece'
import { planSchema } from '@mivro/core/plan'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useOpen } from '../api/useOpen.ts'
import { useShelf } from '../shelf/shelfStore.ts'
import { useTimes } from '../pour/useTimes.ts'
import { askSurvey } from '../work/pool.ts'
import type { Survey, SurveyStep } from '../work/survey.ts'

/** The piece that is open: its documents, its shape, and the plan as compiled. */
export const usePiece = defineStore('piece', () => {
  const shelf = useShelf()
  const { session: piece, problems: noPiece, open: openPiece } = useOpen('pieces')
  const { session: plan, problems: noPlan, open: openPlan } = useOpen('plans')
  const plans = shallowRef<Stored<Plan>[]>([])
  const pulls = shallowRef<Stored<Pull>[]>([])
  const problems = shallowRef<readonly Problem[]>([])

  /** While a surface is dragged: the plan as it would be; nothing is saved yet. */
  const preview = shallowRef<Plan>()
  const turn = ref(0)

  const survey = shallowRef<Survey>()
  const shapeProblems = shallowRef<readonly Problem[]>([])
  const step = ref<SurveyStep>()

  /** The mould that is poured into; without one a usual one is taken. */
  const mould = shallowRef<Mould>()
  const walls = computed(() => wallsOf(mould.value, document.value?.mould ?? 'open'))
  const clock = useTimes()

  const document = computed(() => preview.value ?? plan.value?.document)
  const compiled = computed(() => {
    if (!document.value || !survey.value) return undefined
    return compile(document.value, survey.value.curve, shelf.materials, {
      cure: clock.cure,
      walls: walls.value,
    })
  })
  watch([compiled, clock.version], () => void clock.catchUp(), { flush: 'post' })
  const word = computed(() => lastWord(pulls.value.map((pull) => pull.document)))

  const question = computed(() => {
    if (!piece.value || !plan.value) return undefined
    return { form: piece.value.document.form, up: plan.value.document.up, turn: turn.value }
  })
  let surveying = new AbortController()
  watch(
    () => JSON.stringify(question.value),
    async () => {
      surveying.abort()
      const { signal } = (surveying = new AbortController())
      step.value = undefined
      const asked = question.value
      if (!asked) return
      try {
        survey.value = await askSurvey(asked, { signal, onProgress: (now) => (step.value = now) })
        shapeProblems.value = []
      } catch (error) {
        if (!signal.aborted) shapeProblems.value = problemsOf(error)
      } finally {
        if (!signal.aborted) step.value = undefined
      }
    },
  )

  /** The views that show the piece, one after the other: only the last to come closes it. */
  let visits = 0
  const enter = () => ++visits
  function leave(visit: number): void {
    if (visit === visits) close()
  }

  let opening = 0
  /** Opens a piece with its newest plan, or with `planId`. What was asked for last is shown. */
  async function open(id: string, planId?: string): Promise<void> {
    if (piece.value?.id !== id) close()
    const own = ++opening
    problems.value = []
    try {
      const [listed, pulled] = await Promise.all([
        listNewest('plans', { parent: id }),
        listNewest('pulls', { parent: id }),
        shelf.loaded ? undefined : shelf.load(),
      ])
      if (own !== opening) return
      const all = listed.length > 0 ? listed : [await addPlan(id, newPlan('First pour'))]
      if (own !== opening) return
      plans.value = all
      pulls.value = pulled
      await showPlan(planId ?? all[all.length - 1].id)
      if (own !== opening) return
      // Last, since the views open with it.
      const opened = await openPiece(id)
      if (!opened && own === opening) problems.value = noPiece.value
    } catch (error) {
      if (own === opening) problems.value = problemsOf(error)
    }
  }

  async function showPlan(id: string): Promise<void> {
    const shown = await openPlan(id)
    if (!shown && noPlan.value.length > 0) problems.value = noPlan.value
  }

  function close(): void {
    opening++
    void openPiece(undefined)
    void openPlan(undefined)
    survey.value = preview.value = undefined
    plans.value = pulls.value = []
    shapeProblems.value = []
    turn.value = 0
  }

  const addPlan = (id: string, document: Plan) => api.add('plans', newId(), document, id)

  /** The next plan of this piece begins as the one that is open. */
  async function nextPlan(name: string): Promise<void> {
    const id = piece.value!.id
    const made = await addPlan(id, { ...plan.value!.document, name })
    plans.value = [...plans.value, made]
    await showPlan(made.id)
  }

  /** Takes the open pour off; another of the piece opens. A piece keeps at least one. */
  async function removePlan(): Promise<string> {
    const id = plan.value!.id
    await api.remove('plans', id)
    plans.value = plans.value.filter((other) => other.id !== id)
    await showPlan(plans.value[plans.value.length - 1].id)
    return id
  }

  /** Writes a change of the plan if its schema takes it; what it refuses comes back. */
  function change(next: Plan): Problem | undefined {
    preview.value = undefined
    return checked(() => plan.value!.edit(readDocument(planSchema, next)))
  }

  function changePiece(next: Piece): Problem | undefined {
    return checked(() => piece.value!.edit(readDocument(pieceSchema, next)))
  }

  return {
    piece,
    plan,
    plans,
    pulls,
    problems,
    preview,
    turn,
    survey,
    shapeProblems,
    step,
    document,
    mould,
    walls,
    clock,
    compiled,
    word,
    enter,
    leave,
    open,
    close,
    nextPlan,
    removePlan,
    change,
    changePiece,
  }
})

function checked(write: () => void): Problem | undefined {
  try {
    write()
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}
