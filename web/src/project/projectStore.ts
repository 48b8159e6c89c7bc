import { defineStore } from 'pinia'
import { computed, readonly, ref, shallowRef, watch } from 'vue'
import { readDocument } from '@mivro/core/base/document'
import { mouldSchema, newMould, withKind, type Mould, type MouldKind } from '@mivro/core/mould'
import { pieceSchema, type Piece } from '@mivro/core/form/piece'
import { newPlan, planSchema, type Plan } from '@mivro/core/work/plan'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { nextTimeNote, type Pull } from '@mivro/core/work/pull'
import { deriveMould } from '@mivro/core/work/project'
import { api, newId, type Stored } from '../api/client.ts'
import { newestOf } from '../api/sessions.ts'
import { useOpen } from '../api/useOpen.ts'
import { openName } from './openName.ts'
import { useLives } from './livesStore.ts'
import { useShelf } from './shelfStore.ts'
import { useStudio } from './studioStore.ts'
import { useDerived } from './useDerived.ts'

/** A scale where no pour says one, kg. */
const usualStep = 1e-4

/** The project that is open: its piece, the pour, the mould, what was pulled; loaded together. */
export const useProject = defineStore('project', () => {
  const shelf = useShelf()
  const studio = useStudio()
  const lives = useLives()
  const { session: piece, problems: noPiece, open: openPiece } = useOpen('pieces')
  const { session: pour, problems: noPour, open: openPour } = useOpen('plans')
  const { session: mouldSession, problems: noMould, open: openMould } = useOpen('moulds')
  watch(
    () => piece.value?.document.name,
    (name) => (openName.value = name),
    { flush: 'sync' },
  )
  const pours = shallowRef<Stored<Plan>[]>([])
  const pulls = shallowRef<Stored<Pull>[]>([])
  const moulds = shallowRef<Stored<Mould>[]>([])
  const loaded = ref(false)
  const problems = shallowRef<readonly Problem[]>([])
  const mouldProblems = shallowRef<readonly Problem[]>([])

  /** While something is dragged: the documents as they would be; nothing is saved yet. */
  const planPreview = shallowRef<Plan>()
  const mouldPreview = shallowRef<Mould>()
  const plan = computed(() => planPreview.value ?? pour.value?.document)
  const mould = computed(() => mouldPreview.value ?? mouldSession.value?.document)
  const word = computed(() => nextTimeNote(pulls.value.map((pull) => pull.document)))

  /** Where it is cut open, radians about up, and what is poured where air is looked for. */
  const turn = ref(0)
  const poured = ref<'resin' | 'silicone'>('resin')
  /** Views that look at the mould: its geometry and its air are asked for while there is one. */
  const mouldViews = ref(0)

  const derived = useDerived(
    () =>
      piece.value &&
      plan.value && {
        form: piece.value.document.form,
        plan: plan.value,
        mould: mould.value,
        shelf: shelf.materials,
        units: studio.units,
        lives: lives.lives,
      },
    {
      mould: {
        derive: deriveMould,
        looked: () => mouldViews.value > 0,
        view: () => ({ turn: turn.value, poured: poured.value }),
      },
    },
  )
  const { shown, shownMould, shape, geometry, air } = derived
  const shownPour = computed(() => shown.value?.pour)
  const ownMoulds = computed(() => mouldsOf(moulds.value))

  function lookAtMould(): () => void {
    mouldViews.value++
    return () => void mouldViews.value--
  }
  /** While a hand drags: the documents as they would be. */
  const preview = (next: Plan) => void (planPreview.value = next)
  const previewMould = (next: Mould) => void (mouldPreview.value = next)
  /** The hand lets go: what was shown last is kept. */
  const keepPreview = () => planPreview.value && changePlan(planPreview.value)
  function keepMouldPreview(): void {
    if (mouldPreview.value) changeMould({ openings: mouldPreview.value.openings })
  }
  const cutAt = (angle: number) => void (turn.value = angle)
  const pourIn = (what: 'resin' | 'silicone') => void (poured.value = what)
  const setPulls = (next: Stored<Pull>[]) => void (pulls.value = next)

  /** The views that show the project, one after the other: only the last to come closes it. */
  let visits = 0
  const enter = () => ++visits
  function leave(visit: number): void {
    if (visit === visits) close()
  }

  let opening = 0
  /**
   * Opens a piece with `pourId`, or the pour that is open of it already, or its newest, and its mould.
   * What was asked for last is shown.
   */
  async function open(id: string, pourId?: string): Promise<void> {
    const shown = piece.value?.id === id ? pour.value?.id : undefined
    if (piece.value?.id !== id) close()
    const own = ++opening
    problems.value = []
    try {
      const read = await api.project(id)
      const plans = newestOf('plans', read.plans)
      if (own !== opening) return
      const found = plans.length > 0 ? plans : [await addPour(id, newPlan('First pour'))]
      if (own !== opening) return
      shelf.take(read.materials)
      pours.value = found
      pulls.value = newestOf('pulls', read.pulls)
      moulds.value = newestOf('moulds', read.moulds)
      const make = mouldsOf(moulds.value, id)[0]
      if (mouldSession.value?.id !== make?.id) await openMould(make?.id, make)
      mouldProblems.value = noMould.value
      const kept = found.find((one) => one.id === shown)?.id
      await showPour(pourId ?? kept ?? found[found.length - 1].id, plans)
      if (own !== opening) return
      loaded.value = true
      // Last, since the views open with it.
      const opened = await openPiece(id, read.piece)
      if (!opened && own === opening) problems.value = noPiece.value
    } catch (error) {
      if (own === opening) problems.value = problemsOf(error)
    }
  }

  async function showPour(id: string, read: readonly Stored<Plan>[] = []): Promise<void> {
    const shown = await openPour(
      id,
      read.find((plan) => plan.id === id),
    )
    if (!shown && noPour.value.length > 0) problems.value = noPour.value
  }

  function close(): void {
    opening++
    void openPiece(undefined)
    void openPour(undefined)
    void openMould(undefined)
    derived.forget()
    planPreview.value = mouldPreview.value = undefined
    pours.value = pulls.value = moulds.value = []
    loaded.value = false
    turn.value = 0
  }

  const addPour = (id: string, document: Plan) => api.add('plans', newId(), document, id)

  /** The next pour of this piece begins as the one that is open. */
  async function nextPour(name: string): Promise<void> {
    const made = await addPour(piece.value!.id, { ...pour.value!.document, name })
    pours.value = [...pours.value, made]
    await showPour(made.id)
  }

  /** Takes the open pour off; another of the piece opens. A piece keeps at least one. */
  async function removePour(): Promise<string> {
    const id = pour.value!.id
    await api.remove('plans', id)
    pours.value = pours.value.filter((other) => other.id !== id)
    await showPour(pours.value[pours.value.length - 1].id)
    return id
  }

  /** Those of a list that make the open piece. */
  function mouldsOf(list: readonly Stored<Mould>[], id = piece.value?.id): Stored<Mould>[] {
    return list.filter(({ document }) => id !== undefined && document.pieces.includes(id))
  }

  async function makeMould(): Promise<void> {
    const { id, document } = piece.value!
    const { low, high } = shownPour.value!.survey.measures
    const longest = Math.max(...high.map((h, i) => h - low[i]))
    const { up, copies } = plan.value!
    const made = newMould(`Mould of ${document.name}`.slice(0, 80), id, up, longest)
    await addMould({ ...made, wish: { ...made.wish, copies } })
  }

  async function addMould(document: Mould): Promise<string> {
    const made = await api.add('moulds', newId(), document)
    moulds.value = [...moulds.value, made]
    await openMould(made.id)
    return made.id
  }

  /** Lets a mould that is there make this piece too. */
  async function adoptMould(id: string): Promise<void> {
    const opened = await openMould(id)
    if (!opened) return
    opened.edit({ ...opened.document, pieces: [...opened.document.pieces, piece.value!.id] })
    moulds.value = moulds.value.map((one) =>
      one.id === id ? { ...one, document: opened.document } : one,
    )
  }

  // Writes: what a schema refuses comes back, and nothing is changed.
  function changePlan(next: Plan): Problem | undefined {
    planPreview.value = undefined
    return checked(() => pour.value!.edit(readDocument(planSchema, next)))
  }
  const changePiece = (next: Piece): Problem | undefined =>
    checked(() => piece.value!.edit(readDocument(pieceSchema, next)))
  function changeMould(values: Partial<Mould>): Problem | undefined {
    mouldPreview.value = undefined
    const session = mouldSession.value!
    return checked(() =>
      session.edit(readDocument(mouldSchema, { ...session.document, ...values })),
    )
  }
  const chooseKind = (kind: MouldKind): Problem | undefined =>
    changeMould(withKind(mouldSession.value!.document, kind))

  return {
    piece,
    pour,
    pours,
    mouldSession,
    moulds,
    ownMoulds,
    pulls,
    setPulls,
    loaded,
    problems,
    mouldProblems,
    /** Something is dragged: what is shown is not kept yet. */
    previewing: computed(() => planPreview.value !== undefined || mouldPreview.value !== undefined),
    preview,
    previewMould,
    keepPreview,
    keepMouldPreview,
    plan,
    mould,
    word,
    turn: readonly(turn),
    cutAt,
    survey: computed(() => shape.survey.value),
    depths: computed(() => shownPour.value?.depths),
    shapeProblems: shape.problems,
    shapeStep: shape.step,
    into: computed(() => shownPour.value?.into),
    known: derived.known,
    heatQuestion: computed(() => (planPreview.value ? undefined : derived.heatQuestion.value)),
    heatKey: computed(() => (planPreview.value ? '' : derived.heatKey.value)),
    answerHeat: derived.answerHeat,
    estimated: computed(() => shownPour.value?.estimated),
    compiled: computed(() => shownPour.value?.compiled),
    compileWith: derived.compileWith,
    lookAtMould,
    scaleStep: computed(() => plan.value?.scaleStep ?? usualStep),
    silicone: computed(() => shownMould.value?.silicone),
    geometry: geometry.geometry,
    geometryStep: geometry.step,
    geometryProblem: geometry.problem,
    lookAtGeometry: geometry.look,
    stopLooking: geometry.stop,
    compiledMould: computed(() => shownMould.value?.compiled),
    castResins: computed(() => shownMould.value?.castResins ?? []),
    poured: readonly(poured),
    pourIn,
    air: air.answer,
    airProblem: air.problem,
    airBusy: air.busy,
    airLeft: computed(() => shownMould.value?.airLeft ?? []),
    judged: computed(() => shownMould.value?.judged ?? []),
    enter,
    leave,
    open,
    close,
    nextPour,
    showPour,
    removePour,
    makeMould,
    addMould,
    adoptMould,
    changePlan,
    changePiece,
    changeMould,
    chooseKind,
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
