<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import { boundsOf, outlineOf, type Arranged, type Place } from '@mivro/core/inclusion'
import { useDrag } from '../../ui/useDrag.ts'

/** One layer from above, and what lies in it; each thing can be dragged. */
const props = defineProps<{
  loops: readonly Float64Array[]
  things: readonly (Arranged & { name: string; colour: string })[]
  /** As the face shows it, left and right exchanged. */
  mirrored: boolean
}>()
const emit = defineEmits<{
  move: [id: string, places: Place[]]
  moved: []
}>()
const box = ref<HTMLElement>()
const { width, height } = useElementSize(box, { width: 360, height: 360 })
const chosen = ref('')

/** Around the outline, px. */
const edge = 18
const bounds = computed(() => boundsOf(props.loops))
const scale = computed(() => {
  const { low, high } = bounds.value
  return Math.min(
    (width.value - 2 * edge) / (high[0] - low[0]),
    (height.value - 2 * edge) / (high[1] - low[1]),
  )
})
const side = computed(() => (props.mirrored ? -1 : 1))
const x = (at: number) => width.value / 2 + side.value * at * scale.value
const y = (at: number) => height.value / 2 - at * scale.value
const pathOf = (points: ArrayLike<number>) => {
  const at: string[] = []
  for (let i = 0; i < points.length; i += 2) {
    at.push(`${x(points[i]).toFixed(1)} ${y(points[i + 1]).toFixed(1)}`)
  }
  return `M${at.join('L')}Z`
}
const outline = computed(() => props.loops.map(pathOf).join(''))
const marks = computed(() =>
  props.things.flatMap(({ id, name, colour, size, places }) => {
    const { outer, inner } = outlineOf(size.shape)
    const loops = inner ? [outer, inner] : [outer]
    const shape = loops
      .map(
        (loop) =>
          `M${loop.map(([u, v]) => `${(side.value * u * size.across * scale.value).toFixed(1)} ${(-v * size.across * scale.value).toFixed(1)}`).join('L')}Z`,
      )
      .join('')
    return places.map((place, i) => ({
      key: `${id}-${i}`,
      id,
      i,
      places,
      label: `${name}, ${i + 1} of ${places.length}`,
      colour,
      shape,
      at: `translate(${x(place.x).toFixed(1)} ${y(place.y).toFixed(1)}) rotate(${((-side.value * place.turn * 180) / Math.PI).toFixed(1)})`,
    }))
  }),
)

/** A thing that is touched with fewer pixels than this is hard to take hold of. */
const least = 5
const reach = (mark: (typeof marks.value)[number]) =>
  Math.max(least, (props.things.find(({ id }) => id === mark.id)!.size.across * scale.value) / 2)

let held: { mark: (typeof marks.value)[number]; x: number; y: number } | undefined
const put = (mark: (typeof marks.value)[number], dx: number, dy: number) => {
  const place = mark.places[mark.i]
  const moved = { ...place, x: place.x + dx, y: place.y + dy }
  emit('move', mark.id, mark.places.with(mark.i, moved))
}
const { down, move, up } = useDrag({
  move: ({ clientX, clientY }) => {
    if (!held) return
    put(
      held.mark,
      (side.value * (clientX - held.x)) / scale.value,
      -(clientY - held.y) / scale.value,
    )
  },
  drop: () => emit('moved'),
})
function take(mark: (typeof marks.value)[number], event: PointerEvent): void {
  held = { mark, x: event.clientX, y: event.clientY }
  chosen.value = mark.key
  down(event)
}
/** Arrows move by half a millimetre, with Shift by five. */
function nudge(mark: (typeof marks.value)[number], event: KeyboardEvent): void {
  const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[
    event.key
  ]
  if (!by) return
  event.preventDefault()
  const step = event.shiftKey ? 0.005 : 0.0005
  put(mark, side.value * by[0] * step, by[1] * step)
  emit('moved')
}
</script>

<template>
  <div ref="box" class="top">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`">
      <path :d="outline" class="piece" />
      <g
        v-for="mark in marks"
        :key="mark.key"
        :transform="mark.at"
        class="thing"
        :class="{ chosen: mark.key === chosen }"
        role="button"
        tabindex="0"
        :aria-label="mark.label"
        :data-thing="mark.key"
        @pointerdown="take(mark, $event)"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @keydown="nudge(mark, $event)"
        @focus="chosen = mark.key"
      >
        <circle :r="reach(mark)" class="reach" />
        <path :d="mark.shape" :fill="mark.colour" fill-rule="evenodd" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.top {
  position: relative;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}

svg {
  position: absolute;
  inset: 0;
}

.piece {
  fill: var(--clear);
  stroke: var(--ink);
  stroke-width: 1.6;
  fill-rule: evenodd;
}

.thing {
  cursor: grab;
  touch-action: none;
}

.thing path {
  stroke: var(--shade);
}

.reach {
  fill: transparent;
}

.thing.chosen path,
.thing:focus-visible path {
  stroke: var(--teal);
  stroke-width: 2;
}

.thing:focus-visible {
  outline: none;
}
</style>
