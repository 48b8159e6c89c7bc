<script setup lang="ts">
import { nextTick, ref } from 'vue'
import { ElInput } from 'element-plus'

/** One line to type a value into: Enter or leaving it commits, Esc takes the typing back. */
defineProps<{ placeholder?: string; unit?: string }>()
const typed = defineModel<string>({ required: true })
const emit = defineEmits<{ commit: []; forget: [] }>()
defineOptions({ inheritAttrs: false })
const input = ref<InstanceType<typeof ElInput>>()

async function select(): Promise<void> {
  await nextTick()
  input.value?.select()
}
</script>

<template>
  <ElInput
    ref="input"
    v-model="typed"
    v-bind="$attrs"
    class="line"
    autocomplete="off"
    spellcheck="false"
    :placeholder="placeholder"
    @focus="select"
    @blur="emit('commit')"
    @keydown.enter="emit('commit')"
    @keydown.esc.stop="emit('forget')"
  >
    <!-- Always there: the input looks for it once, and a unit comes with the first digit. -->
    <template #suffix>
      <span v-if="unit" aria-hidden="true">{{ unit }}</span>
    </template>
  </ElInput>
</template>
