<script setup lang="ts">
import type { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { useStudio } from '../project/studioStore.ts'

/** What is wrong with a field, under it. */
defineProps<{ problem: Problem | undefined }>()
const studio = useStudio()
</script>

<template>
  <p v-if="problem" class="says" role="alert">{{ sayProblem(problem, studio.units) }}</p>
</template>

<style scoped>
.says {
  grid-column: 1 / -1;
  padding: 6px 10px;
  border-left: 3px solid var(--stop);
  border-radius: 0 var(--r-field) var(--r-field) 0;
  background: var(--stop-soft);
  color: var(--stop-ink);
  font-size: var(--size-small);
  text-align: left;
}
</style>
