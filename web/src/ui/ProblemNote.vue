<script setup lang="ts">
import { ElAlert } from 'element-plus'
import type { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { useStudio } from '../project/studioStore.ts'

defineProps<{ problem: Problem }>()
const studio = useStudio()
</script>

<template>
  <ElAlert class="problem" type="error" :closable="false">
    {{ sayProblem(problem, studio.units) }}
  </ElAlert>
</template>

<style scoped>
.problem {
  margin: 12px 0;
}
</style>
