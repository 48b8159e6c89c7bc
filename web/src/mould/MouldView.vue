<script setup lang="ts">
import { computed, defineAsyncComponent, onUnmounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ElButton } from 'element-plus'
import { Box, CircleHelp, RotateCw, Scissors } from 'lucide-vue-next'
import { useProject } from '../project/projectStore.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import { undoHelp, useShortcuts } from '../ui/useShortcuts.ts'
import KeysDialog from '../ui/KeysDialog.vue'
import SelectField from '../ui/SelectField.vue'
import ToolButton from '../ui/ToolButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import AirCut from './air/AirCut.vue'
import AirPanel from './air/AirPanel.vue'
import PartingPanel from './parting/PartingPanel.vue'
import { useSteps } from './steps/useSteps.ts'
import { topics, type Topic } from './topics.ts'
import { stepWords } from '@mivro/words/steps'

const Air3D = defineAsyncComponent(() => import('./air/Air3D.vue'))
const KindChart = defineAsyncComponent(() => import('./kind/KindChart.vue'))
const KindPanel = defineAsyncComponent(() => import('./kind/KindPanel.vue'))
const BoxCut = defineAsyncComponent(() => import('./silicone/BoxCut.vue'))
const SiliconePanel = defineAsyncComponent(() => import('./silicone/SiliconePanel.vue'))
const ContactTable = defineAsyncComponent(() => import('./contact/ContactTable.vue'))
const ContactPanel = defineAsyncComponent(() => import('./contact/ContactPanel.vue'))
const StepsStage = defineAsyncComponent(() => import('./steps/StepsStage.vue'))
const StepsPanel = defineAsyncComponent(() => import('./steps/StepsPanel.vue'))
const PassportCard = defineAsyncComponent(() => import('./passport/PassportCard.vue'))
const PassportPanel = defineAsyncComponent(() => import('./passport/PassportPanel.vue'))

const route = useRoute()
const router = useRouter()
const project = useProject()
const { problems, trying } = useProblems()

const topic = computed(
  (): Topic => topics.find(({ name }) => name === route.params.topic)?.name ?? 'air',
)
const steps = useSteps(() => topic.value === 'steps')
const drawn = computed(() => topic.value === 'air' || topic.value === 'parting')
const solid = ref(false)
const help = ref(false)
const adopted = ref('')

const turnStep = Math.PI / 12
const turn = () => project.cutAt((project.turn + turnStep) % Math.PI)

const others = computed(() =>
  project.moulds
    .filter(({ id }) => !project.ownMoulds.some((own) => own.id === id))
    .map(({ id, document }) => ({ value: id, label: document.name })),
)

const to = (name: Topic) => () => void router.push({ name: 'mould', params: { topic: name } })
const shortcuts = useShortcuts([
  { shown: '1 to 7', says: topics.map(({ label }) => label).join(', ') },
  ...topics.map(({ key, name }) => ({ keys: [key], act: to(name) })),
  { keys: ['t'], says: 'Turn the cut by 15°', act: turn },
  { keys: ['d'], says: '3D, or section', act: () => (solid.value = !solid.value) },
  { shown: '← → ↑ ↓', says: 'Move the chosen gate or vent along the outline by 0.5 mm' },
  { shown: 'Shift with an arrow', says: 'Move it by 5 mm' },
  { shown: 'Delete', says: 'Delete the gate or vent that has the focus' },
  ...undoHelp,
  { keys: ['?'], act: () => (help.value = true) },
])
onUnmounted(project.lookAtMould())
</script>

