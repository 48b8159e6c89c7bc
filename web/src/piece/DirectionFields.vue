<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@mivro/core/base/problem'
import type { Vec3 } from '@mivro/core/form/mesh'
import CountField from '../ui/CountField.vue'
import Fold from '../ui/Fold.vue'
import SegmentField from '../ui/SegmentField.vue'
import SideCube from './SideCube.vue'
import { sideOf, sides, type Side } from './sides.ts'

const props = defineProps<{ up: Vec3; take: (up: Vec3) => Problem | undefined }>()

const axes: Record<Side, string> = {
  Top: '+Z',
  Bottom: '−Z',
  Front: '−Y',
  Back: '+Y',
  Left: '−X',
  Right: '+X',
}
const options = (Object.keys(axes) as Side[]).map((value) => ({
  value,
  label: value,
  hint: `${axes[value]} of the file`,
}))
const chosen = computed(() => sideOf(props.up))
const change = (axis: number, value: number) =>
  props.take(props.up.map((x, i) => (i === axis ? value : x)) as unknown as Vec3)
</script>

<template>
  <div class="side">
    <SegmentField
      above
      label="Which side of the shape points up in the mould"
      :options="options"
      :value="chosen ?? ''"
      @choose="take(sides[$event])"
    />
    <SideCube :side="chosen" />
  </div>
  <Fold title="Another direction" :open="!chosen">
    <CountField
      v-for="(name, axis) in ['X', 'Y', 'Z']"
      :key="name"
      :label="`Up, ${name}`"
      :value="up[axis]"
      :take="(value) => change(axis, value)"
    />
  </Fold>
</template>

<style scoped>
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 8px;
}

.side :deep(.el-segmented__item) {
  padding: 0 4px;
}
</style>
