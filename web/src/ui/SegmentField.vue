<script setup lang="ts">
import { useId } from 'vue'

defineProps<{
  label: string
  options: readonly { value: string; label: string; hint?: string }[]
  value: string
  /** Label above instead of beside. */
  above?: boolean
}>()
const emit = defineEmits<{ choose: [value: string] }>()
const group = useId()
</script>

<template>
  <fieldset class="segment" :class="{ above }">
    <legend>{{ label }}</legend>
    <div class="seg">
      <label
        v-for="option in options"
        :key="option.value"
        :class="{ on: option.value === value }"
        :title="option.hint"
      >
        <input
          type="radio"
          class="visually-hidden"
          :name="`${group}-${label}`"
          :value="option.value"
          :checked="option.value === value"
          @change="emit('choose', option.value)"
        />
        {{ option.label }}
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.segment {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  margin: 0;
  padding: 0;
  border: 0;
  min-width: 0;
}

.segment.above {
  display: block;
}

legend {
  float: left;
  padding: 0;
  color: var(--ink-2);
  font-size: var(--size-small);
}

.above legend {
  float: none;
  margin-bottom: 5px;
}

.seg {
  display: flex;
  border: 1px solid var(--line);
  border-radius: var(--r-field);
  background: var(--panel);
}

.above .seg {
  width: 100%;
}

.seg label {
  position: relative;
  flex: 1;
  padding: 6px 12px;
  text-align: center;
  font-size: var(--size-small);
  color: var(--ink-2);
  cursor: pointer;
  white-space: nowrap;
}

.seg label:first-child {
  border-radius: var(--r-field) 0 0 var(--r-field);
}

.seg label:last-child {
  border-radius: 0 var(--r-field) var(--r-field) 0;
}

.seg label:hover {
  background: var(--hover);
}

.seg label.on {
  background: var(--teal-soft);
  color: var(--teal-ink);
  font-weight: 650;
}

.seg label:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 1px;
}
</style>
