import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { siliconeIn } from '@mivro/core/cure'
import type { Silicone } from '@mivro/core/material'
import {
  aboutCeilings,
  compileMould,
  findings,
  mouldSchema,
  newMould,
  withKind,
  openingFacts,
  type Mould,
  type MouldGeometry,
  type MouldKind,
} from '@mivro/core/mould'
import { readDocument } from '@mivro/core/document'
import { problemsOf, type Problem } from '@mivro/core/problem'
import type { Form } from '@mivro/core/piece'
import type { AirAnswer, AirQuestion } from '@mivro/core/cells'
import type { Vec3 } from '@mivro/core/mesh'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useOpen } from '../api/useOpen.ts'
import { usePiece } from '../piece/pieceStore.ts'
import { useShelf } from '../shelf/shelfStore.ts'
import { askAir, askGeometry } from '../work/pool.ts'

/** A bench's room where no pour says one, K. */
const usualRoom = 294.15

/** The mould of the piece that is open: its document, what is known of the piece, its air. */
export const useMould = defineStore('mould', () => {
  const piece = usePiece()
  const shelf = useShelf()

  const all = shallowRef<Stored<Mould>[]>([])
  const { session, problems: notOpened, open } = useOpen('moulds')
  const loaded = ref(false)
  const problems = shallowRef<readonly Problem[]>([])
  /** While something is dragged: the mould as it would be. */
  const preview = shallowRef<Mould>()
  const document = computed(() => preview.value ?? session.value?.document)
  watch(document, (mould) => (piece.mould = mould))
  const poured = ref<'resin' | 'silicone'>('resin')
  /** Whether a screen shows the mould: nothing is looked for while none does. */
  const shown = ref(false)

  /** Those of a list that make the open piece. */
  function mouldsOf(list: readonly Stored<Mould>[]): Stored<Mould>[] {
    const id = piece.piece?.id
    return list.filter((mould) => id !== undefined && mould.document.pieces.includes(id))
  }
  const own = computed(() => mouldsOf(all.value))

  let loading = 0
  async function load(choose?: string): Promise<void> {
    const own = ++loading
    problems.value = []
    try {
      const listed = await listNewest('moulds')
      if (own !== loading) return
      all.value = listed
      await open(choose ?? mouldsOf(listed)[0]?.id)
      if (own === loading) problems.value = notOpened.value
    } catch (error) {
      if (own === loading) problems.value = problemsOf(error)
    } finally {
      if (own === loading) loaded.value = true
    }
  }
  watch(
    () => piece.piece?.id,
    (id) => {
      loading++
      void open(undefined)
      preview.value = undefined
      air.value = geometry.value = undefined
      loaded.value = false
      if (id !== undefined) void load()
    },
  )

  async function make(): Promise<void> {
    const { id, document: made } = piece.piece!
    const { low, high } = piece.survey!.measures
    const longest = Math.max(...high.map((h, i) => h - low[i]))
    const { up, copies } = piece.document!
    const mould = newMould(`Mould of ${made.name}`.slice(0, 80), id, up, longest)
    await add({
      ...mould,
      wish: { ...mould.wish, copies },
      contact: { ...mould.contact, resin: pouredClass() },
    })
  }

  /** What the first layer is poured of, as far as contact goes. */
  function pouredClass(): Mould['contact']['resin'] {
    const id = piece.document!.layers.find(({ resin }) => resin)?.resin
    const material = shelf.materials.get(id ?? '')
    const name = material?.kind === 'resin' ? material.class : 'deep epoxy'
    return (['urethane', 'polyester'] as const).find((resin) => name.includes(resin)) ?? 'epoxy'
  }

  const chooseKind = (kind: MouldKind): Problem | undefined =>
    change(withKind(session.value!.document, kind))

  async function add(mould: Mould): Promise<string> {
    const made = await api.add('moulds', newId(), mould)
    await load(made.id)
    return made.id
  }

  /** Lets a mould that is there make this piece too. */
  async function adopt(id: string): Promise<void> {
    const opened = await open(id)
    if (!opened) return
    opened.edit({ ...opened.document, pieces: [...opened.document.pieces, piece.piece!.id] })
    all.value = all.value.map((mould) =>
      mould.id === id ? { ...mould, document: opened.document } : mould,
    )
  }

  function change(values: Partial<Mould>): Problem | undefined {
    preview.value = undefined
    try {
      session.value!.edit(readDocument(mouldSchema, { ...session.value!.document, ...values }))
      return undefined
    } catch (error) {
      return problemsOf(error)[0]
    }
  }

  const room = computed(() => piece.document?.room ?? usualRoom)
  const silicone = computed((): Silicone | undefined => {
    const material = shelf.materials.get(document.value?.silicone ?? '')
    // As it is in the room of the pour, with what was seen of it.
    return material?.kind === 'silicone' ? siliconeIn(material, room.value) : undefined
  })

  // What is known of the piece as it stands in its box.
  const geometry = shallowRef<MouldGeometry>()
  const geometryStep = ref<string>()
  const geometryProblem = shallowRef<Problem>()
  let looking = new AbortController()
  const standing = computed(() => {
    const form = piece.piece?.document.form
    const up = session.value?.document.masterUp
    return shown.value && form && up ? { form, up: up as Vec3 } : undefined
  })
  watch(
    () => JSON.stringify(standing.value),
    () => void lookAtGeometry(),
    { immediate: true },
  )
  async function lookAtGeometry(): Promise<void> {
    looking.abort()
    const { signal } = (looking = new AbortController())
    geometryStep.value = undefined
    const asked = standing.value
    if (!asked) return
    try {
      geometryProblem.value = undefined
      const onProgress = (now: string) => (geometryStep.value = now)
      geometry.value = await askGeometry(asked, { signal, onProgress })
    } catch (error) {
      if (!signal.aborted) geometryProblem.value = problemsOf(error)[0]
    } finally {
      if (!signal.aborted) geometryStep.value = undefined
    }
  }
  /** Gives up looking at the piece as it stands; what was known stays. */
  function stopLooking(): void {
    looking.abort()
    geometryStep.value = undefined
  }

  // The air, asked anew while openings are dragged: one question at a time, the newest next.
  const air = shallowRef<AirAnswer>()
  const airProblem = shallowRef<Problem>()
  const airBusy = ref(false)
  const airQuestion = computed((): (AirQuestion & { form: Form }) | undefined => {
    const form = piece.piece?.document.form
    if (!shown.value || !form || !piece.document || !document.value) return undefined
    const of = poured.value
    return {
      form,
      up: (of === 'resin' ? piece.document.up : document.value.masterUp) as Vec3,
      turn: piece.turn,
      of,
      openings: document.value.openings.map(({ at, bore }) => ({ at: at as Vec3, bore })),
      prefills: document.value.prefills.map(({ at }) => at as Vec3),
    }
  })
  let asking = false
  async function follow(): Promise<void> {
    if (asking) return
    asking = true
    try {
      for (let asked = airQuestion.value; asked;) {
        airBusy.value = true
        try {
          air.value = await askAir(asked)
          airProblem.value = undefined
        } catch (error) {
          airProblem.value = problemsOf(error)[0]
        }
        if (airQuestion.value === asked) break
        asked = airQuestion.value
      }
    } finally {
      asking = false
      airBusy.value = false
    }
  }
  watch(airQuestion, follow, { immediate: true })

  const openings = computed(() => {
    const { survey, document: plan } = piece
    if (!survey || !plan || !document.value) return []
    const over = compiled.value?.box?.over ?? document.value.box.over
    return openingFacts(
      document.value.openings,
      plan.up as Vec3,
      survey.section.origin[2],
      survey.curve,
      over,
    )
  })
  const left = computed(() => air.value?.pockets.filter(({ prefilled }) => !prefilled) ?? [])
  const compiled = computed(() => {
    if (!document.value || !geometry.value) return undefined
    return compileMould(
      document.value,
      geometry.value,
      silicone.value,
      piece.document?.scaleStep ?? 1e-4,
    )
  })
  const judged = computed(() => {
    if (!document.value || !geometry.value) return []
    const through = piece.document?.layers.flatMap(({ inclusions }) => inclusions) ?? []
    const pockets = poured.value === 'resin' ? left.value.map((p) => ({ ...p, cells })) : []
    return [
      ...findings(document.value, geometry.value, pockets, openings.value, through),
      ...(air.value && piece.document?.mould === 'closed'
        ? aboutCeilings(air.value.ceilings.area)
        : []),
    ]
  })

  return {
    all,
    own,
    session,
    loaded,
    problems,
    preview,
    document,
    poured,
    shown,
    silicone,
    geometry,
    geometryStep,
    geometryProblem,
    lookAtGeometry,
    stopLooking,
    air,
    airProblem,
    airBusy,
    left,
    openings,
    compiled,
    judged,
    load,
    make,
    add,
    adopt,
    change,
    chooseKind,
  }
})

/** The screens draw pockets by their places; sentences need none. */
const cells = new Uint32Array(0)
