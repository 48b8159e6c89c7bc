<script setup lang="ts" generic="V extends string">
import { ElOption, ElSelect } from 'element-plus'
import { choicesOf, type Choices } from './choices.ts'
import FieldRow from './FieldRow.vue'

defineProps<{
  label: string
  options: Choices<V>
  value: NoInfer<V> | ''
  /** There are many: typing narrows them down. */
  filterable?: boolean
  /** No visible label: it stands elsewhere. */
  bare?: boolean
}>()
const emit = defineEmits<{ choose: [value: V] }>()
</script>

<template>
  <FieldRow :label="label" :bare="bare">
    <ElSelect
      :persistent="false"
      class="line"
      :empty-values="[null, undefined]"
      :model-value="value"
      :aria-label="label"
      :filterable="filterable"
      @update:model-value="emit('choose', $event)"
    >
      <ElOption
        v-for="option in choicesOf(options)"
        :key="option.value"
        :value="option.value"
        :label="option.label"
      />
    </ElSelect>
  </FieldRow>
</template>
