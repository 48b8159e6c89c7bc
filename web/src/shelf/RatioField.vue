<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Ratio } from '@mivro/core/material'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { parseRatio, showRatio } from '@mivro/core/units'
import Says from '../ui/Says.vue'
import SegmentField from '../ui/SegmentField.vue'

const props = defineProps<{ ratio: Ratio; take: (ratio: Ratio) => Problem | undefined }>()
const shown = computed(() => showRatio(props.ratio))
const typed = ref(shown.value)
const problem = ref<Problem>()
watch(shown, (value) => {
  if (!problem.value) typed.value = value
})

function commit(): void {
  try {
    problem.value = props.take({ by: props.ratio.by, ...parseRatio(typed.value) })
  } catch (error) {
    problem.value = problemsOf(error)[0]
  }
}
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
