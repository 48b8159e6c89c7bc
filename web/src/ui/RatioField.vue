<script setup lang="ts">
import type { Ratio } from '@mivro/core/material'
import type { Problem } from '@mivro/core/problem'
import { parseRatio, showRatio } from '@mivro/core/units'
import AssumedMark from './AssumedMark.vue'
import Says from './Says.vue'
import SegmentField from './SegmentField.vue'
import { useTyped } from './useTyped.ts'

const props = defineProps<{
  ratio: Ratio
  take: (ratio: Ratio) => Problem | undefined
  /** The class's, until its sheet is typed. */
  assumed?: boolean
}>()
const emit = defineEmits<{ confirm: [] }>()
const { typed, problem, commit } = useTyped(
  () => showRatio(props.ratio),
  (text) => props.take({ by: props.ratio.by, ...parseRatio(text) }),
)
</script>

<template>
  <div class="ratio">
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
    <AssumedMark v-if="assumed" @confirm="emit('confirm')" />
  </div>
</template>

<style scoped>
.ratio {
  display: grid;
  gap: 10px;
}

.line-input {
  width: 96px;
}
</style>
