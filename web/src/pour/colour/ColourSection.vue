<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { FillCurve, Section } from '@mivro/core/form/filling'
import { seenBlends, seenFromSide, type CompiledPlan, type Plan } from '@mivro/core/work/plan'
import { useSidedFrame } from '../../cutaway/useSidedFrame.ts'

/** The piece from the side as an eye sees it, over white. */
const props = defineProps<{
  section: Section
  curve: FillCurve
  plan: Plan
  compiled: CompiledPlan
  selected?: string
}>()
const emit = defineEmits<{ select: [id: string] }>()
const id = useId()
const box = ref<HTMLElement>()
const { width, height, label, frame, path, sides } = useSidedFrame(
  box,
  () => props.section,
  () => props.compiled,
)
const bands = computed(() =>
  props.compiled.layers
    .filter(({ depth }) => depth > 0)
    .map((layer) => {
      const { y } = frame.value
      const [top, bottom] = [y(layer.top), y(layer.bottom)]
      const stops = seenFromSide(layer, props.curve).map(({ height, colour }) => ({
        at: ((y(height) - top) / (bottom - top)).toFixed(3),
        colour,
      }))
      return { id: layer.id, name: layer.name, top, tall: bottom - top, stops: stops.reverse() }
    }),
)
/** Where two layers run into each other. */
const blends = computed(() => seenBlends(props.compiled.layers, props.curve))
</script>

<template>
  <div ref="box" class="side">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`">
      <g :transform="`translate(0 ${label})`">
        <defs>
          <clipPath :id="id"><path :d="path" clip-rule="evenodd" /></clipPath>
          <linearGradient
            v-for="band in bands"
            :id="`${id}-${band.id}`"
            :key="band.id"
            x2="0"
            y2="1"
          >
            <stop
              v-for="stop in band.stops"
              :key="stop.at"
              :offset="stop.at"
              :stop-color="stop.colour"
            />
          </linearGradient>
          <linearGradient
            v-for="blend in blends"
            :id="`${id}-${blend.id}-join`"
            :key="`${blend.id}-join`"
            x2="0"
            y2="1"
          >
            <stop offset="0" :stop-color="blend.colours[1]" />
            <stop offset="1" :stop-color="blend.colours[0]" />
          </linearGradient>
        </defs>
        <g :clip-path="`url(#${id})`">
          <rect
            v-for="band in bands"
            :key="band.id"
            :x="0"
            :y="band.top"
            :width="width"
            :height="band.tall"
            :fill="band.stops.length > 0 ? `url(#${id}-${band.id})` : 'var(--panel)'"
            @click="emit('select', band.id)"
          >
            <title>{{ band.name }}</title>
          </rect>
          <rect
            v-for="blend in blends"
            :key="`${blend.id}-join`"
            :x="0"
            :y="frame.y(blend.top)"
            :width="width"
            :height="frame.y(blend.bottom) - frame.y(blend.top)"
            :fill="`url(#${id}-${blend.id}-join)`"
            class="join"
          />
        </g>
        <path :d="path" class="outline" />
        <rect
          v-for="band in bands.filter((one) => one.id === selected)"
          :key="band.id"
          x="3"
          :y="band.top"
          width="4"
          :height="band.tall"
          class="chosen"
        />
      </g>
      <text :x="width / 2" y="14">{{ sides.top }}</text>
      <text :x="width / 2" :y="height - 6">{{ sides.bottom }}</text>
    </svg>
  </div>
</template>

<style scoped>
.side {
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}

.outline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
  pointer-events: none;
}

.join {
  pointer-events: none;
}

.chosen {
  fill: var(--teal);
}

text {
  fill: var(--ink-2);
  font-size: var(--size-small);
  text-anchor: middle;
}
</style>
