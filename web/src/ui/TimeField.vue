<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { parseTimeOfDay, showTimeOfDay } from '@mivro/core/units'
import Says from './Says.vue'

/** A time of day, s after midnight; an empty optional field is none. */
const props = defineProps<{
  label: string
  value: number | undefined
  optional?: boolean
  placeholder?: string
  take: (value: number | undefined) => Problem | undefined | void
}>()
const id = useId()
const shown = computed(() => (props.value === undefined ? '' : showTimeOfDay(props.value)))
const typed = ref(shown.value)
const problem = ref<Problem>()
watch(shown, (now) => {
  if (!problem.value) typed.value = now
})

function commit(): void {
  if (typed.value === shown.value && !problem.value) return
  try {
    const empty = typed.value.trim() === '' && props.optional
    problem.value = props.take(empty ? undefined : parseTimeOfDay(typed.value)) ?? undefined
    if (!problem.value) typed.value = shown.value
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
      :placeholder="placeholder"
      :aria-invalid="problem ? 'true' : undefined"
      @blur="commit"
      @keydown.enter="commit"
    />
    <Says :problem="problem" />
  </div>
</template>

<style scoped>
.line-input {
  width: 80px;
}
</style>
