<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MouldOpening } from '@mivro/core/mould'
import type { Vec3 } from '@mivro/core/form/mesh'
import { show } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'
import { arrowStep } from '../../ui/arrowStep.ts'
import { useDrag } from '../../ui/useDrag.ts'

const props = defineProps<{
  opening: MouldOpening
  x: number
  y: number
  /** How far behind the cut it lies, m. */
  behind: number
  selected: boolean
  /** The place of the outline nearest to one on the drawing. */
  onOutline: (x: number, y: number) => Vec3 | undefined
}>()
const emit = defineEmits<{
  select: []
  drag: [at: Vec3]
  drop: []
  nudge: [dx: number, dh: number]
  remove: []
}>()

const studio = useStudio()
const step = 0.0005
const far = computed(() => Math.abs(props.behind) > 0.0015)
const words = computed(() => {
  const { what, bore } = props.opening
  const name = `${what === 'gate' ? 'Gate' : 'Vent'}, ${show(bore, 'length', studio.units)}`
  if (!far.value) return name
  const side = props.behind > 0 ? 'behind' : 'before'
  return `${name}, ${show(Math.abs(props.behind), 'length', studio.units)} ${side} the cut`
})

const handle = ref<SVGElement>()
const { down, move, up } = useDrag({
  take: () => emit('select'),
  move: ({ clientX, clientY }) => {
    const svg = handle.value!.ownerSVGElement!.getBoundingClientRect()
    const at = props.onOutline(clientX - svg.left, clientY - svg.top)
    if (at) emit('drag', at)
  },
  drop: () => emit('drop'),
})

function press(event: KeyboardEvent): void {
  const by = arrowStep(event, step)
  if (by) emit('nudge', ...by)
  else if (event.key === 'Delete') emit('remove')
  else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('select')
  }
}
</script>

<template>
  <g
    ref="handle"
    class="handle"
    :class="[opening.what, { on: selected, far }]"
    role="button"
    tabindex="0"
    :aria-label="`${words}. Drag along the outline, or use the arrows.`"
    :data-opening="opening.what"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @keydown="press"
    @focus="emit('select')"
  >
    <circle :cx="x" :cy="y" r="16" fill="transparent" />
    <circle class="ring cut-grip" :cx="x" :cy="y" :r="opening.what === 'gate' ? 9 : 6.5" />
    <path v-if="opening.what === 'gate'" :d="`M${x - 3.5} ${y - 2.5}h7l-3.5 6z`" />
    <path v-else :d="`M${x - 3} ${y + 2}l3 -5l3 5z`" />
    <title>{{ words }}</title>
  </g>
</template>

<style scoped>
.handle {
  cursor: grab;
  outline: 0;
}

.handle:active {
  cursor: grabbing;
}

.far .ring {
  stroke-dasharray: 3 2.4;
}

.handle path {
  fill: var(--teal);
  pointer-events: none;
}

.on .ring,
.handle:focus-visible .ring {
  fill: var(--teal);
}

.on path,
.handle:focus-visible path {
  fill: var(--panel);
}
</style>
