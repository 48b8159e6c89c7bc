<script setup lang="ts">
import { useId } from 'vue'
import type { Problem } from '@mivro/core/problem'
import { parseTimeOfDay, showTimeOfDay } from '@mivro/core/units'
import Says from './Says.vue'
import { useTyped } from './useTyped.ts'

/** A time of day, s after midnight; an empty optional field is none. */
const props = defineProps<{
  label: string
  value: number | undefined
  optional?: boolean
  placeholder?: string
  take: (value: number | undefined) => Problem | undefined | void
}>()
const id = useId()
const { typed, problem, commit } = useTyped(
  () => (props.value === undefined ? '' : showTimeOfDay(props.value)),
  (text) => props.take(props.optional && text.trim() === '' ? undefined : parseTimeOfDay(text)),
)
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
