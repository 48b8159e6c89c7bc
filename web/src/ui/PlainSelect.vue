<script setup lang="ts">
defineProps<{
  label: string
  options: readonly { value: string; label: string }[]
  value: string
}>()
const emit = defineEmits<{ choose: [value: string] }>()
</script>

<template>
  <label class="field-row">
    <span class="field-label">{{ label }}</span>
    <select :value="value" @change="emit('choose', ($event.target as HTMLSelectElement).value)">
      <option v-for="option in options" :key="option.value" :value="option.value">
        {{ option.label }}
      </option>
    </select>
  </label>
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
