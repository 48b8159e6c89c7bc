import { computed, shallowRef, watch } from 'vue'
import type { Bench } from '@mivro/core/bench'
import type { CureLaw } from '@mivro/core/cure'
import type { Resin } from '@mivro/core/material'
import type { Vec3 } from '@mivro/core/mesh'
import type { Mould } from '@mivro/core/mould'
import type { Piece } from '@mivro/core/piece'
import { compile, pouredInto, type Plan } from '@mivro/core/plan'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { needsOf, sizeAs, type OtherResin, type Run, type RunPour } from '@mivro/core/run'
import { cupsSoldIn } from '@mivro/core/mix'
import type { Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useKnownTimes } from './useKnownTimes.ts'
import { useShelf } from './shelfStore.ts'
import { useStudio } from './studioStore.ts'
import { askLaw, askSeats, askSurvey } from '../work/pool.ts'
import type { Survey } from '../work/survey.ts'

/** What is read of a piece once: its shape and how its gates sit. */
interface Read {
  survey: Survey
  seats: Awaited<ReturnType<typeof askSeats>> | undefined
}

/** The pieces of a run with their pours and moulds, as the run needs them. */
export function useRunPours(run: () => Run | undefined) {
  const shelf = useShelf()
  const studio = useStudio()
  const pieces = shallowRef<Stored<Piece>[]>([])
  const plans = shallowRef(new Map<string, Stored<Plan>[]>())
  const moulds = shallowRef<Stored<Mould>[]>([])
  const read = shallowRef(new Map<string, Read>())
  const laws = shallowRef(new Map<string, CureLaw>())
  const problems = shallowRef<readonly Problem[]>([])
  const known = useKnownTimes('back')
  const loaded = shallowRef(false)

  async function load(): Promise<void> {
    const [listed, made] = await Promise.all([
      listNewest('pieces'),
      listNewest('moulds'),
      shelf.loaded ? undefined : shelf.load(),
    ])
    pieces.value = listed
    moulds.value = made
    loaded.value = true
  }

  const planOf = (pour: Run['pours'][number]) => {
    const all = plans.value.get(pour.piece) ?? []
    return all.find(({ id }) => id === pour.plan) ?? all.at(-1)
  }
  const storedMouldOf = (piece: string) =>
    moulds.value.find(({ document }) => document.pieces.includes(piece))
  const mouldOf = (piece: string) => storedMouldOf(piece)?.document
  const readKey = (piece: string, plan: Plan) => JSON.stringify([piece, plan.up])

  /** Pours of pieces that were not read yet are read, one after the other. */
  async function readAll(): Promise<void> {
    for (const pour of run()?.pours ?? []) {
      const piece = pieces.value.find(({ id }) => id === pour.piece)
      if (!piece) continue
      try {
        if (!plans.value.has(piece.id)) {
          const found = await listNewest('plans', { parent: piece.id })
          plans.value = new Map(plans.value).set(piece.id, found)
        }
        const plan = planOf(pour)?.document
        if (!plan || read.value.has(readKey(piece.id, plan))) continue
        const { form } = piece.document
        const up = plan.up as Vec3
        const survey = await askSurvey({ form, up, turn: 0 }, { on: 'back' })
        const openings = mouldOf(piece.id)?.openings ?? []
        const seats =
          openings.length > 0
            ? await askSeats({
                form,
                up,
                openings: openings.map(({ id, at, bore }) => ({ id, at, bore })),
              })
            : undefined
        read.value = new Map(read.value).set(readKey(piece.id, plan), { survey, seats })
        problems.value = []
      } catch (error) {
        problems.value = problemsOf(error)
      }
    }
  }
  watch(
    () => [loaded.value, JSON.stringify(run()?.pours.map(({ piece, plan }) => [piece, plan]))],
    () => loaded.value && void readAll(),
    { immediate: true },
  )

  const compiled = computed(() =>
    (run()?.pours ?? []).map((pour) => {
      const plan = planOf(pour)?.document
      const found = plan && read.value.get(readKey(pour.piece, plan))
      if (!plan || !found) return undefined
      const { curve, girth, section } = found.survey
      const mould = mouldOf(pour.piece)
      const standing = {
        up: plan.up as Vec3,
        lowest: section.origin[2],
        height: curve.height,
      }
      const into = pouredInto(plan, mould, standing, found.seats)
      const times = known.times.value
      const options = { into, girth, times, before: known.before, cups: cupsSoldIn(studio.units) }
      return { pour, plan, mould, found, compiled: compile(plan, curve, shelf.materials, options) }
    }),
  )
  watch(
    compiled,
    (all) => {
      const there = all.flatMap((one) => one?.compiled ?? [])
      const layers = there.flatMap((one) => one.layers)
      known.follow({ layers, wanted: there.flatMap(({ wanted }) => wanted) })
    },
    { flush: 'post' },
  )

  // How each resin of the shelf cures, by its sheet and what was seen of it.
  const resins = computed(() =>
    [...shelf.materials.values()].filter((one): one is Resin => one.kind === 'resin'),
  )
  watch(
    resins,
    async (all) => {
      for (const resin of all) {
        const key = JSON.stringify(resin)
        if (laws.value.has(key)) continue
        const found = await askLaw(resin).catch(() => undefined)
        if (found) laws.value = new Map(laws.value).set(key, found.law)
      }
    },
    { immediate: true },
  )
  const lawOf = (resin: Resin) => laws.value.get(JSON.stringify(resin))

  /** Not all of it is known yet. */
  const waiting = computed(
    () =>
      !loaded.value ||
      known.waiting.value ||
      compiled.value.some(
        (one) =>
          problems.value.length === 0 &&
          (!one || one.compiled.layers.some(({ batch }) => batch && !lawOf(batch.resin))),
      ),
  )
  const pours = computed((): RunPour[] =>
    compiled.value.flatMap((one) => {
      if (!one) return []
      const { pour, plan, mould, found } = one
      const wanted = one.compiled.layers.flatMap(({ batch }) => (batch ? [batch.resin] : []))
      if (!wanted.every(lawOf)) return []
      const name = pieces.value.find(({ id }) => id === pour.piece)?.document.name ?? ''
      const size = sizeAs(found.survey.measures, plan.up)
      const about = {
        name,
        plan,
        compiled: one.compiled,
        shelf: shelf.materials,
        size,
        mould,
        drawn: found.survey.section,
      }
      return [needsOf(pour, { ...about, lawOf: (resin) => lawOf(resin)! })]
    }),
  )
  /** Each pour's section, for a picture on paper. */
  const pictures = computed(
    () =>
      new Map(
        compiled.value.flatMap((one) =>
          one
            ? [
                [
                  one.pour.id,
                  { section: one.found.survey.section, compiled: one.compiled },
                ] as const,
              ]
            : [],
        ),
      ),
  )
  const others = computed((): OtherResin[] =>
    resins.value.flatMap((resin) => {
      const law = lawOf(resin)
      return law ? [{ resin, law }] : []
    }),
  )

  /** What a bench keeps of each pour: which documents it follows, and how it is prepared. */
  const benchPours = (of: Run): Bench['pours'] =>
    of.pours.flatMap((pour) => {
      const plan = planOf(pour)
      const needs = pours.value.find(({ id }) => id === pour.id)
      if (!plan || !needs) return []
      const mould = storedMouldOf(pour.piece)
      return [
        {
          id: pour.id,
          name: needs.name,
          piece: pour.piece,
          plan: plan.id,
          planRevision: plan.revision,
          mould: mould?.id,
          bands: needs.bands,
          prefills: needs.prefills,
          vents: needs.vents,
          dust: mould?.document.liking.dust,
          release: mould?.document.liking.release,
          up: plan.document.up,
          layers: plan.document.layers.map(({ name }) => name),
          materials: [
            ...new Set(
              plan.document.layers.flatMap(({ resin, tints }) => [
                ...(resin ? [resin] : []),
                ...tints.map(({ material }) => material),
              ]),
            ),
          ],
        },
      ]
    })

  return { pieces, plans, moulds, pours, pictures, others, waiting, problems, load, benchPours }
}
