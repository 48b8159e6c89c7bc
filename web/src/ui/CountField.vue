<script setup lang="ts">
import type { Problem } from '@mivro/core/base/problem'
import { parseNumber } from '@mivro/core/base/units'
import FieldRow from './FieldRow.vue'
import LineInput from './LineInput.vue'
import { useRefusal } from './refusals.ts'
import { useTyped } from './useTyped.ts'

const props = defineProps<{
  label: string
  value: number
  /** No visible label: it stands elsewhere. */
  bare?: boolean
  unit?: string
  take: (value: number) => Problem | undefined | void
}>()

const { typed, problem, commit, forget } = useTyped(
  () => String(props.value),
  (text) => props.take(parseNumber(text)),
)
useRefusal(
  () => props.label,
  () => problem.value,
)
</script>

<template>
  <FieldRow v-slot="{ said }" :label="label" :problem="problem" :bare="bare">
    <LineInput
      v-model="typed"
      inputmode="decimal"
      :unit="unit ?? ''"
      v-bind="said"
      @commit="commit"
      @forget="forget"
    />
  </FieldRow>
</template>
