<script setup lang="ts">
import { useId } from 'vue'

defineProps<{
  label: string
  options: readonly { value: string; label: string }[]
  value: string
}>()
const emit = defineEmits<{ choose: [value: string] }>()
const id = useId()
</script>

<template>
  <div class="field-row">
    <label :for="id" class="field-label">{{ label }}</label>
    <select
      :id="id"
      :value="value"
      @change="emit('choose', ($event.target as HTMLSelectElement).value)"
    >
      <option v-for="option in options" :key="option.value" :value="option.value">
        {{ option.label }}
      </option>
    </select>
  </div>
</template>

<style scoped>
select {
  max-width: 210px;
  border: 0;
  border-bottom: 1.5px solid var(--edge);
  padding: 4px 2px;
  background: transparent;
  font-weight: 600;
}
</style>
