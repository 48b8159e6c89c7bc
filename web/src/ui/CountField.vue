<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import { sayProblem } from '@mivro/core/caution'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { parseNumber } from '@mivro/core/units'

const props = defineProps<{
  label: string
  value: number
  take: (value: number) => Problem | undefined | void
}>()

const id = useId()
const typed = ref(String(props.value))
const problem = ref<Problem>()
watch(
  () => props.value,
  (value) => {
    if (!problem.value) typed.value = String(value)
  },
)

function commit(): void {
  try {
    const value = parseNumber(typed.value)
    problem.value = value === props.value ? undefined : props.take(value) || undefined
  } catch (error) {
    problem.value = problemsOf(error)[0]
  }
}
</script>

<template>
  <div class="field" :class="{ wrong: problem }">
    <label :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="typed"
      type="text"
      inputmode="numeric"
      autocomplete="off"
      :aria-invalid="problem ? 'true' : undefined"
      @blur="commit"
      @focus="($event.target as HTMLInputElement).select()"
      @keydown.enter="commit"
    />
    <p v-if="problem" role="alert">{{ sayProblem(problem) }}</p>
  </div>
</template>

<style scoped>
.field {
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
  width: 76px;
  border: 0;
  border-bottom: 1.5px solid var(--edge);
  padding: 2px 2px 3px;
  background: transparent;
  outline: 0;
  text-align: right;
  font: 600 15px var(--num);
  font-feature-settings: 'tnum';
}

input:focus {
  border-color: var(--teal);
  box-shadow: 0 1px 0 var(--teal);
}

.wrong input {
  border-color: var(--stop);
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
