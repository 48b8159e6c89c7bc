<script setup lang="ts">
import { ref, watch } from 'vue'
import { ElInput } from 'element-plus'
import type { Problem } from '@mivro/core/base/problem'
import FieldRow from './FieldRow.vue'

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
  <FieldRow v-slot="{ said }" :label="label" :problem="problem" :bare="bare" above>
    <ElInput
      v-model="typed"
      :class="{ heading }"
      :type="lines ? 'textarea' : 'text'"
      :rows="lines"
      :placeholder="placeholder"
      autocomplete="off"
      v-bind="said"
      @blur="commit"
      @keydown.enter="lines || commit()"
    />
  </FieldRow>
</template>
