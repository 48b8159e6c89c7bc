<script setup lang="ts">
import { ref } from 'vue'
import type { Section } from '@mivro/core/filling'
import type { Arranged, PlanInclusion } from '@mivro/core/inclusion'
import type { CompiledPlan } from '@mivro/core/plan'
import Bands from '../../cutaway/Bands.vue'
import Inclusions from '../../cutaway/Inclusions.vue'
import type { Mark } from '../../cutaway/marks.ts'
import { useSidedFrame } from '../../cutaway/useSidedFrame.ts'
import { useDrag } from '../../ui/useDrag.ts'
import { byHand, type ChosenThing } from './useSetThings.ts'

/** The cut with everything at the height where it rests; what is dragged rises and moves along the cut. */
const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  /** Of the cut about up, radians. */
  turn: number
  things: readonly (Arranged & { colour: string })[]
  selected?: string
  chosen?: ChosenThing
}>()
const emit = defineEmits<{
  select: [id: string]
  choose: [thing: ChosenThing]
  move: [layer: string, id: string, change: Partial<PlanInclusion>]
  moved: []
}>()
const box = ref<HTMLElement>()
const { width, height, label, frame, path, sides } = useSidedFrame(
  box,
  () => props.section,
  () => props.compiled,
)

const isChosen = ({ kind, i }: Mark) =>
  props.things[kind]?.id === props.chosen?.id && props.chosen?.i === i

/** What comes nearer than this to the floor of its layer lies on it, m. */
const snap = 0.0006
let held: { mark: Mark; thing: Arranged; x: number; y: number } | undefined
const { down, move, up } = useDrag({
  move: ({ clientX, clientY }) => {
    if (!held) return
    const { mark, thing } = held
    const { layers } = props.compiled
    const layer = layers.find(({ id }) => id === thing.layer)!
    const perMetre = frame.value.x(1) - frame.value.x(0)
    const along = (clientX - held.x) / perMetre
    const rise = (held.y - clientY) / perMetre
    const [c, s] = [Math.cos(props.turn), Math.sin(props.turn)]
    const lift = thing.floor - layer.bottom
    // The others stay where they are, each counted from the floor of the layer.
    const laid = thing.places.map(({ up = 0, ...place }) => ({ ...place, up: lift + up }))
    const { x, y, up, ...place } = laid[mark.i]
    const most = layer.depth - thing.size.thickness
    const risen = Math.min(Math.max(0, most), Math.max(0, up + rise))
    laid[mark.i] = { ...place, x: x + c * along, y: y + s * along, up: risen < snap ? 0 : risen }
    const places = byHand(laid).map(({ up, ...one }) => ({ ...one, ...(up ? { up } : {}) }))
    emit('move', thing.layer, thing.id, { lift: 0, places })
  },
  drop: () => emit('moved'),
})
function take(mark: Mark, event: PointerEvent): void {
  const thing = props.things[mark.kind]
  held = { mark, thing, x: event.clientX, y: event.clientY }
  emit('select', thing.layer)
  emit('choose', { id: thing.id, i: mark.i })
  down(event)
}
</script>

<template>
  <div ref="box" class="side">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`">
      <g :transform="`translate(0 ${label})`">
        <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
        <Bands
          :layers="compiled.layers"
          :frame="frame"
          :path="path"
          :selected="selected"
          @select="emit('select', $event)"
        />
        <path :d="path" class="outline" />
        <Inclusions
          :things="things"
          :frame="frame"
          :turn="turn"
          held
          :chosen="isChosen"
          @take="take"
          @drag="move"
          @drop="up"
        />
      </g>
      <text :x="width / 2" y="14">{{ sides.top }}</text>
      <text :x="width / 2" :y="height - 6">{{ sides.bottom }}</text>
    </svg>
  </div>
</template>

<style scoped>
.side {
  position: relative;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}

svg {
  position: absolute;
  inset: 0;
}

.outline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
  pointer-events: none;
}

text {
  fill: var(--ink-2);
  font-size: var(--size-small);
  text-anchor: middle;
}
</style>
