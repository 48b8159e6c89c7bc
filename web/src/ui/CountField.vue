<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { parseNumber } from '@mivro/core/units'
import Says from './Says.vue'

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
  <div class="field-row">
    <label :for="id" class="field-label">{{ label }}</label>
    <input
      :id="id"
      v-model="typed"
      class="line-input"
      type="text"
      inputmode="numeric"
      autocomplete="off"
      :aria-invalid="problem ? 'true' : undefined"
      @blur="commit"
      @focus="($event.target as HTMLInputElement).select()"
      @keydown.enter="commit"
    />
    <Says :problem="problem" />
  </div>
</template>
