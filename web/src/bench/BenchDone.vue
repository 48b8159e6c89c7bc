<script setup lang="ts">
import { ElButton } from 'element-plus'
import type { RouteLocationRaw } from 'vue-router'
import type { Bench } from '@mivro/core/work/bench'
import type { Problem } from '@mivro/core/base/problem'
import ProblemNote from '../ui/ProblemNote.vue'
import FeltNote from './FeltNote.vue'
import type { Written } from './useLog.ts'

/** All is done: what the log has of it, and where results are written. */
defineProps<{
  bench: Bench
  written: readonly Written[]
  problems: readonly Problem[]
  back: RouteLocationRaw
}>()
</script>

<template>
  <h2>All is done</h2>
  <p class="lead">
    {{
      bench.of.what === 'mould'
        ? 'The mould is made. Its first pull carries out crumbs and is a trial.'
        : 'The log is written. Look at each copy and say how it came out.'
    }}
  </p>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  <ul>
    <li v-for="pull in written" :key="pull.id">
      <ElButton
        tag="router-link"
        type="primary"
        size="large"
        :to="{ name: 'pulls', params: { id: pull.piece, pull: pull.id } }"
      >
        {{ pull.name }}: {{ pull.copies }} {{ pull.copies === 1 ? 'cast' : 'casts' }}
      </ElButton>
    </li>
  </ul>
  <FeltNote :bench="bench" />
  <p class="quiet">
    <RouterLink :to="back">Back to the plan</RouterLink>
  </p>
</template>

<style scoped>
h2 {
  font: 650 var(--size-figure) / 1.15 var(--num);
}

.lead {
  font-size: var(--bench-lead);
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}

.el-button {
  min-height: 64px;
}
</style>
