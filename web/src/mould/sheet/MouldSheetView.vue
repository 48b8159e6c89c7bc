<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue'
import { useRoute } from 'vue-router'
import {
  changingStages,
  cuttingList,
  handsTime,
  makingSteps,
  mouldKinds,
  template,
  waitingTime,
} from '@mivro/core/mould'
import { sayMaking } from '@mivro/words/making'
import { mouldKindWords } from '@mivro/words/mouldKind'
import { show, showDuration } from '@mivro/core/base/units'
import { beforeMaking } from '@mivro/words/sheet'
import { stepWords } from '@mivro/words/steps'
import { checkLineWords, cutNames, sayCutNote } from '@mivro/words/template'
import { heldWords } from '@mivro/words/held'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { now, showDay } from '../../ui/dates.ts'
import PaperPage from '../../ui/paper/PaperPage.vue'
import WeighingTable from '../../ui/paper/WeighingTable.vue'
import StageCut from '../steps/StageCut.vue'
import SafetyLines from '../../ui/SafetyLines.vue'

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

onUnmounted(project.lookAtMould())

const document = computed(() => project.mould)
const steps = computed(() =>
  document.value && project.compiledMould
    ? makingSteps(document.value, project.compiledMould, project.silicone)
    : [],
)
const pictures = computed(() => changingStages(steps.value))
const block = computed(() =>
  document.value && mouldKinds[document.value.kind].poured === 'block'
    ? project.compiledMould?.box
    : undefined,
)
const parts = computed(() => (block.value ? cuttingList(block.value, document.value!.box) : []))
const svg = computed(() =>
  block.value
    ? template(document.value!, { ...project.compiledMould!, box: block.value }, checkLineWords)
    : '',
)
/** The drawing as a picture of its own, so that its size in millimetres is kept. */
const drawing = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(svg.value)}`)
const length = (x: number) => show(x, 'length', studio.units)
/** Printed before the shape is looked over it would hold none of this. */
const ready = computed(() => project.compiledMould !== undefined && !project.geometryStep)
const held = computed(() => project.into?.held)
</script>

<template>
  <PaperPage
    :back="{ name: 'mould', params: { id: String(route.params.id), topic: 'passport' } }"
    back-says="Back to the mould"
    :ready="ready"
    :problem="project.problems.at(0)"
    :cautions="project.compiledMould?.cautions"
  >
    <template #waiting>
      <p v-if="project.loaded && !project.mouldSession">This piece has no mould yet.</p>
      <p v-else role="status">
        {{ project.geometryStep ? stepWords[project.geometryStep] : 'Reading the shape' }} …
      </p>
    </template>
    <template v-if="document" #head>
      <header>
        <h1>{{ document.name }}</h1>
        <p>
          {{ mouldKindWords[document.kind].label }} for {{ project.piece?.document.name }} ·
          {{ project.silicone?.name ?? 'no silicone chosen' }} · {{ studio.studio.name }}
        </p>
        <p>
          Sheet of {{ showDay(now()) }} · hands in all {{ showDuration(handsTime(steps)) }}, waiting
          {{ showDuration(waitingTime(steps)) }} · begun ______ : ______
        </p>
        <p v-if="held && held.as !== 'as it stood'">It is poured {{ heldWords(held) }}.</p>
      </header>
    </template>
    <section v-if="parts.length > 0">
      <h2>To cut for the box</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">pieces</th>
            <th scope="col">tall or deep</th>
            <th scope="col">long</th>
            <th scope="col" class="words">note</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in parts" :key="part.name">
            <th scope="row">{{ cutNames[part.name] }}</th>
            <td>{{ part.count }}</td>
            <td>{{ length(part.height) }}</td>
            <td>{{ length(part.length) }}</td>
            <td class="words">{{ sayCutNote(part) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="pictures.length > 0" class="pictures">
      <h2>How it stands</h2>
      <figure v-for="{ step, stage } in pictures" :key="step">
        <StageCut :stage="stage" :drawn="{ width: 300, height: 280 }" />
        <figcaption>{{ sayMaking(steps[step].title, studio.units) }}</figcaption>
      </figure>
    </section>
    <ol>
      <li v-for="(step, i) in steps" :key="i" :class="step.step" :data-step="step.step">
        <SafetyLines
          v-if="step.step !== 'wait'"
          :before="beforeMaking[step.step]"
          :lines="step.safety"
        />
        <div class="do">
          <span class="box" />
          <div>
            <p>
              <b>{{ sayMaking(step.title, studio.units) }}.</b>
              <template v-for="line in step.lines" :key="line.code">{{
                ` ${sayMaking(line, studio.units)}`
              }}</template>
              <i v-if="step.wait > 0 && step.step !== 'wait'">{{
                ` Then wait ${showDuration(step.wait)}.`
              }}</i>
            </p>
            <WeighingTable
              v-if="step.need"
              :parts="step.need.weighing.steps"
              :step="project.scaleStep"
            />
          </div>
        </div>
      </li>
    </ol>
    <template #after>
      <section v-if="svg" class="template">
        <h2>Template, at true size</h2>
        <img
          :src="drawing"
          alt="The box from above with gates and vents, and a check line of 50 mm"
        />
      </section>
    </template>
  </PaperPage>
</template>

<style scoped>
h2 {
  margin: 12px 0 2px;
  font-size: var(--size-lead);
}

.pictures {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 10px 14px;
}

.pictures h2 {
  grid-column: 1 / -1;
}

figure {
  break-inside: avoid;
}

figure :deep(svg) {
  width: 100%;
  height: auto;
}

figcaption {
  font-size: var(--size-small);
  color: var(--ink-2);
}

ol {
  margin-top: 8px;
}

li {
  padding: 6px 0;
  border-top: 1px solid var(--line);
  break-inside: avoid;
}

li.wait {
  background: var(--table);
}

.do > div {
  flex: 1;
}

td.words,
th.words {
  width: 46%;
  text-align: left;
}

.template {
  break-before: page;
}

.template img {
  display: block;
}
</style>
