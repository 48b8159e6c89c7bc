import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import type { MouldOpening } from '@mivro/core/mould'
import type { Problem } from '@mivro/core/base/problem'
import type { Tilt } from '@mivro/core/form/cells'
import type { Vec3 } from '@mivro/core/form/mesh'
import { newId } from '../../api/client.ts'
import { useProject } from '../../project/projectStore.ts'
import { askTilts } from '../../work/pool.ts'
import { useJob } from '../../work/useJob.ts'

/** Usual bores of what is added, m (common practice, no source). */
const bores = { gate: 0.006, vent: 0.002 }

const tuple = (v: readonly number[]): [number, number, number] => [v[0], v[1], v[2]]

/** What is done to gates, vents and prefills, and the search for a better tilt. */
export const useAir = defineStore('air', () => {
  const project = useProject()
  const selected = ref<string>()
  /** How high the resin stands in the filling picture, as a share; undefined when it is full. */
  const level = ref<number>()

  const openings = computed(() => project.mould?.openings ?? [])
  const withAt = (id: string, at: Vec3) =>
    openings.value.map((opening) => (opening.id === id ? { ...opening, at: tuple(at) } : opening))

  function add(what: MouldOpening['what'], at: Vec3): void {
    const opening: MouldOpening = {
      id: newId(),
      what,
      at: tuple(at),
      bore: bores[what],
      made: 'cast in',
    }
    selected.value = opening.id
    project.changeMould({ openings: [...openings.value, opening] })
  }

  function prefill(at: Vec3): void {
    const prefills = project.mould!.prefills
    project.changeMould({ prefills: [...prefills, { id: newId(), at: tuple(at) }] })
  }

  const takeOut = (id: string) =>
    project.changeMould({
      openings: openings.value.filter((opening) => opening.id !== id),
      prefills: project.mould!.prefills.filter((prefill) => prefill.id !== id),
    })

  /** While an opening is under the hand: nothing is kept yet. */
  function drag(id: string, at: Vec3): void {
    project.previewMould({ ...project.mouldSession!.document, openings: withAt(id, at) })
  }
  const drop = () => project.keepMouldPreview()
  const move = (id: string, at: Vec3) => project.changeMould({ openings: withAt(id, at) })

  const edit = (id: string, values: Partial<MouldOpening>): Problem | undefined =>
    project.changeMould({
      openings: openings.value.map((opening) =>
        opening.id === id ? { ...opening, ...values } : opening,
      ),
    })

  // The search.
  const tilts = ref<Tilt[]>()
  const { progress, problems, run, stop } = useJob(0)
  const searchProblem = computed(() => problems.value.at(0))

  async function findTilts(): Promise<void> {
    tilts.value = undefined
    const gate = openings.value.find(({ what }) => what === 'gate')
    const question = {
      form: project.piece!.document.form,
      up: project.plan!.up as Vec3,
      gate: gate && { at: gate.at as Vec3, bore: gate.bore },
    }
    tilts.value = await run((heard) => askTilts(question, heard))
  }

  // What was found before something moved is of no use any more.
  watch(
    () => JSON.stringify([project.piece?.id, project.plan?.up, openings.value]),
    () => {
      stop()
      tilts.value = undefined
    },
  )

  /** Holds the mould so, and cuts the vents that it needs. */
  function take(tilt: Tilt): void {
    project.changePlan({ ...project.plan!, up: tuple(tilt.up) })
    // Turned over, it is filled from what is its top then.
    const gates = openings.value
      .filter(({ what }) => what === 'gate')
      .map((gate) => (tilt.gate ? { ...gate, at: tuple(tilt.gate) } : gate))
    const vents = tilt.vents.map(({ at }): MouldOpening => ({
      id: newId(),
      what: 'vent',
      at: tuple(at),
      bore: bores.vent,
      made: 'cast in',
    }))
    project.changeMould({ openings: [...gates, ...vents], prefills: [] })
    tilts.value = undefined
  }

  // The filling picture.
  const seconds = 7
  let frame = 0
  function play(): void {
    cancelAnimationFrame(frame)
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) {
      level.value = undefined
      return
    }
    const start = performance.now()
    const next = (now: number) => {
      const share = (now - start) / (seconds * 1000)
      level.value = share < 1 ? share : undefined
      if (share < 1) frame = requestAnimationFrame(next)
    }
    frame = requestAnimationFrame(next)
  }
  function stand(share: number | undefined): void {
    cancelAnimationFrame(frame)
    level.value = share
  }

  return {
    selected,
    level,
    openings,
    tilts,
    progress,
    searchProblem,
    add,
    prefill,
    takeOut,
    drag,
    drop,
    move,
    edit,
    findTilts,
    stop,
    take,
    play,
    stand,
  }
})
