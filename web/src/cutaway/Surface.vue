<script setup lang="ts">
import type { CompiledLayer } from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import { useDrag } from '../ui/useDrag.ts'
import type { Frame } from './frame.ts'

const props = defineProps<{
  layer: CompiledLayer
  frame: Frame
  left: number
  right: number
  selected: boolean
  highest: number
}>()
const emit = defineEmits<{
  select: []
  /** The surface is under the hand: nothing is kept yet. */
  drag: [top: number]
  drop: []
  nudge: [by: number]
  remove: []
}>()

const studio = useStudio()
let grip = 0

/** A drag lands on tenths of a millimetre; a key moves by half, with Shift by five. */
const dragStep = 1e-4
const keyStep = 5e-4

const { dragging, down, move, up } = useDrag({
  take: (event) => {
    grip = event.clientY - props.frame.y(props.layer.top)
    emit('select')
  },
  move: ({ clientY }) =>
    emit('drag', Math.round(props.frame.heightAt(clientY - grip) / dragStep) * dragStep),
  drop: () => emit('drop'),
})

function key(event: KeyboardEvent): void {
  const steps: Record<string, number> = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }
  const ends: Record<string, number> = { Home: -props.highest, End: props.highest }
  const by = (steps[event.key] ?? 0) * keyStep * (event.shiftKey ? 10 : 1) || ends[event.key]
  if (by) {
    event.preventDefault()
    emit('select')
    emit('nudge', by)
  } else if (event.key === 'Delete') {
    // The page would delete what is shown, which may be another one.
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
  <g class="surface" :class="{ selected, held: selected || dragging }">
    <line
      :x1="left"
      :x2="right"
      :y1="frame.y(layer.top)"
      :y2="frame.y(layer.top)"
      class="line"
      :class="layer.clock?.meets ?? layer.join"
    />
    <g
      class="cut-handle"
      role="slider"
      tabindex="0"
      aria-orientation="vertical"
      :aria-label="`Surface of ${layer.name}`"
      :aria-valuenow="Math.round(layer.top * 1e5) / 100"
      :aria-valuemin="0"
      :aria-valuemax="Math.round(highest * 1e5) / 100"
      :aria-valuetext="show(layer.top, 'length', studio.units)"
      :data-surface="layer.index"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
      @keydown="key"
    >
      <rect
        :x="left"
        :y="frame.y(layer.top) - 7"
        :width="Math.max(0, right - left)"
        height="14"
        fill="transparent"
      />
      <circle :cx="right" :cy="frame.y(layer.top)" r="14" fill="transparent" />
      <circle class="grip cut-grip" :cx="right" :cy="frame.y(layer.top)" r="6.5" />
    </g>
  </g>
</template>

<style scoped>
.line {
  stroke: var(--teal);
  stroke-width: 1.6;
}

.cut-handle {
  cursor: ns-resize;
}

.selected .line {
  stroke-width: 2.4;
}
</style>
