import {
  computed,
  effectScope,
  onScopeDispose,
  shallowReactive,
  shallowRef,
  watch,
  type EffectScope,
} from 'vue'
import type { Bench } from '@mivro/core/work/bench'
import type { CureLaw } from '@mivro/core/matter/cure'
import type { Resin } from '@mivro/core/matter/material'
import { conditioningOf, type Mould } from '@mivro/core/mould'
import type { Piece } from '@mivro/core/form/piece'
import type { Plan } from '@mivro/core/work/plan'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { wearOf } from '@mivro/core/work/pull'
import { needsOf, sizeAs, type OtherResin, type Run, type RunPour } from '@mivro/core/work/run'
import type { Stored } from '../api/client.ts'
import { listNewest, pullsOfMould } from '../api/sessions.ts'
import { useDerived, type UseDerived } from './useDerived.ts'
import { useShelf } from './shelfStore.ts'
import { useStudio } from './studioStore.ts'
import { askLaw } from '../work/pool.ts'
import type { ProjectDocuments } from '@mivro/core/work/project'

/** The pieces of a run with their pours and moulds, as the run needs them. */
export function useRunPours(run: () => Run | undefined) {
  const shelf = useShelf()
  const studio = useStudio()
  const pieces = shallowRef<Stored<Piece>[]>([])
  const plans = shallowRef(new Map<string, Stored<Plan>[]>())
  const moulds = shallowRef<Stored<Mould>[]>([])
  /** How often each mould was pulled, by its id: of those that ask it. */
  const pulled = shallowRef(new Map<string, number>())
  const laws = shallowRef(new Map<string, CureLaw>())
  const failed = shallowRef<readonly Problem[]>([])
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
  /** How many copies the newest plan of a piece wants. */
  async function copiesOf(piece: string): Promise<number> {
    await readAll([piece])
    return plans.value.get(piece)?.at(-1)?.document.copies ?? 1
  }
  const storedMouldOf = (piece: string) =>
    moulds.value.find(({ document }) => document.pieces.includes(piece))
  const mouldOf = (piece: string) => storedMouldOf(piece)?.document

  /** Some of what is done before a pull is not done before each: which one it is has to be known. */
  const counts = (mould: Mould) => conditioningOf(mould).some(({ every }) => every !== 1)
  async function countPulls(wanted: readonly string[]): Promise<void> {
    const asked = wanted.flatMap((piece) => storedMouldOf(piece) ?? [])
    for (const { id, document } of new Set(asked)) {
      if (pulled.value.has(id) || !counts(document)) continue
      const pulls = (await pullsOfMould(document)).map((pull) => pull.document)
      pulled.value = new Map([...pulled.value, [id, wearOf(document, id, pulls).pulls]])
    }
  }

  /** Plans of pieces that were not looked up yet: of those in the run, or of one that comes into it. */
  async function readAll(wanted = run()?.pours.map(({ piece }) => piece)): Promise<void> {
    try {
      await countPulls(wanted ?? [])
      const missing = new Set(wanted)
      for (const piece of plans.value.keys()) missing.delete(piece)
      const found = await Promise.all(
        [...missing].map(
          async (piece) => [piece, await listNewest('plans', { parent: piece })] as const,
        ),
      )
      plans.value = new Map([...plans.value, ...found])
      failed.value = []
    } catch (error) {
      failed.value = problemsOf(error)
    }
  }
  watch(
    () => [loaded.value, JSON.stringify(run()?.pours.map(({ piece, plan }) => [piece, plan]))],
    () => loaded.value && void readAll(),
    { immediate: true },
  )

  function documentsOf(id: string): ProjectDocuments | undefined {
    const pour = run()?.pours.find((one) => one.id === id)
    const piece = pour && pieces.value.find((one) => one.id === pour.piece)?.document
    const plan = pour && planOf(pour)?.document
    if (!piece || !plan) return undefined
    const mould = mouldOf(pour.piece)
    return { form: piece.form, plan, mould, shelf: shelf.materials, units: studio.units }
  }

  /** Each pour as its own stage shows it. */
  const open = shallowReactive(new Map<string, { derived: UseDerived; scope: EffectScope }>())
  watch(
    () => run()?.pours.map(({ id }) => id) ?? [],
    (ids) => {
      for (const [id, { scope }] of open) {
        if (ids.includes(id)) continue
        scope.stop()
        open.delete(id)
      }
      for (const id of ids) {
        if (open.has(id)) continue
        const scope = effectScope(true)
        const derived = scope.run(() => useDerived(() => documentsOf(id), { on: 'back' }))!
        open.set(id, { derived, scope })
      }
    },
    { immediate: true },
  )
  onScopeDispose(() => open.forEach(({ scope }) => scope.stop()))
  const problems = computed(() => [
    ...failed.value,
    ...[...open.values()].flatMap(({ derived }) => derived.shape.problems.value),
  ])

  const compiled = computed(() =>
    (run()?.pours ?? []).map((pour) => {
      const shown = open.get(pour.id)?.derived.shown.value?.pour
      const plan = planOf(pour)?.document
      return shown && plan ? { pour, plan, mould: mouldOf(pour.piece), shown } : undefined
    }),
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
      [...open.values()].some(({ derived }) => derived.known.waiting.value) ||
      compiled.value.some(
        (one) =>
          problems.value.length === 0 &&
          (!one || one.shown.compiled.layers.some(({ batch }) => batch && !lawOf(batch.resin))),
      ),
  )
  const pours = computed((): RunPour[] =>
    compiled.value.flatMap((one) => {
      if (!one) return []
      const { pour, plan, mould, shown } = one
      const wanted = shown.compiled.layers.flatMap(({ batch }) => (batch ? [batch.resin] : []))
      if (!wanted.every(lawOf)) return []
      const name = pieces.value.find(({ id }) => id === pour.piece)?.document.name ?? ''
      const size = sizeAs(shown.survey.measures, plan.up)
      const about = {
        name,
        plan,
        compiled: shown.compiled,
        shelf: shelf.materials,
        size,
        mould,
        pulled: pulled.value.get(storedMouldOf(pour.piece)?.id ?? ''),
        drawn: shown.survey.section,
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
                  { section: one.shown.survey.section, compiled: one.shown.compiled },
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
          layers: needs.layers.map((layer) => layer.name),
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

  return {
    copiesOf,
    pieces,
    plans,
    moulds,
    pours,
    pictures,
    others,
    waiting,
    problems,
    load,
    benchPours,
  }
}
