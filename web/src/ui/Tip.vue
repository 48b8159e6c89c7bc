<script setup lang="ts">
import { ElTooltip } from 'element-plus'

/** More words about what the slot holds, shown when the pointer rests or the focus is there. */
defineProps<{ says?: string }>()
/** Its own keys would keep Enter and Space from the button in it. */
const none: string[] = []
</script>

<template>
  <ElTooltip
    :content="says"
    :disabled="!says"
    :show-after="400"
    :trigger-keys="none"
    popper-class="tip"
  >
    <slot />
  </ElTooltip>
</template>
