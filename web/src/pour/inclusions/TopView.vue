<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import {
  boundsOf,
  byHand,
  outlineOf,
  type Arranged,
  type ThingPlace,
} from '@mivro/core/matter/inclusion'
import { arrowStep } from '../../ui/arrowStep.ts'
import { useDrag } from '../../ui/useDrag.ts'
import type { ChosenThing } from './useSetThings.ts'

type Line = [x: number, y: number][]

/** One layer from above, and what lies in it; each thing can be dragged and turned. */
const props = defineProps<{
  /** Where the layer is widest, and where it is narrower at the heights of its things. */
  loops: readonly Float64Array[]
  levels: readonly (readonly Float64Array[])[]
  things: readonly (Arranged & { name: string; colour: string })[]
  /** As the face shows it, left and right exchanged. */
  mirrored: boolean
  chosen?: ChosenThing
  /** A line that is being drawn for a layout, as far as it goes. */
  line?: Line
  /** Clicks put down its points. */
  drawing?: boolean
}>()
const emit = defineEmits<{
  choose: [thing: ChosenThing]
  move: [id: string, places: ThingPlace[]]
  moved: []
  remove: []
  line: [points: Line]
}>()
const box = ref<HTMLElement>()
const { width, height } = useElementSize(box, { width: 360, height: 360 })

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
/** A point of the page as a place in the layer, m from its middle. */
function placeAt({ clientX, clientY }: { clientX: number; clientY: number }) {
  const { left, top } = box.value!.getBoundingClientRect()
  return {
    x: (side.value * (clientX - left - width.value / 2)) / scale.value,
    y: -(clientY - top - height.value / 2) / scale.value,
  }
}
defineExpose({ placeAt })

const pathOf = (points: ArrayLike<number>) => {
  const at: string[] = []
  for (let i = 0; i < points.length; i += 2) {
    at.push(`${x(points[i]).toFixed(1)} ${y(points[i + 1]).toFixed(1)}`)
  }
  return `M${at.join('L')}Z`
}
const outline = computed(() => props.loops.map(pathOf).join(''))
const narrower = computed(() => props.levels.flat().map(pathOf).join(''))
const marks = computed(() =>
  props.things.flatMap(({ id, name, colour, size, places }) => {
    const loops = outlineOf(size)
    const shapeOf = (wide: number) =>
      loops
        .map(
          (loop) =>
            `M${loop.map(([u, v]) => `${(side.value * u * wide).toFixed(1)} ${(-v * wide).toFixed(1)}`).join('L')}Z`,
        )
        .join('')
    const wide = size.across * scale.value
    const whole = shapeOf(wide)
    return places.map((place, i) => ({
      key: `${id}-${i}`,
      id,
      i,
      places,
      label: `${name}, ${i + 1} of ${places.length}`,
      colour,
      shape: place.size === undefined ? whole : shapeOf(place.size * wide),
      wide: (place.size ?? 1) * wide,
      at: `translate(${x(place.x).toFixed(1)} ${y(place.y).toFixed(1)}) rotate(${((-side.value * place.turn * 180) / Math.PI).toFixed(1)})`,
    }))
  }),
)
type Mark = (typeof marks.value)[number]
const isChosen = ({ id, i }: Mark) => props.chosen?.id === id && props.chosen.i === i

/** A thing that is touched with fewer pixels than this is hard to take hold of. */
const least = 5
const reach = ({ wide }: Mark) => Math.max(least, wide / 2)

let held: { mark: Mark; x: number; y: number } | undefined
const change = (mark: Mark, to: Partial<ThingPlace>) =>
  emit('move', mark.id, byHand(mark.places.with(mark.i, { ...mark.places[mark.i], ...to })))
const put = (mark: Mark, dx: number, dy: number) => {
  const place = mark.places[mark.i]
  change(mark, { x: place.x + dx, y: place.y + dy })
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
function take(mark: Mark, event: PointerEvent): void {
  held = { mark, x: event.clientX, y: event.clientY }
  emit('choose', { id: mark.id, i: mark.i })
  down(event)
}
/** R turns by 15°. */
const turnStep = Math.PI / 12
/** A whole turn is kept within what a place may hold. */
const turned = (angle: number) => Math.atan2(Math.sin(angle), Math.cos(angle))
/** Arrows move by half a millimetre, with Shift by five; R turns, Delete takes out. */
function nudge(mark: Mark, event: KeyboardEvent): void {
  const by = arrowStep(event, 0.0005)
  if (by) {
    put(mark, side.value * by[0], by[1])
    emit('moved')
  } else if (event.key.toLowerCase() === 'r') {
    const way = event.shiftKey ? -1 : 1
    change(mark, { turn: turned(mark.places[mark.i].turn + way * turnStep) })
    emit('moved')
  } else if (event.key === 'Delete') emit('remove')
  else return
  event.preventDefault()
  event.stopPropagation()
}

/** Most points of a line. */
const mostPoints = 60
function draw(event: MouseEvent): void {
  if (!props.drawing || !props.line || props.line.length >= mostPoints) return
  const at = placeAt(event)
  emit('line', [...props.line, [at.x, at.y]])
}
const drawn = computed(() =>
  props.line?.map(([px, py]) => `${x(px).toFixed(1)},${y(py).toFixed(1)}`).join(' '),
)
</script>

<template>
  <div ref="box" class="top drawn-in" :class="{ drawing }" data-top>
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" @click="draw">
      <path :d="outline" class="piece" />
      <path :d="narrower" class="level" />
      <polyline v-if="drawn" :points="drawn" class="line" />
      <circle
        v-for="([px, py], i) in line ?? []"
        :key="i"
        :cx="x(px)"
        :cy="y(py)"
        r="3.5"
        class="point cut-grip"
      />
      <g
        v-for="mark in marks"
        :key="mark.key"
        :transform="mark.at"
        class="thing"
        :class="{ chosen: isChosen(mark) }"
        role="button"
        tabindex="0"
        :aria-label="mark.label"
        :data-thing="mark.key"
        @pointerdown="take(mark, $event)"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @keydown="nudge(mark, $event)"
        @focus="emit('choose', { id: mark.id, i: mark.i })"
      >
        <circle :r="reach(mark)" class="reach" />
        <path :d="mark.shape" :fill="mark.colour" fill-rule="evenodd" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
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

.level {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.8;
  stroke-dasharray: 5 4;
}

.thing {
  outline: none;
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

.drawing svg {
  cursor: crosshair;
}

.drawing .thing {
  pointer-events: none;
}

.line {
  fill: none;
  stroke: var(--teal);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
</style>
