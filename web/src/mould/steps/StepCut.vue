<script setup lang="ts">
import { computed, useId } from 'vue'
import type { MakingStage } from '@mivro/core/mould'
import StepFill from './StepFill.vue'
import type { StepDrawing } from './stepDrawing.ts'

/** The mould cut open as it stands at a step: what is there by then, and nothing else. */
const props = defineProps<{
  drawing: StepDrawing
  stage: MakingStage
  width: number
  height: number
  kind: string
  says: string
}>()
/** Of this drawing: several stand on a page of paper. */
const id = useId()
const parted = computed(() => props.drawing.parting !== undefined)
const middle = computed(() => (props.drawing.fill + props.drawing.floor) / 2)
/** Turned over, everything stands on its head. */
const turn = computed(() =>
  props.stage.turned && !props.stage.open ? `matrix(1 0 0 -1 0 ${2 * middle.value})` : undefined,
)
/** Halves that were parted stand so far from each other, px. */
const gap = computed(() => (props.stage.open && parted.value ? 40 : 0))
/** A cut runs up one side in a wave, straight at the piece. */
const wave = computed(() => {
  const { right, fill, floor } = props.drawing
  const x = right - 26
  const step = (floor - fill) / 6
  return `M${x} ${floor}q18 ${-step / 2} 0 ${-step}t0 ${-step}t0 ${-step}t0 ${-step}t0 ${-step}t0 ${-step}`
})
const box = (top: number, bottom: number) => ({
  x: props.drawing.left,
  y: top,
  width: props.drawing.right - props.drawing.left,
  height: Math.max(0, bottom - top),
})
const jackets = computed(() => ({
  upper: ['upper', 'both'].includes(props.stage.jacket) && !props.stage.open,
  lower: ['lower', 'both'].includes(props.stage.jacket) && !props.stage.open,
}))
/** The rims by which the halves of a printed shell are clipped. */
const flanges = computed(() => {
  const { jacket, seam, parting, scale } = props.drawing
  if (!jacket || parting === undefined) return []
  const out = (jacket.outside - jacket.inside) / 2 + jacket.flange
  const at = (y: number) => ({ x1: seam.from - out, x2: seam.to + out, y1: y, y2: y })
  const thick = 1.5e-3 * scale
  return [
    ...(jackets.value.upper ? [at(parting - thick)] : []),
    ...(jackets.value.lower ? [at(parting + thick)] : []),
  ]
})
/** The cavity that the master leaves. */
const cavity = computed(() => !props.stage.master)
</script>

