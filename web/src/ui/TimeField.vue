<script setup lang="ts">
import { useId } from 'vue'
import { showTimeOfDay } from '@mivro/core/units'

/** A time of day, s after midnight; an empty field is none. */
defineProps<{
  label: string
  value: number | undefined
  optional?: boolean
}>()
const emit = defineEmits<{ take: [value: number | undefined] }>()
const id = useId()

function commit(event: Event): void {
  const typed = (event.target as HTMLInputElement).value
  const [hour, minute] = typed.split(':').map(Number)
  emit('take', typed === '' ? undefined : hour * 3600 + minute * 60)
}
</script>

<template>
  <div class="field-row">
    <label :for="id" class="field-label">{{ label }}</label>
    <input
      :id="id"
      class="line-input"
      type="time"
      :required="!optional"
      :value="value === undefined ? '' : showTimeOfDay(value).slice(0, 5)"
      @change="commit"
    />
  </div>
</template>

<style scoped>
.line-input {
  width: 92px;
  font: 600 14px var(--num);
}
</style>
