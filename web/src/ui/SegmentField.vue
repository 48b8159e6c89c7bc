<script setup lang="ts">
import { ElSegmented } from 'element-plus'
import FieldRow from './FieldRow.vue'
import Tip from './Tip.vue'

defineProps<{
  label: string
  options: readonly { value: string; label: string; hint?: string }[]
  value: string
  /** Label above instead of beside. */
  above?: boolean
}>()
const emit = defineEmits<{ choose: [value: string] }>()
</script>

<template>
  <FieldRow :label="label" :above="above" class="segment">
    <ElSegmented
      :model-value="value"
      :options="[...options]"
      :block="above"
      :aria-label="label"
      @update:model-value="emit('choose', String($event))"
    >
      <template #default="{ item }">
        <Tip :says="item.hint">
          <span>{{ item.label }}</span>
        </Tip>
      </template>
    </ElSegmented>
  </FieldRow>
</template>
