import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { siliconeIn } from '@mivro/core/cure'
import { readDocument } from '@mivro/core/document'
import type { Silicone } from '@mivro/core/material'
import type { Vec3 } from '@mivro/core/mesh'
import { cupsSoldIn } from '@mivro/core/mix'
import {
  aboutCeilings,
  castResinOf,
  compileMould,
  findings,
  mouldSchema,
  newMould,
  withKind,
  type Mould,
  type MouldKind,
} from '@mivro/core/mould'
import { pieceSchema, type Piece } from '@mivro/core/piece'
import {
  compile,
  newPlan,
  planSchema,
  pouredInto,
  pourHeatQuestion,
  type CompiledPlan,
  type Peak,
  type Plan,
} from '@mivro/core/plan'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { lastWord, type Pull } from '@mivro/core/pull'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useOpen } from '../api/useOpen.ts'
import { askAir, askSeats } from '../work/pool.ts'
import { openName } from './openName.ts'
import { useShelf } from './shelfStore.ts'
import { useStudio } from './studioStore.ts'
import { useGeometry } from './useGeometry.ts'
import { useKnownTimes } from './useKnownTimes.ts'
import { useLatest } from './useLatest.ts'
import { useSurvey } from './useSurvey.ts'

/** A bench's room and scale where no pour says them, K and kg. */
const usual = { room: 294.15, scaleStep: 1e-4 } as const

/** The hottest of each layer by the field, and the question that was answered. */
export interface FoundHeat {
  question: string
  peaks: ReadonlyMap<string, Omit<Peak, 'by'>>
}

