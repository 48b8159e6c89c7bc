<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { ElBreadcrumb, ElBreadcrumbItem } from 'element-plus'
import { benchUnderWay } from '../api/benchUnderWay.ts'
import SaveMark from './SaveMark.vue'
import UndoButtons from './UndoButtons.vue'
import UnitsMenu from './UnitsMenu.vue'
import { useTrail } from './whereabouts.ts'
import { useStudio } from '../project/studioStore.ts'

const studio = useStudio()
const RunningBench = defineAsyncComponent(() => import('./RunningBench.vue'))
const bench = benchUnderWay()

const crumb = useTrail()
</script>

<template>
  <header class="bar">
    <RouterLink class="mark" to="/pieces" aria-label="Mivro, to the pieces">mivro</RouterLink>
    <ElBreadcrumb separator="/" class="crumb">
      <ElBreadcrumbItem
        v-for="(part, i) in crumb"
        :key="part"
        :to="i === 0 && crumb.length > 1 ? (part === 'Runs' ? '/runs' : '/pieces') : undefined"
        >{{ part }}</ElBreadcrumbItem
      >
    </ElBreadcrumb>
    <span class="grow" />
    <RunningBench v-if="bench" :key="bench.id" :bench="bench" />
    <UndoButtons />
    <SaveMark />
    <span class="studio">{{ studio.studio.name }}</span>
    <UnitsMenu />
  </header>
</template>

<style scoped>
.bar {
  grid-column: 1 / 3;
  display: flex;
  align-items: center;
  gap: 16px;
  padding-right: 18px;
  background: var(--ink);
  color: var(--bar-ink);
}

.bar :deep(.el-button) {
  --el-button-bg-color: transparent;
  --el-button-border-color: var(--bar-line);
  --el-button-text-color: var(--bar-ink);
  --el-button-hover-bg-color: var(--bar-hover);
  --el-button-hover-border-color: var(--bar-line);
  --el-button-hover-text-color: var(--bar-ink);
  --el-button-disabled-text-color: var(--bar-off);
  --el-fill-color-light: var(--bar-hover);
  --el-fill-color: var(--bar-hover);
}

.mark {
  width: 76px;
  text-align: center;
  font: 700 var(--size-head) var(--num);
  letter-spacing: -0.02em;
  color: var(--honey);
  text-decoration: none;
}

.crumb {
  --el-text-color-regular: var(--bar-ink);
  --el-text-color-primary: var(--bar-ink-2);
  --el-text-color-placeholder: var(--bar-ink-2);
  --el-color-primary: var(--on-ink);
}

.crumb,
.crumb :deep(.el-breadcrumb__item) {
  display: flex;
  flex-wrap: nowrap;
  min-width: 0;
}

.crumb :deep(.el-breadcrumb__inner),
.studio {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.crumb :deep(.el-breadcrumb__item:first-child) {
  flex: none;
}

.studio {
  max-width: 320px;
  color: var(--bar-ink-2);
}

@media (max-width: 900px) {
  .bar {
    gap: 8px;
    padding-right: 10px;
  }

  .mark {
    width: 64px;
  }

  .studio {
    display: none;
  }
}

.bar :focus-visible {
  outline-color: var(--honey);
}
</style>
