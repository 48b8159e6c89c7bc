<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import FieldRow from './FieldRow.vue'

defineProps<{
  label: string
  options: readonly { value: string; label: string }[]
  value: string
  /** There are many: typing narrows them down. */
  filterable?: boolean
}>()
const emit = defineEmits<{ choose: [value: string] }>()
</script>

<template>
  <FieldRow :label="label">
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
        v-for="option in options"
        :key="option.value"
        :value="option.value"
        :label="option.label"
      />
    </ElSelect>
  </FieldRow>
</template>
