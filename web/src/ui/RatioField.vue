<script setup lang="ts">
import type { Ratio } from '@mivro/core/material'
import type { Problem } from '@mivro/core/problem'
import { parseRatio, showRatio } from '@mivro/core/units'
import Says from './Says.vue'
import SegmentField from './SegmentField.vue'
import { useTyped } from './useTyped.ts'

const props = defineProps<{ ratio: Ratio; take: (ratio: Ratio) => Problem | undefined }>()
const { typed, problem, commit } = useTyped(
  () => showRatio(props.ratio),
  (text) => props.take({ by: props.ratio.by, ...parseRatio(text) }),
)
</script>

<template>
  <div class="field-row">
    <label for="mix-ratio" class="field-label">Mix ratio, A to B</label>
    <input
      id="mix-ratio"
      v-model="typed"
      class="line-input"
      type="text"
      :aria-invalid="problem ? 'true' : undefined"
      @blur="commit"
      @keydown.enter="commit"
    />
    <Says :problem="problem" />
  </div>
  <SegmentField
    label="Measured by"
    :options="[
      { value: 'weight', label: 'Weight' },
      { value: 'volume', label: 'Volume' },
    ]"
    :value="ratio.by"
    @choose="take({ ...ratio, by: $event as Ratio['by'] })"
  />
</template>

<style scoped>
.line-input {
  width: 96px;
}
</style>
