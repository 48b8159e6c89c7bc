<script setup lang="ts">
import { computed, useId } from 'vue'
import type { FillCurve, Section } from '@mivro/core/form/filling'
import { seenBlends, seenFromSide, type CompiledPlan } from '@mivro/core/work/plan'
import SidedCut from '../../cutaway/SidedCut.vue'

/** The piece from the side as an eye sees it, over white. */
const props = defineProps<{
  section: Section
  curve: FillCurve
  compiled: CompiledPlan
  selected?: string
}>()
const emit = defineEmits<{ select: [id: string] }>()
const id = useId()
const bands = computed(() =>
  props.compiled.layers
    .filter(({ depth }) => depth > 0)
    .map((layer) => ({
      layer,
      stops: seenFromSide(layer, props.curve)
        .map(({ height, colour }) => ({ at: (layer.top - height) / layer.depth, colour }))
        .reverse(),
    })),
)
/** Where two layers run into each other. */
const blends = computed(() => seenBlends(props.compiled.layers, props.curve))
</script>

<template>
  <SidedCut :section="section" :compiled="compiled">
    <template #layers="{ frame, path }">
      <defs>
        <clipPath :id="id"><path :d="path" clip-rule="evenodd" /></clipPath>
        <linearGradient
          v-for="{ layer, stops } in bands"
          :id="`${id}-${layer.id}`"
          :key="layer.id"
          x2="0"
          y2="1"
        >
          <stop v-for="{ at, colour } in stops" :key="at" :offset="at" :stop-color="colour" />
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
          v-for="{ layer, stops } in bands"
          :key="layer.id"
          :y="frame.y(layer.top)"
          width="100%"
          :height="frame.y(layer.bottom) - frame.y(layer.top)"
          :fill="stops.length > 0 ? `url(#${id}-${layer.id})` : 'var(--panel)'"
          @click="emit('select', layer.id)"
        >
          <title>{{ layer.name }}</title>
        </rect>
        <rect
          v-for="blend in blends"
          :key="`${blend.id}-join`"
          :y="frame.y(blend.top)"
          width="100%"
          :height="frame.y(blend.bottom) - frame.y(blend.top)"
          :fill="`url(#${id}-${blend.id}-join)`"
          class="join"
        />
      </g>
    </template>
    <template #default="{ frame }">
      <rect
        v-for="{ layer } in bands.filter((one) => one.layer.id === selected)"
        :key="layer.id"
        x="3"
        :y="frame.y(layer.top)"
        width="4"
        :height="frame.y(layer.bottom) - frame.y(layer.top)"
        class="chosen"
      />
    </template>
  </SidedCut>
</template>

<style scoped>
.join {
  pointer-events: none;
}

.chosen {
  fill: var(--teal);
}
</style>