/** The project that is open: its piece, the pour, the mould, what was pulled; loaded together. */
export const useProject = defineStore('project', () => {
  const shelf = useShelf()
  const studio = useStudio()
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
  const word = computed(() => lastWord(pulls.value.map((pull) => pull.document)))

  // The shape, as it lies in the pour.
  const turn = ref(0)
  const held = computed(() => {
    const form = piece.value?.document.form
    return form && pour.value ? { form, up: pour.value.document.up as Vec3 } : undefined
  })
  const shape = useSurvey(() => held.value && { ...held.value, turn: turn.value })
  const seatsQuestion = computed(() => {
    const openings = mould.value?.openings ?? []
    if (!held.value || openings.length === 0) return undefined
    return { ...held.value, openings: openings.map(({ id, at, bore }) => ({ id, at, bore })) }
  })
  const seats = useLatest(() => seatsQuestion.value, askSeats)

  // The pour, as compiled.
  const standing = computed(() => {
    const found = shape.survey.value
    if (!found || !plan.value) return undefined
    return {
      up: plan.value.up as Vec3,
      lowest: found.section.origin[2],
      height: found.curve.height,
    }
  })
  const into = computed(
    () =>
      plan.value &&
      standing.value &&
      pouredInto(plan.value, mould.value, standing.value, seats.answer.value),
  )
  const known = useKnownTimes()
  const heat = shallowRef<FoundHeat>()
  const compileWith = (next: Plan, extra: { field?: FoundHeat['peaks'] } = {}): CompiledPlan => {
    const { curve, girth } = shape.survey.value!
    const options = {
      into: pouredInto(next, mould.value, standing.value!, seats.answer.value),
      girth,
      cups: cupsSoldIn(studio.units),
      times: known.times.value,
    }
    return compile(next, curve, shelf.materials, { ...options, before: known.before, ...extra })
  }
  /** By quick estimates alone: what the field is asked with. */
  const estimated = computed(() => (plan.value && into.value ? compileWith(plan.value) : undefined))
  watch(estimated, (found) => found && known.follow(found), { flush: 'post' })
  /** What the field would be asked; nothing while a hand drags or the model still answers. */
  const heatQuestion = computed(() => {
    const found = estimated.value
    if (!held.value || !found || planPreview.value || known.waiting.value) return undefined
    if (!found.layers.some(({ clock }) => clock)) return undefined
    return { form: held.value.form, pour: pourHeatQuestion(plan.value!, found) }
  })
  const heatKey = computed(() => (heatQuestion.value ? JSON.stringify(heatQuestion.value) : ''))
  const compiled = computed(() => {
    if (!estimated.value || !plan.value) return undefined
    const { question, peaks } = heat.value ?? {}
    return question !== undefined && question === heatKey.value
      ? compileWith(plan.value, { field: peaks })
      : estimated.value
  })
  // The mould.
  const mouldShown = ref(false)
  const room = computed(() => plan.value?.room ?? usual.room)
  const scaleStep = computed(() => plan.value?.scaleStep ?? usual.scaleStep)
  const silicone = computed((): Silicone | undefined => {
    const material = shelf.materials.get(mould.value?.silicone ?? '')
    // As it is in the room of the pour, with what was seen of it.
    return material?.kind === 'silicone' ? siliconeIn(material, room.value) : undefined
  })
  const geometry = useGeometry(() => {
    const form = piece.value?.document.form
    const up = mouldSession.value?.document.masterUp
    return mouldShown.value && form && up ? { form, up: up as Vec3 } : undefined
  })
  const compiledMould = computed(() =>
    mould.value && geometry.geometry.value
      ? compileMould(mould.value, geometry.geometry.value, silicone.value, scaleStep.value)
      : undefined,
  )
  /** What the pours of this piece cast, as far as contact goes. */
  const castResins = computed(() =>
    (plan.value?.layers ?? []).flatMap(({ resin }) => {
      const material = shelf.materials.get(resin ?? '')
      return material?.kind === 'resin' ? [castResinOf(material.class)] : []
    }),
  )
  const ownMoulds = computed(() => mouldsOf(moulds.value))

  // The air, asked anew while openings are dragged.
  const poured = ref<'resin' | 'silicone'>('resin')
  const airQuestion = computed(() => {
    if (!mouldShown.value || !held.value || !plan.value || !mould.value) return undefined
    const of = poured.value
    return {
      form: held.value.form,
      up: (of === 'resin' ? plan.value.up : mould.value.masterUp) as Vec3,
      turn: turn.value,
      of,
      openings: mould.value.openings.map(({ at, bore }) => ({ at: at as Vec3, bore })),
      prefills: mould.value.prefills.map(({ at }) => at as Vec3),
    }
  })
  const air = useLatest(() => airQuestion.value, askAir)
  const airLeft = computed(
    () => air.answer.value?.pockets.filter(({ prefilled }) => !prefilled) ?? [],
  )
  const judged = computed(() => {
    const found = geometry.geometry.value
    if (!mould.value || !found || !into.value) return []
    const through = plan.value?.layers.flatMap(({ inclusions }) => inclusions) ?? []
    const pockets = poured.value === 'resin' ? airLeft.value.map((p) => ({ ...p, cells })) : []
    const ceilings =
      air.answer.value && into.value.mould === 'closed' && !found.guessed
        ? aboutCeilings(air.answer.value.ceilings.area)
        : []
    return [...findings(mould.value, found, pockets, into.value.openings, through), ...ceilings]
  })

  /** The views that show the project, one after the other: only the last to come closes it. */
  let visits = 0
  const enter = () => ++visits
  function leave(visit: number): void {
    if (visit === visits) close()
  }

  let opening = 0
  /** Opens a piece with its newest pour, or with `pourId`, and its mould. What was asked for last is shown. */
  async function open(id: string, pourId?: string): Promise<void> {
    if (piece.value?.id !== id) close()
    const own = ++opening
    problems.value = []
    try {
      const [listed, pulled, all] = await Promise.all([
        listNewest('plans', { parent: id }),
        listNewest('pulls', { parent: id }),
        listNewest('moulds'),
        shelf.loaded ? undefined : shelf.load(),
      ])
      if (own !== opening) return
      const found = listed.length > 0 ? listed : [await addPour(id, newPlan('First pour'))]
      if (own !== opening) return
      pours.value = found
      pulls.value = pulled
      moulds.value = all
      const make = mouldsOf(all, id)[0]
      if (mouldSession.value?.id !== make?.id) await openMould(make?.id)
      mouldProblems.value = noMould.value
      await showPour(pourId ?? found[found.length - 1].id)
      if (own !== opening) return
      loaded.value = true
      // Last, since the views open with it.
      const opened = await openPiece(id)
      if (!opened && own === opening) problems.value = noPiece.value
    } catch (error) {
      if (own === opening) problems.value = problemsOf(error)
    }
  }

  async function showPour(id: string): Promise<void> {
    const shown = await openPour(id)
    if (!shown && noPour.value.length > 0) problems.value = noPour.value
  }

  function close(): void {
    opening++
    void openPiece(undefined)
    void openPour(undefined)
    void openMould(undefined)
    shape.forget()
    planPreview.value = mouldPreview.value = undefined
    pours.value = pulls.value = moulds.value = []
    geometry.geometry.value = air.answer.value = seats.answer.value = heat.value = undefined
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
    const { low, high } = shape.survey.value!.measures
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
    loaded,
    problems,
    mouldProblems,
    planPreview,
    mouldPreview,
    plan,
    mould,
    word,
    turn,
    survey: shape.survey,
    shapeProblems: shape.problems,
    shapeStep: shape.step,
    into,
    known,
    heat,
    heatQuestion,
    heatKey,
    estimated,
    compiled,
    compileWith,
    mouldShown,
    scaleStep,
    silicone,
    geometry: geometry.geometry,
    geometryStep: geometry.step,
    geometryProblem: geometry.problem,
    lookAtGeometry: geometry.look,
    stopLooking: geometry.stop,
    compiledMould,
    castResins,
    poured,
    air: air.answer,
    airProblem: air.problem,
    airBusy: air.busy,
    airLeft,
    judged,
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

/** The screens draw pockets by their places; sentences need none. */
const cells = new Uint32Array(0)
