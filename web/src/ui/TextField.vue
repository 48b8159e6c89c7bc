<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import type { Problem } from '@mivro/core/problem'
import Says from './Says.vue'

const props = defineProps<{
  label: string
  value: string
  take: (value: string) => Problem | undefined | void
  /** Several lines. */
  lines?: number
  placeholder?: string
  bare?: boolean
  /** Looks like a heading. */
  heading?: boolean
}>()

const id = useId()
const typed = ref(props.value)
const problem = ref<Problem>()
watch(
  () => props.value,
  (value) => {
    if (!problem.value) typed.value = value
  },
)

function commit(): void {
  if (typed.value === props.value) {
    problem.value = undefined
    return
  }
  problem.value = props.take(typed.value) || undefined
}
</script>

<template>
  <div class="field">
    <label :for="id" :class="bare ? 'visually-hidden' : 'field-label'">{{ label }}</label>
    <textarea
      v-if="lines"
      :id="id"
      v-model="typed"
      :rows="lines"
      :placeholder="placeholder"
      @blur="commit"
    />
    <input
      v-else
      :id="id"
      v-model="typed"
      type="text"
      :class="{ heading }"
      :placeholder="placeholder"
      autocomplete="off"
      :aria-invalid="problem ? 'true' : undefined"
      @blur="commit"
      @keydown.enter="commit"
    />
    <Says :problem="problem" />
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}

input,
textarea {
  width: 100%;
  border: 1px solid var(--line);
  border-radius: var(--r-field);
  padding: 7px 10px;
  background: var(--panel);
  resize: vertical;
}

input:hover,
textarea:hover {
  border-color: var(--edge);
}

input.heading {
  border-color: transparent;
  padding: 2px 6px;
  margin-left: -7px;
  font: 650 var(--size-lead) var(--num);
  text-overflow: ellipsis;
}

input.heading:hover,
input.heading:focus {
  border-color: var(--line);
}

::placeholder {
  color: var(--ink-3);
}
</style>
