<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { sayProblem } from '@mivro/core/caution'
import type { Ratio } from '@mivro/core/material'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { parseRatio, showRatio } from '@mivro/core/units'
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
  <div class="ratio">
    <label for="mix-ratio">Mix ratio, A to B</label>
    <input
      id="mix-ratio"
      v-model="typed"
      type="text"
      :aria-invalid="problem ? 'true' : undefined"
      @blur="commit"
      @keydown.enter="commit"
    />
    <p v-if="problem" role="alert">{{ sayProblem(problem) }}</p>
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
.ratio {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
  gap: 2px 12px;
}

label {
  color: var(--ink-2);
  font-size: 12px;
}

input {
  width: 96px;
  border: 0;
  border-bottom: 1.5px solid var(--edge);
  background: transparent;
  text-align: right;
  font: 600 15px var(--num);
  outline: 0;
}

input:focus {
  border-color: var(--teal);
}

p {
  grid-column: 1 / 3;
  padding: 6px 10px;
  border-left: 3px solid var(--stop);
  border-radius: 0 8px 8px 0;
  background: var(--stop-soft);
  color: var(--stop-ink);
  font-size: 12px;
}
</style>
