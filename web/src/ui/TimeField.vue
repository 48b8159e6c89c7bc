<script setup lang="ts">
import { parseTimeOfDay, showTimeOfDay } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import FieldRow from './FieldRow.vue'
import LineInput from './LineInput.vue'
import type { Taking } from './taking.ts'
import { useTyped } from './useTyped.ts'

/** A time of day, s after midnight; an empty optional field is none. */
const props = defineProps<
  { label: string; value: number | undefined; placeholder?: string } & Taking
>()
const studio = useStudio()
const { typed, problem, commit, forget } = useTyped(
  () => (props.value === undefined ? '' : showTimeOfDay(props.value, studio.units)),
  (text) =>
    props.optional && text.trim() === '' ? props.take(undefined) : props.take(parseTimeOfDay(text)),
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
