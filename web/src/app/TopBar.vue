<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useProject } from '../project/projectStore.ts'
import SaveMark from './SaveMark.vue'
import UndoButtons from './UndoButtons.vue'
import UnitsMenu from './UnitsMenu.vue'
import { useStudio } from '../project/studioStore.ts'

const route = useRoute()
const project = useProject()
const studio = useStudio()

const crumb = computed(() => {
  if (route.path.startsWith('/shelf')) return ['Shelf']
  if (route.path.startsWith('/moulds')) return ['Moulds']
  if (route.path.startsWith('/desk')) return ['Ratio desk']
  if (route.path.startsWith('/studio')) return ['Studio']
  if (route.name === 'new-piece') return ['Pieces', 'New piece']
  const name = project.piece?.document.name
  return route.params.id && name ? ['Pieces', name] : ['Pieces']
})
</script>

<template>
  <header class="bar">
    <RouterLink class="mark" to="/pieces" aria-label="Mivro, to the pieces">mivro</RouterLink>
    <span class="crumb">
      <template v-for="(part, i) in crumb" :key="part">
        <template v-if="i > 0"> / </template>
        <RouterLink v-if="i === 0 && crumb.length > 1" to="/pieces">{{ part }}</RouterLink>
        <b v-else>{{ part }}</b>
      </template>
    </span>
    <span class="space" />
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

.mark {
  width: 76px;
  text-align: center;
  font: 700 var(--size-head) var(--num);
  letter-spacing: -0.02em;
  color: var(--honey);
  text-decoration: none;
}

.crumb {
  color: var(--bar-ink-2);
  white-space: pre-wrap;
}

.crumb a {
  color: var(--bar-ink-2);
  text-underline-offset: 3px;
  text-decoration-color: var(--bar-off);
}

.crumb a:hover {
  color: var(--on-ink);
}

.crumb b {
  color: var(--on-ink);
  font-weight: 600;
}

.space {
  flex: 1;
}

.studio {
  color: var(--bar-ink-2);
}

.bar :focus-visible {
  outline-color: var(--honey);
}
</style>
