import { computed, ref, watch } from 'vue'
import {
  addLayer,
  moveSurface,
  removeLayer,
  splitLayer,
  withWall,
  type CompiledLayer,
} from '@mivro/core/work/plan'
import { newId } from '../api/client.ts'
import { useProject } from '../project/projectStore.ts'

/** Enough letters that two layers of a plan never share one. */
const layerId = () => newId().slice(0, 12)

/** Which layer is chosen, and what the hand does with layers on the cutaway. */
export function useLayers() {
  const project = useProject()
  const selected = ref<string>()
  const plan = computed(() => project.plan!)
  const layer = computed(() => project.compiled?.layers.find(({ id }) => id === selected.value))

  /** The chosen layer, or the one that was chosen last. */
  const shown = computed<CompiledLayer | undefined>((before) => {
    const layers = project.compiled?.layers ?? []
    return layer.value ?? layers.find(({ id }) => id === before?.id) ?? layers[0]
  })

  watch(
    () => project.pour?.id,
    () => select(undefined),
  )

  function select(id: string | undefined): void {
    selected.value = id
  }

  /** While it is dragged a surface is only shown where it would be; dropped, it is kept. */
  function drag(index: number, top: number): void {
    project.preview(moveSurface(plan.value, project.compiled!, index, top))
  }

  function drop(): void {
    project.keepPreview()
  }

  function nudge(index: number, by: number): void {
    const from = project.compiled!.layers[index].top
    project.changePlan(moveSurface(plan.value, project.compiled!, index, from + by))
  }

  /** The inner face of a wall, in the same way. */
  function dragWall(index: number, wall: number): void {
    project.preview(withWall(plan.value, index, wall))
  }

  function nudgeWall(index: number, wall: number): void {
    project.changePlan(withWall(plan.value, index, wall))
  }

  function add(): void {
    const id = layerId()
    project.changePlan(addLayer(plan.value, project.compiled!, id))
    select(id)
  }

  function split(): void {
    if (!layer.value) return
    project.changePlan(splitLayer(plan.value, project.compiled!, layer.value.index, layerId()))
  }

  function remove(index = layer.value?.index): void {
    if (index === undefined) return
    const next = removeLayer(plan.value, index)
    project.changePlan(next)
    select(next.layers[Math.max(0, index - 1)]?.id)
  }

  const walls = { drag: dragWall, nudge: nudgeWall }
  return { selected, plan, layer, shown, select, drag, drop, nudge, walls, add, split, remove }
}
