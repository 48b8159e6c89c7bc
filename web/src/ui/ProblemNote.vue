<script setup lang="ts">
import { sayProblem } from '@mivro/core/caution'
import type { Problem } from '@mivro/core/problem'
import { useStudio } from '../project/studioStore.ts'

defineProps<{ problem: Problem }>()
const studio = useStudio()
</script>

<template>
  <p class="problem" role="alert">{{ sayProblem(problem, studio.units) }}</p>
</template>

<style scoped>
.problem {
  margin: 12px 0;
  padding: 10px 14px;
  border-left: 3px solid var(--stop);
  border-radius: 0 var(--r-field) var(--r-field) 0;
  background: var(--stop-soft);
  color: var(--stop-ink);
}
</style>
