<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue'
import { ElButton } from 'element-plus'
import { useRoute } from 'vue-router'
import { History, Printer } from 'lucide-vue-next'
import { show } from '@mivro/core/base/units'
import { sayProblem } from '@mivro/words/problem'
import { stepWords } from '@mivro/words/steps'
import { useStudio } from '../project/studioStore.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import { useUndoOf } from '../ui/undo.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProject } from '../project/projectStore.ts'

const route = useRoute()
const project = useProject()
const studio = useStudio()

watch(
  () => String(route.params.id),
  (id) => project.open(id),
  { immediate: true },
)
const visit = project.enter()
onUnmounted(() => project.leave(visit))

const name = computed(() => project.piece?.document.name ?? '')
const facts = computed(() => {
  const found = project.survey
  if (!found || !project.plan) return ''
  const { low, high, volume } = found.measures
  const unit = studio.units.length
  const sides = [0, 1, 2].map((i) =>
    show(high[i] - low[i], 'length', studio.units)
      .replace(` ${unit}`, '')
      .replace(/\.0$/, ''),
  )
  const { copies } = project.plan
  return `${sides.join(' × ')} ${unit} · ${show(volume, 'volume', studio.units)} · ${copies} ${copies === 1 ? 'copy' : 'copies'}${project.mould ? ` · ${project.mould.name}` : ''}`
})
const stages = [
  { name: 'shape', label: 'Shape' },
  { name: 'mould', label: 'Mould' },
  { name: 'pour', label: 'Pour' },
  { name: 'pulls', label: 'Pulls' },
]

useUndoOf(() => {
  if (route.name === 'pulls') return []
  if (route.name === 'mould') return [project.mouldSession, project.pour]
  return route.name === 'shape' ? [project.piece, project.pour] : [project.pour, project.piece]
})
</script>

<template>
  <div class="page">
    <div class="title">
      <h1>{{ name }}</h1>
      <span class="quiet facts">{{ facts }}</span>
      <nav class="stages" aria-label="Stages of the piece">
        <RouterLink
          v-for="stage in stages"
          :key="stage.name"
          :to="{ name: stage.name }"
          active-class="on"
          >{{ stage.label }}</RouterLink
        >
      </nav>
      <ElButton
        tag="router-link"
        class="icon"
        :to="{ name: 'history' }"
        aria-label="History of this pour"
        ><History :size="16" aria-hidden="true"
      /></ElButton>
      <ElButton tag="router-link" type="primary" :to="{ name: 'sheet' }"
        ><Printer :size="15" aria-hidden="true" />Pour sheet</ElButton
      >
    </div>
    <EmptyPlace v-if="project.problems.length > 0" title="This piece can't be opened">
      {{ sayProblem(project.problems[0]) }}
      <template #next
        ><ElButton tag="router-link" type="primary" to="/pieces"
          >Go to the pieces</ElButton
        ></template
      >
    </EmptyPlace>
    <div v-else class="drawn-on">
      <ProblemNote
        v-for="problem in project.shapeProblems"
        :key="problem.code"
        :problem="problem"
      />
      <p v-if="project.shapeStep && !project.survey" class="reading" role="status">
        {{ stepWords[project.shapeStep] }} …
      </p>
      <RouterView />
    </div>
  </div>
</template>

<style scoped>
h1 {
  max-width: min(100%, 560px);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.facts {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

@media (max-width: 900px) {
  .facts {
    flex-basis: 100%;
    white-space: normal;
  }
}

.stages {
  display: flex;
  gap: 4px;
  padding: 3px;
  border-radius: var(--r);
  background: var(--track);
}

.stages a {
  padding: 5px 12px;
  border-radius: var(--r-field);
  color: var(--ink-2);
  font-weight: 550;
  text-decoration: none;
}

.stages a:hover {
  color: var(--ink);
}

.stages a.on {
  background: var(--panel);
  color: var(--ink);
  font-weight: 650;
  box-shadow: 0 1px 2px var(--shade);
}

.icon {
  padding: 7px 9px;
}

.icon.router-link-active {
  border-color: var(--teal);
  color: var(--teal);
}

.reading {
  position: absolute;
  inset: 40% 0 auto;
  text-align: center;
  font: 600 var(--size-lead) var(--num);
  color: var(--ink-2);
}
</style>
