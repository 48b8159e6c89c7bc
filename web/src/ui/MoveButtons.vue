<script setup lang="ts">
import { ArrowDown, ArrowUp } from 'lucide-vue-next'
import ToolButton from './ToolButton.vue'

/** An entry of a list moved by one, for whoever does not draw it. */
defineProps<{ label: string; index: number; count: number }>()
defineEmits<{ move: [to: number] }>()
</script>

<template>
  <ToolButton
    bare
    :label="`${label} earlier`"
    tip="Earlier"
    :disabled="index === 0"
    @click="$emit('move', index - 1)"
  >
    <ArrowUp :size="14" aria-hidden="true" />
  </ToolButton>
  <ToolButton
    bare
    :label="`${label} later`"
    tip="Later"
    :disabled="index === count - 1"
    @click="$emit('move', index + 1)"
  >
    <ArrowDown :size="14" aria-hidden="true" />
  </ToolButton>
</template>
