<script setup lang="ts" generic="V extends string">
import { ElSegmented } from 'element-plus'
import { choicesOf, type Choices } from './choices.ts'
import FieldRow from './FieldRow.vue'
import Tip from './Tip.vue'

defineProps<{
  label: string
  options: Choices<V>
  value: NoInfer<V> | ''
  /** Label above instead of beside. */
  above?: boolean
}>()
const emit = defineEmits<{ choose: [value: V] }>()
</script>

<template>
  <FieldRow :label="label" :above="above" class="segment">
    <ElSegmented
      :model-value="value"
      :options="choicesOf(options)"
      :block="above"
      :aria-label="label"
      @update:model-value="emit('choose', $event as V)"
    >
      <template #default="{ item }">
        <Tip :says="item.hint">
          <span>{{ item.label }}</span>
        </Tip>
      </template>
    </ElSegmented>
  </FieldRow>
</template>
