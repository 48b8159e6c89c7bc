<script setup lang="ts">
import { computed } from 'vue'
import { solidNames, type Solid } from '@mivro/core/shape'
import type { Problem } from '@mivro/core/problem'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import { startingSolid } from './startingSolids.ts'

const props = defineProps<{ solid: Solid; take: (solid: Solid) => Problem | undefined }>()

const kinds = Object.entries(solidNames).map(([value, label]) => ({ value, label }))

const labels: Record<string, string> = {
  diameter: 'Diameter',
  thickness: 'Thickness',
  bevel: 'Bevel of the face',
  width: 'Width',
  depth: 'Depth',
  height: 'Height',
}
const lengths = computed(
  () => Object.entries(props.solid).filter(([key]) => key in labels) as [string, number][],
)
const change = (key: string, value: number | undefined) =>
  props.take({ ...props.solid, [key]: value ?? 0 } as Solid)
</script>

<template>
  <SegmentField
    above
    label="Shape"
    :options="kinds"
    :value="solid.solid"
    @choose="take(startingSolid($event as Solid['solid']))"
  />
  <QuantityField
    v-for="[key, value] in lengths"
    :key="`${solid.solid}-${key}`"
    :label="labels[key]"
    kind="length"
    :value="value"
    :take="(length) => change(key, length)"
  />
  <CountField
    v-if="solid.solid === 'drop'"
    label="Facets around"
    :value="solid.facets"
    :take="(facets) => take({ ...solid, facets } as Solid)"
  />
</template>
