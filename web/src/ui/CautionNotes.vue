<script setup lang="ts">
import type { Caution } from '@mivro/core/base/caution'
import CautionNote from './CautionNote.vue'
import type { Fix } from './fix.ts'

/** What is to be said at one place, each with its ways out. */
defineProps<{ of: readonly Caution[]; fixes?: (caution: Caution) => readonly Fix[] }>()
</script>

<template>
  <CautionNote
    v-for="(caution, i) in of"
    :key="`${caution.code} ${i}`"
    :caution="caution"
    :fixes="fixes?.(caution)"
  />
</template>
