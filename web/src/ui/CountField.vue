<script setup lang="ts">
import { useId } from 'vue'
import type { Problem } from '@mivro/core/problem'
import { parseNumber } from '@mivro/core/units'
import { useRefusal } from './refusals.ts'
import Says from './Says.vue'
import { useTyped } from './useTyped.ts'

const props = defineProps<{
  label: string
  value: number
  take: (value: number) => Problem | undefined | void
}>()

const id = useId()
const { typed, problem, commit } = useTyped(
  () => String(props.value),
  (text) => props.take(parseNumber(text)),
)
useRefusal(
  () => props.label,
  () => problem.value,
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