<template>
  <svg
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="says"
    :data-stage="says"
  >
    <g :transform="turn">
      <path
        v-if="stage.shell"
        :d="drawing.master"
        class="mother"
        :stroke-width="2 * (drawing.shell + (stage.coats + 1) * drawing.coat)"
      />
      <path
        v-for="n in stage.coats"
        :key="n"
        :d="drawing.master"
        class="coat"
        :class="{ other: (stage.coats - n) % 2 === 1 }"
        :stroke-width="2 * drawing.coat * (stage.coats - n + 1)"
      />
      <line
        v-for="flange in flanges"
        :key="flange.y1"
        class="flange"
        v-bind="flange"
        :stroke-width="2 * drawing.scale * 1.5e-3"
      />
      <g :transform="gap ? `translate(0 ${-gap})` : undefined">
        <StepFill v-if="jackets.upper" :id="id" :drawing="drawing" half="upper" kind="jacket" />
        <StepFill v-if="stage.first" :id="id" :drawing="drawing" half="upper" kind="silicone" />
        <StepFill
          v-else-if="jackets.upper"
          :id="id"
          :drawing="drawing"
          half="upper"
          kind="hollow"
        />
      </g>
      <StepFill v-if="jackets.lower" :id="id" :drawing="drawing" half="lower" kind="jacket" />
      <StepFill v-if="stage.second" :id="id" :drawing="drawing" half="lower" kind="second" />
      <template v-else-if="jackets.lower || stage.bed">
        <StepFill v-if="jackets.lower" :id="id" :drawing="drawing" half="lower" kind="hollow" />
        <StepFill v-if="stage.bed" :id="id" :drawing="drawing" half="lower" kind="clay" />
      </template>
      <template v-if="stage.rods && !stage.open">
        <line
          v-for="(rod, i) in drawing.rods"
          :key="i"
          class="rod"
          :x1="rod.x"
          :x2="rod.x"
          :y1="rod.y"
          :y2="stage.turned ? drawing.fill : drawing.fill - 14"
          :stroke-width="rod.width"
        />
      </template>
      <template v-if="cavity">
        <line
          v-for="(rod, i) in drawing.rods"
          :key="i"
          class="channel"
          :transform="gap ? `translate(0 ${-gap})` : undefined"
          :x1="rod.x"
          :x2="rod.x"
          :y1="rod.y"
          :y2="drawing.fill - 1"
          :stroke-width="rod.width"
        />
      </template>
      <template v-if="parted && gap">
        <path
          :d="drawing.master"
          class="cavity"
          :transform="`translate(0 ${-gap})`"
          :clip-path="`url(#${id}-upper)`"
        />
        <path :d="drawing.master" class="cavity" :clip-path="`url(#${id}-lower)`" />
      </template>
      <path v-else :d="drawing.master" :class="cavity ? 'cavity' : 'master'" />
      <path v-if="stage.open && kind === 'cut block'" :d="wave" class="cut" />
      <line
        v-if="stage.released && !stage.open"
        class="release"
        :x1="drawing.seam.from"
        :x2="drawing.seam.to"
        :y1="drawing.parting"
        :y2="drawing.parting"
      />
      <template v-if="drawing.parting !== undefined && !stage.open && stage.master">
        <circle
          v-for="x in stage.bed || stage.first ? drawing.seam.keys : []"
          :key="x"
          class="key"
          :class="{ silicone: stage.first }"
          :cx="x"
          :cy="drawing.parting"
          r="7"
        />
      </template>
    </g>
    <path
      v-if="stage.walls"
      class="walls"
      :d="`M${drawing.left} ${drawing.fill - 16}V${drawing.floor}H${drawing.right}V${drawing.fill - 16}`"
    />
    <defs>
      <clipPath :id="`${id}-upper`">
        <rect v-bind="box(0, drawing.parting ?? 0)" :x="0" :width="width" />
      </clipPath>
      <clipPath :id="`${id}-lower`">
        <rect v-bind="box(drawing.parting ?? 0, height)" :x="0" :width="width" />
      </clipPath>
    </defs>
    <line
      v-if="stage.walls"
      class="fill"
      :x1="drawing.left - 10"
      :x2="drawing.right + 10"
      :y1="drawing.fill"
      :y2="drawing.fill"
    />
    <line
      v-if="stage.seated || stage.walls || stage.bed"
      class="board"
      :x1="drawing.left - 24"
      :x2="drawing.right + 24"
      :y1="drawing.floor + 3"
      :y2="drawing.floor + 3"
    />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}

.master {
  fill: var(--resin);
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 1.6;
}

.cavity {
  fill: var(--table);
  fill-rule: evenodd;
  stroke: var(--ink-2);
  stroke-width: 1.4;
  stroke-dasharray: 4 3;
}

.coat {
  fill: none;
  stroke: var(--silicone);
  stroke-linejoin: round;
}

.coat.other {
  stroke: var(--teal-mid);
}

.mother {
  fill: none;
  stroke: var(--track);
  stroke-linejoin: round;
}

.rod {
  stroke: var(--amber);
}

.channel {
  stroke: var(--table);
}

.key {
  fill: var(--table);
  stroke: var(--ink-2);
  stroke-width: 1;
}

.key.silicone {
  fill: var(--silicone);
}

.release {
  stroke: var(--amber);
  stroke-width: 3;
  stroke-dasharray: 2 4;
}

.cut {
  fill: none;
  stroke: var(--stop);
  stroke-width: 2;
}

.walls {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 5;
}

.flange {
  stroke: var(--ink-3);
}

.fill {
  stroke: var(--teal);
  stroke-width: 1.6;
  stroke-dasharray: 7 5;
}

.board {
  stroke: var(--ink-2);
  stroke-width: 3;
}
</style>
