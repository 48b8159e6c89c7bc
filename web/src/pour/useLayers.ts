import { computed, ref, watch } from 'vue'
import {
  addLayer,
  moveSurface,
  removeLayer,
  splitLayer,
  type CompiledLayer,
} from '@mivro/core/plan'
import { newId } from '../api/client.ts'
import { usePiece } from '../piece/pieceStore.ts'

/** Enough letters that two layers of a plan never share one. */
const layerId = () => newId().slice(0, 12)

/** Which layer is chosen, and what the hand does with layers on the cutaway. */
export function useLayers() {
  const piece = usePiece()
  const selected = ref<string>()
  const plan = computed(() => piece.document!)
  const layer = computed(() => piece.compiled?.layers.find(({ id }) => id === selected.value))

  /** The chosen layer, or the one that was chosen last. */
  const shown = computed<CompiledLayer | undefined>((before) => {
    const layers = piece.compiled?.layers ?? []
    return layer.value ?? layers.find(({ id }) => id === before?.id) ?? layers[0]
  })

  watch(
    () => piece.plan?.id,
    () => select(undefined),
  )

  function select(id: string | undefined): void {
    selected.value = id
  }

  /** While it is dragged a surface is only shown where it would be; dropped, it is kept. */
  function drag(index: number, top: number): void {
    piece.preview = moveSurface(plan.value, piece.compiled!, index, top)
  }

  function drop(): void {
    if (piece.preview) piece.change(piece.preview)
  }

  function nudge(index: number, by: number): void {
    const from = piece.compiled!.layers[index].top
    piece.change(moveSurface(plan.value, piece.compiled!, index, from + by))
  }

  function add(): void {
    const id = layerId()
    piece.change(addLayer(plan.value, piece.compiled!, id))
    select(id)
  }

  function split(): void {
    if (!layer.value) return
    piece.change(splitLayer(plan.value, piece.compiled!, layer.value.index, layerId()))
  }

  function remove(index = layer.value?.index): void {
    if (index === undefined) return
    const next = removeLayer(plan.value, index)
    piece.change(next)
    select(next.layers[Math.max(0, index - 1)]?.id)
  }

  return { selected, plan, layer, shown, select, drag, drop, nudge, add, split, remove }
}
