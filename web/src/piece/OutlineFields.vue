<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@mivro/core/base/problem'
import { loopsOfWidth, widthOfLoops, type Outline2D } from '@mivro/core/form/shape'
import QuantityField from '../ui/QuantityField.vue'

const props = defineProps<{
  outline: Outline2D
  take: (outline: Outline2D) => Problem | undefined
}>()
const width = computed(() => widthOfLoops(props.outline.loops))
</script>

<template>
  <QuantityField
    label="Width of the outline"
    kind="length"
    :value="width"
    :take="(to) => (to ? take({ ...outline, loops: loopsOfWidth(outline.loops, to) }) : undefined)"
  />
  <QuantityField
    label="Thickness"
    kind="length"
    :value="outline.thickness"
    :take="(thickness) => take({ ...outline, thickness })"
  />
  <QuantityField
    label="Bevel of the face"
    kind="length"
    :value="outline.bevel"
    :take="(bevel) => take({ ...outline, bevel })"
  />
</template>
