<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@mivro/core/problem'
import type { Vec3 } from '@mivro/core/mesh'
import CountField from '../ui/CountField.vue'
import SegmentField from '../ui/SegmentField.vue'

const props = defineProps<{ up: Vec3; take: (up: Vec3) => Problem | undefined }>()

const axes: Record<string, Vec3> = {
  '+Z': [0, 0, 1],
  '−Z': [0, 0, -1],
  '+X': [1, 0, 0],
  '−X': [-1, 0, 0],
  '+Y': [0, 1, 0],
  '−Y': [0, -1, 0],
}
const options = Object.keys(axes).map((value) => ({ value, label: value }))
const chosen = computed(() => {
  const found = Object.entries(axes).find(([, axis]) => axis.every((x, i) => x === props.up[i]))
  return found?.[0] ?? ''
})
const change = (axis: number, value: number) =>
  props.take(props.up.map((x, i) => (i === axis ? value : x)) as unknown as Vec3)
</script>

<template>
  <SegmentField
    above
    label="Which side of the shape points up in the mould"
    :options="options"
    :value="chosen"
    @choose="take(axes[$event])"
  />
  <div class="any">
    <CountField
      v-for="(name, axis) in ['X', 'Y', 'Z']"
      :key="name"
      :label="`Up, ${name}`"
      :value="up[axis]"
      :take="(value) => change(axis, value)"
    />
  </div>
</template>

<style scoped>
.any {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 4px 16px;
}

.any :deep(input) {
  width: 44px;
  font-size: var(--size);
}
</style>
