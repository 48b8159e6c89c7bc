import { computed, ref } from 'vue'
import {
  byHand,
  colourOf,
  setInFrom,
  type ThingPlace,
  type PlanInclusion,
} from '@mivro/core/matter/inclusion'
import type { InclusionMaterial } from '@mivro/core/matter/material'
import { judgeArrangement, withLayer, type CompiledLayer, type Plan } from '@mivro/core/work/plan'
import { newId } from '../../api/client.ts'
import { useProject } from '../../project/projectStore.ts'
import { useArrangement } from '../../project/useArrangement.ts'

/** One of the things of a layer: of which inclusion, and which of its places. */
export interface ChosenThing {
  id: string
  i: number
}

/** The thing that was touched last; the views show it, the panel changes it. */
const chosen = ref<ChosenThing>()

/** Everything that is set in, where it lies, and moving it. */
export function useSetThings(layer: () => CompiledLayer | undefined) {
  const project = useProject()
  const { arrangement, problem } = useArrangement(
    () =>
      project.piece && project.plan && project.compiled
        ? { form: project.piece.document.form, plan: project.plan, compiled: project.compiled }
        : undefined,
    { always: true },
  )

  /** Arranged things with their names and colours. */
  const things = computed(() =>
    (arrangement.value?.things ?? []).flatMap((one) => {
      const of = project.plan!.layers.find(({ id }) => id === one.layer)
      const found = of?.inclusions.find(({ id }) => id === one.id)
      return found
        ? [{ ...one, name: found.name, colour: colourOf(found), pattern: found.pattern }]
        : []
    }),
  )
  const own = computed(() => things.value.filter((one) => one.layer === layer()?.id))
  const outline = computed(() =>
    arrangement.value?.outlines.find((one) => one.layer === layer()?.id),
  )
  const cautions = computed(() =>
    arrangement.value
      ? judgeArrangement(project.plan!, arrangement.value).filter(
          ({ place }) => place.layer === layer()?.id,
        )
      : [],
  )

  const inclusionsOf = (of: string) => {
    const index = project.plan!.layers.findIndex(({ id }) => id === of)
    return { index, inclusions: project.plan!.layers[index].inclusions }
  }
  const withInclusion = (of: string, id: string, change: Partial<PlanInclusion>): Plan => {
    const { index, inclusions } = inclusionsOf(of)
    return withLayer(project.plan!, index, {
      inclusions: inclusions.map((one) => (one.id === id ? { ...one, ...change } : one)),
    })
  }
  /** While it is dragged a thing is only shown where it would lie; let go, it stays. */
  const drag = (id: string, change: Partial<PlanInclusion>, of = layer()!.id) =>
    project.preview(withInclusion(of, id, change))
  const drop = () => project.keepPreview()
  const change = (id: string, values: Partial<PlanInclusion>) =>
    project.changePlan(withInclusion(layer()!.id, id, values))

  /** What is chosen, where it lies. */
  const held = computed(() => {
    const { id, i } = chosen.value ?? { id: '', i: 0 }
    const thing = own.value.find((one) => one.id === id)
    const place = thing?.places[i]
    return thing && place ? { thing, place, i } : undefined
  })
  /** The chosen one laid by hand; with it all of its kind, since a layout has no gaps. */
  const lay = (to: Partial<ThingPlace>) => {
    const { thing, place, i } = held.value!
    return change(thing.id, { places: byHand(thing.places.with(i, { ...place, ...to })) })
  }
  function remove(): void {
    const { thing, i } = held.value!
    chosen.value = undefined
    const places = byHand(thing.places.toSpliced(i, 1))
    if (places.length > 0) return void change(thing.id, { count: places.length, places })
    const { index, inclusions } = inclusionsOf(thing.layer)
    const left = inclusions.filter(({ id }) => id !== thing.id)
    project.changePlan(withLayer(project.plan!, index, { inclusions: left }))
  }

  /** One more of a thing of the shelf, laid at a place of this layer. */
  function add(material: InclusionMaterial, at: { x: number; y: number }): void {
    const { index, inclusions } = inclusionsOf(layer()!.id)
    const known = inclusions.find(({ name }) => name === material.name)
    const place: ThingPlace = { ...at, turn: 0 }
    if (known) {
      const laid = own.value.find(({ id }) => id === known.id)?.places ?? []
      const places = byHand([...laid, place])
      chosen.value = { id: known.id, i: places.length - 1 }
      change(known.id, { count: known.count + 1, places })
      return
    }
    const id = newId().slice(0, 12)
    chosen.value = { id, i: 0 }
    const one = { id, count: 1, ...setInFrom(material), places: [place] }
    project.changePlan(withLayer(project.plan!, index, { inclusions: [...inclusions, one] }))
  }

  return {
    problem,
    things,
    own,
    outline,
    cautions,
    chosen,
    held,
    drag,
    drop,
    change,
    lay,
    remove,
    add,
  }
}
