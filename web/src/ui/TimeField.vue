<script setup lang="ts">
import type { Problem } from '@mivro/core/base/problem'
import { parseTimeOfDay, showTimeOfDay } from '@mivro/core/base/units'
import FieldRow from './FieldRow.vue'
import LineInput from './LineInput.vue'
import { useTyped } from './useTyped.ts'

/** A time of day, s after midnight; an empty optional field is none. */
const props = defineProps<{
  label: string
  value: number | undefined
  optional?: boolean
  placeholder?: string
  take: (value: number | undefined) => Problem | undefined | void
}>()
const { typed, problem, commit, forget } = useTyped(
  () => (props.value === undefined ? '' : showTimeOfDay(props.value)),
  (text) => props.take(props.optional && text.trim() === '' ? undefined : parseTimeOfDay(text)),
)
</script>

<template>
  <FieldRow v-slot="{ said }" :label="label" :problem="problem">
    <LineInput
      v-model="typed"
      :placeholder="placeholder"
      v-bind="said"
      @commit="commit"
      @forget="forget"
    />
  </FieldRow>
</template>
