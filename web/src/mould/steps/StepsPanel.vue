<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { ElButton } from 'element-plus'
import { Hammer, Printer } from 'lucide-vue-next'
import { makingStays } from '@mivro/core/mould'
import { usualDay } from '@mivro/core/work/plan'
import { showDuration } from '@mivro/core/base/units'
import { sayMaking } from '@mivro/words/making'
import { sayLogged } from '@mivro/words/mishap'
import { beforeMaking } from '@mivro/words/sheet'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { momentOf, type CalendarEntry } from '../../ui/calendar.ts'
import CalendarButton from '../../ui/CalendarButton.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import WeighingTable from '../../ui/paper/WeighingTable.vue'
import SafetyLines from '../../ui/SafetyLines.vue'
import type { Steps } from './useSteps.ts'

/** The chosen step in words: what to do, to weigh and to mind; and the making as a whole. */
const props = defineProps<{ of: Steps }>()
const project = useProject()
const studio = useStudio()
const steps = computed(() => props.of.steps.value)
const step = computed(() => steps.value[props.of.chosen.value])
const say = (index: number) => sayMaking(steps.value[index].title, studio.units)
/** Begun tomorrow: hands in the hours of the bench, waits and nights between. */
function entries(): CalendarEntry[] {
  const awake = project.plan?.awake ?? usualDay.awake
  const first = dayjs().add(1, 'day')
  return makingStays(steps.value, usualDay.begin, awake).map(({ from, until, first: a, last }) => ({
    id: `${project.mouldSession!.id} making ${a}`,
    title: `${project.mould!.name}: ${say(a)}`,
    start: momentOf(first, from),
    minutes: Math.max(1, Math.round((until - from) / 60)),
    note: steps.value
      .slice(a, last + 1)
      .map((_, i) => say(a + i))
      .join('. '),
  }))
}
</script>

<template>
  <template v-if="step">
    <h2>{{ sayMaking(step.title, studio.units) }}</h2>
    <SafetyLines
      v-if="step.step !== 'wait' && step.safety.length > 0"
      :before="beforeMaking[step.step]"
      :lines="step.safety"
      with-deferring
    />
    <p v-for="line in step.lines" :key="line.code">{{ sayMaking(line, studio.units) }}</p>
    <WeighingTable v-if="step.need" :parts="step.need.weighing.steps" :step="project.scaleStep" />
    <p v-if="step.wait > 0" class="quiet">Then it waits {{ showDuration(step.wait) }} by itself.</p>
    <p v-if="of.skipped.value.length > 0" class="says" role="status">
      Ticked all the same. By the rules of the trade this comes first:
      {{ of.skipped.value.map(say).join('; ') }}.
    </p>
  </template>
  <ul v-if="of.mishaps.value.length > 0" class="says" aria-label="What went wrong at the bench">
    <li v-for="(mishap, i) in of.mishaps.value" :key="i">{{ sayLogged(mishap) }}</li>
  </ul>
  <p v-if="of.changed.value" class="quiet small">
    The mould was changed since its bench was begun: the bench keeps the steps it began with.
  </p>
  <div v-if="steps.length > 0" class="acts">
    <ElButton type="primary" :disabled="!of.possible.value" @click="of.begin">
      <Hammer :size="15" aria-hidden="true" />Make it at the bench
    </ElButton>
    <ElButton tag="router-link" :to="{ name: 'mould-sheet', params: { id: project.piece!.id } }">
      <Printer :size="15" aria-hidden="true" />Mould sheet
    </ElButton>
    <CalendarButton
      :title="`${project.mould!.name}, making`"
      :entries="entries"
      :disabled="steps.length === 0"
    />
  </div>
  <ProblemNote v-for="problem in of.problems.value" :key="problem.code" :problem="problem" />
</template>

<style scoped>
.says {
  padding: 8px 12px;
  border-left: 3px solid var(--honey);
  background: var(--amber-soft);
  color: var(--amber-ink);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 8px;
  border-top: 1px solid var(--line-2);
}

.acts :deep(.el-button) {
  margin: 0;
}
</style>
