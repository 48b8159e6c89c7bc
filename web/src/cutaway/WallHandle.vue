<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { depthAtPlace, depthLines, type SectionDepths } from '@mivro/core/form/wall'
import { landedWall, type CompiledLayer, type PlacedShell } from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import { useDrag } from '../ui/useDrag.ts'
import type { Frame } from './frame.ts'

/** The inner face of a wall, taken at its rightmost place. */
const props = defineProps<{
  layer: CompiledLayer
  shell: PlacedShell
  depths: SectionDepths
  frame: Frame
  selected: boolean
}>()
const emit = defineEmits<{
  select: []
  drag: [wall: number]
  drop: []
  nudge: [wall: number]
  remove: []
}>()

const studio = useStudio()
const handle = useTemplateRef<SVGGElement>('handle')
/** A key moves by a tenth of a millimetre; with Shift by half of one. */
const step = 1e-4

const grip = computed(() => {
  let best: { x: number; height: number } | undefined
  for (const line of depthLines(props.depths, props.shell.to)) {
    for (let i = 0; i < line.length; i += 2) {
      if (!best || line[i] > best.x) best = { x: line[i], height: line[i + 1] }
    }
  }
  return best && { x: props.frame.x(best.x), y: props.frame.y(best.height), height: best.height }
})
/** Where it was taken: its height stays while it is dragged. */
let height = 0
const { dragging, down, move, up } = useDrag({
  take: () => {
    height = grip.value!.height
    emit('select')
  },
  move: ({ clientX }) => {
    const { left } = handle.value!.ownerSVGElement!.getBoundingClientRect()
    const depth = depthAtPlace(props.depths, props.frame.acrossAt(clientX - left), height)
    emit('drag', landedWall(depth - props.shell.from))
  },
  drop: () => emit('drop'),
})

function key(event: KeyboardEvent): void {
  const ways: Record<string, number> = { ArrowLeft: 1, ArrowUp: 1, ArrowRight: -1, ArrowDown: -1 }
  const by = (ways[event.key] ?? 0) * step * (event.shiftKey ? 5 : 1)
  if (by) {
    event.preventDefault()
    emit('select')
    emit('nudge', landedWall(props.shell.fill.wall + by))
  } else if (event.key === 'Delete') {
    event.stopPropagation()
    if (props.selected) emit('remove')
    else emit('select')
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('select')
  }
}
</script>

<template>
  <g
    v-if="grip"
    ref="handle"
    class="cut-handle"
    :class="{ held: selected || dragging }"
    role="slider"
    tabindex="0"
    aria-orientation="horizontal"
    :aria-label="`Inner face of ${layer.name}`"
    :aria-valuenow="Math.round(layer.depth * 1e5) / 100"
    :aria-valuemin="0.3"
    :aria-valuemax="Math.round(shell.deepest * 1e5) / 100"
    :aria-valuetext="show(layer.depth, 'length', studio.units)"
    :data-wall="layer.index"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @keydown="key"
  >
    <circle :cx="grip.x" :cy="grip.y" r="14" fill="transparent" />
    <circle class="grip cut-grip" :cx="grip.x" :cy="grip.y" r="6.5" />
  </g>
</template>

<style scoped>
.cut-handle {
  cursor: ew-resize;
}
</style>
