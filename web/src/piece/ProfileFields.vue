<script setup lang="ts">
import { ElButton } from 'element-plus'
import { Plus } from 'lucide-vue-next'
import type { Problem } from '@mivro/core/base/problem'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'

type Point = { radius: number; height: number }
const props = defineProps<{
  profile: readonly Point[]
  take: (profile: Point[]) => Problem | undefined
}>()

const change = (index: number, values: Partial<Point>) =>
  props.take(props.profile.map((point, i) => (i === index ? { ...point, ...values } : point)))

/** The next point continues as the last step went. */
function add(): void {
  const [before, last] = props.profile.slice(-2)
  props.take([
    ...props.profile,
    { radius: last.radius, height: 2 * last.height - before.height + 0.001 },
  ])
}
const remove = (index: number) => props.take(props.profile.filter((_, i) => i !== index))
</script>

<template>
  <div class="profile">
    <div class="row quiet small"><span>Radius</span><span>at height</span><span /></div>
    <div v-for="(point, i) in profile" :key="i" class="point">
      <QuantityField
        bare
        :label="`Radius ${i + 1}`"
        kind="length"
        :value="point.radius"
        :take="(radius) => change(i, { radius })"
      />
      <QuantityField
        bare
        :label="`Height ${i + 1}`"
        kind="length"
        :value="point.height"
        :take="(height) => change(i, { height })"
      />
      <RemoveButton v-if="profile.length > 2" :label="`Delete point ${i + 1}`" @click="remove(i)" />
    </div>
    <ElButton link type="primary" @click="add">
      <Plus :size="14" aria-hidden="true" />Add a point
    </ElButton>
  </div>
</template>

<style scoped>
.profile {
  display: flex;
  flex-direction: column;
  gap: 4px;
  align-items: flex-start;
}

.point,
.profile > .row {
  width: 100%;
  display: grid;
  grid-template-columns: 1fr 1fr 28px;
  gap: 12px;
}

.point :deep(.field-row) {
  grid-template-columns: 1fr;
}
</style>