<template>
  <EmptyPlace v-if="project.loaded && !project.mouldSession" title="Which mould makes it?">
    A mould is planned before silicone is opened: where air will stay, which kind it should be, how
    much silicone it takes, and whether it will cure on the master.
    <template #next>
      <ElButton type="primary" :disabled="!project.survey" @click="trying(project.makeMould)">
        Plan a mould
      </ElButton>
      <div v-if="others.length > 0" class="adopt">
        <SelectField
          label="or one that is there:"
          :options="[{ value: '', label: 'choose' }, ...others]"
          :value="adopted"
          @choose="trying(() => project.adoptMould($event))"
        />
      </div>
      <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    </template>
  </EmptyPlace>
  <div v-else-if="project.mould && project.survey" class="split">
    <section class="backlit" aria-label="The mould">
      <div class="tools">
        <nav class="lenses wrap" aria-label="What to look at">
          <RouterLink
            v-for="entry in topics"
            :key="entry.name"
            :to="{ name: 'mould', params: { topic: entry.name } }"
            :class="{ on: entry.name === topic }"
            ><i />{{ entry.label }}</RouterLink
          >
        </nav>
        <span class="grow" />
        <template v-if="drawn">
          <ToolButton label="Turn" tip="Turn the cut by 15° (T)" @click="turn">
            <RotateCw :size="15" aria-hidden="true" />
          </ToolButton>
          <ToolButton
            :label="solid ? 'Section' : '3D'"
            :tip="solid ? 'Show it cut open (D)' : 'Show it in 3D (D)'"
            :aria-pressed="solid"
            @click="solid = !solid"
          >
            <component :is="solid ? Scissors : Box" :size="15" aria-hidden="true" />
          </ToolButton>
        </template>
        <ToolButton bare label="Shortcuts" tip="Shortcuts (?)" @click="help = true">
          <CircleHelp :size="16" aria-hidden="true" />
        </ToolButton>
      </div>
      <div class="stage">
        <Air3D v-if="drawn && solid" :parting="topic === 'parting'" />
        <AirCut v-else-if="drawn" :parting="topic === 'parting'" />
        <KindChart v-else-if="topic === 'kind'" />
        <BoxCut v-else-if="topic === 'silicone'" />
        <ContactTable v-else-if="topic === 'contact'" />
        <StepsStage v-else-if="topic === 'steps'" :of="steps" />
        <PassportCard v-else />
      </div>
    </section>
    <aside class="panel beside" :aria-label="topics.find(({ name }) => name === topic)?.label">
      <ProblemNote
        v-for="problem in project.mouldProblems"
        :key="problem.code"
        :problem="problem"
      />
      <ProblemNote
        v-if="project.geometryProblem && topic !== 'air'"
        :problem="project.geometryProblem"
      />
      <p v-if="project.geometryStep && topic !== 'air'" class="quiet small" role="status">
        {{ stepWords[project.geometryStep] }} …
        <ElButton size="small" text @click="project.stopLooking">Cancel</ElButton>
      </p>
      <p v-else-if="!project.geometry && !project.geometryProblem && topic !== 'air'" class="small">
        <ElButton size="small" @click="project.lookAtGeometry">Look at the shape again</ElButton>
      </p>
      <AirPanel v-if="topic === 'air'" />
      <PartingPanel v-else-if="topic === 'parting'" />
      <KindPanel v-else-if="topic === 'kind'" />
      <SiliconePanel v-else-if="topic === 'silicone'" />
      <ContactPanel v-else-if="topic === 'contact'" />
      <StepsPanel v-else-if="topic === 'steps'" :of="steps" />
      <PassportPanel v-else-if="project.mouldSession" :session="project.mouldSession" />
    </aside>
    <KeysDialog v-model="help" :shortcuts="shortcuts" />
  </div>
</template>

<style scoped>
.backlit {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
}

.tools {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 6px;
  padding: 12px 14px 0;
}

.lenses a {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  height: 32px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: var(--r-round);
  background: var(--veil);
  color: var(--ink);
  font-weight: 600;
  white-space: nowrap;
  text-decoration: none;
  cursor: pointer;
}

.lenses a i {
  width: 8px;
  height: 8px;
  border: 1.6px solid var(--ink-2);
  border-radius: 50%;
}

@media (max-width: 1320px) {
  .lenses a i {
    display: none;
  }
}

.lenses a:hover {
  background: var(--panel);
  border-color: var(--edge);
}

.lenses a.on {
  border-color: var(--teal);
  background: var(--teal);
  color: var(--on-ink);
}

.lenses a.on i {
  border-color: var(--panel);
}

.stage {
  position: relative;
  min-height: 0;
  overflow: hidden;
}

.adopt {
  min-width: 240px;
}
</style>
