<script setup lang="ts">
import { ElButton } from 'element-plus'
import Tip from './Tip.vue'

/** A tool with its picture in the slot; what it does, and its key, stand in a tip. */
defineProps<{
  label: string
  /** Only the picture is shown. */
  bare?: boolean
  /** More words than the label, and the key. */
  tip?: string
}>()
defineOptions({ inheritAttrs: false })
</script>

<template>
  <Tip :says="tip ?? label">
    <ElButton
      round
      class="tool"
      :class="{ bare }"
      :aria-label="bare ? label : undefined"
      v-bind="$attrs"
    >
      <slot /><span v-if="!bare" class="label">{{ label }}</span>
    </ElButton>
  </Tip>
</template>
