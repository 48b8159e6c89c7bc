<script setup lang="ts">
import { computed, onUnmounted, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { finenessOf, pourSheet, usualDay, type SheetStep } from '@mivro/core/work/plan'
import { prepareThings } from '@mivro/core/matter/inclusion'
import { castsPour, type Run } from '@mivro/core/work/run'
import { show, showTimeOfDay } from '@mivro/core/base/units'
import { heldWords } from '@mivro/words/held'
import { sayPreparation } from '@mivro/words/inclusion'
import { beforePouring, sayMouldReady, saySheetStep } from '@mivro/words/sheet'
import type { Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import MiniCut from '../cutaway/MiniCut.vue'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import { now, showDay } from '../ui/dates.ts'
import PaperPage from '../ui/paper/PaperPage.vue'
import WeighingTable from '../ui/paper/WeighingTable.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import SaveCalendar from './SaveCalendar.vue'

const route = useRoute()
const project = useProject()
const studio = useStudio()
const visit = project.enter()
onUnmounted(() => project.leave(visit))
watch(
  () => String(route.params.id),
  (id) => project.open(id),
  { immediate: true },
)

const plan = computed(() => project.plan)
const allRuns = shallowRef<Stored<Run>[]>([])
// A sheet without them is whole: they only point to the clock of that day.
void listNewest('runs').then(
  (found) => (allRuns.value = found),
  () => undefined,
)
const runs = computed(() => {
  const { piece, pour, pours } = project
  const newest = pours.at(-1)
  if (!piece || !pour || !newest) return []
  return allRuns.value.filter(({ document }) => castsPour(document, piece.id, pour.id, newest.id))
})
const steps = computed(() => (project.compiled ? pourSheet(project.compiled, plan.value!) : []))
const fine = computed(() => (project.compiled ? finenessOf(project.compiled) : 'minute'))
const held = computed(() => project.into?.held)
const words = (step: SheetStep) => saySheetStep(step, plan.value!, fine.value, studio.units)
/** What is set in is made ready before the day. */
const readied = computed(() =>
  prepareThings(plan.value?.layers.flatMap(({ inclusions }) => inclusions) ?? []),
)
/** Smaller than this nobody reads it at the bench. */
const smallest = 0.4
</script>

<template>
  <PaperPage
    :back="{ name: 'pour', params: { id: String(route.params.id) } }"
    back-says="Back to the pour"
    :ready="project.compiled !== undefined && !project.known.waiting"
    :problem="project.problems.at(0)"
    :cautions="project.compiled?.cautions"
    :smallest="smallest"
    :content="steps"
  >
    <template #tools>
      <SaveCalendar
        v-if="project.piece && plan"
        :id="project.pour!.id"
        :title="`${project.piece.document.name}, ${plan.name}`"
        :steps="steps"
        :preparations="readied"
        :begin="plan.begin ?? usualDay.begin"
        :say="words"
      />
    </template>
    <template v-if="project.piece && plan && project.compiled && project.survey" #head>
      <header>
        <MiniCut
          :section="project.survey.section"
          :compiled="project.compiled"
          :width="150"
          :height="96"
        />
        <div>
          <h1>{{ project.piece.document.name }}</h1>
          <p>
            {{ plan.name }} · {{ plan.copies }} {{ plan.copies === 1 ? 'copy' : 'copies' }} · room
            {{ show(plan.room, 'temperature', studio.units) }} ·
            {{ project.compiled.into.mould }} mould ·
            {{ studio.studio.name }}
          </p>
          <p>
            {{
              project.compiled.into.mould === 'open'
                ? 'Poured face down: layer 1 is the face.'
                : 'Layer 1 is the lowest in the mould; the gate is up.'
            }}
          </p>
          <p>
            Sheet of {{ showDay(now()) }} · first mix
            {{
              plan.begin === undefined
                ? 'at ______ : ______'
                : `planned at ${showTimeOfDay(plan.begin, studio.units)}, actual ______ : ______`
            }}
            · room ______ · humidity ______
          </p>
        </div>
      </header>
      <p v-if="project.mould" class="word">
        <b>The mould.</b> {{ sayMouldReady(project.mould, project.into?.warmth, studio.units) }}
      </p>
      <p v-if="held && held.as !== 'as it stood'" class="word">
        <b>Held.</b> It is poured {{ heldWords(held) }}.
      </p>
      <p v-if="readied.length > 0" class="word">
        <b>Before the day.</b> {{ readied.map(sayPreparation).join(' ') }}
      </p>
      <p v-for="run in runs" :key="run.id" class="word" data-note="in a run">
        <b>In a run.</b>
        <RouterLink :to="{ name: 'run-sheet', params: { run: run.id } }">{{
          run.document.name
        }}</RouterLink>
        casts it: on that day its run sheet and its calendar hold the times.
      </p>
      <p v-if="project.word" class="word">
        <b>From the pull of {{ showDay(project.word.pouredAt) }}:</b> {{ project.word.nextTime }}
      </p>
    </template>
    <p v-if="project.compiled && steps.length === 0">
      Nothing can be poured yet: give every layer a height and a resin first.
    </p>
    <ol :class="{ columns: steps.length > 13 }">
      <li v-for="(step, i) in steps" :key="i" :class="step.step" :data-step="step.step">
        <h2 v-if="step.step === 'weigh'">
          <i :style="{ background: step.layer!.colour }" />{{ step.layer!.index + 1 }}
          {{ step.layer!.name }}
        </h2>
        <SafetyLines :before="beforePouring[step.step]" :lines="step.safety" />
        <div class="do">
          <span class="box" />
          <p>{{ words(step) }}</p>
        </div>
        <WeighingTable
          v-if="step.step === 'weigh'"
          :parts="step.layer!.weighing!.steps"
          :step="plan!.scaleStep"
        />
      </li>
    </ol>
  </PaperPage>
</template>

<style scoped>
header {
  display: flex;
  gap: 18px;
  align-items: center;
}

ol {
  margin-top: 4px;
}

li {
  padding-top: 5px;
}

li.weigh,
li.demould {
  margin-top: 7px;
  padding-top: 7px;
  border-top: 1px solid var(--line);
}

h2 {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 4px;
  font-size: var(--size-lead);
}

h2 i {
  width: 12px;
  height: 12px;
  border: 1px solid var(--shade);
  border-radius: var(--r-tiny);
}

table {
  width: calc(100% - 20px);
  margin-left: 20px;
}

.columns {
  columns: 2;
  column-gap: 28px;
}

.columns li {
  break-inside: avoid;
}
</style>
