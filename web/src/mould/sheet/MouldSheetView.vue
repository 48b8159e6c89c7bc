<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue'
import { ElButton } from 'element-plus'
import { useRoute } from 'vue-router'
import { Printer } from 'lucide-vue-next'
import { type MouldStep } from '@mivro/core/base/caution'
import { cuttingList, makingSteps, mouldKinds, template, waitingTime } from '@mivro/core/mould'
import { sayMaking } from '@mivro/words/making'
import { mouldKindWords } from '@mivro/words/mouldKind'
import { displayStep } from '@mivro/core/matter/mix'
import { figure, scaleUnits, show, showDuration } from '@mivro/core/base/units'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { deferring } from '@mivro/words/safety'
import { stepWords } from '@mivro/words/steps'
import { checkLineWords, cutNames, sayCutNote } from '@mivro/words/template'
import { heldWords } from '@mivro/words/held'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { now, showDay } from '../../ui/dates.ts'
import SafetyLines from '../../ui/SafetyLines.vue'
import '../../ui/paper.css'

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

const before: Record<MouldStep, string> = {
  prepare: 'Before this',
  build: 'Before you build',
  silicone: 'Before you mix silicone',
  vacuum: 'Before you pump',
  pressure: 'Before pressure goes on',
  open: 'Before you cut',
}
const document = computed(() => project.mould)
const steps = computed(() =>
  document.value && project.compiledMould
    ? makingSteps(document.value, project.compiledMould, project.silicone)
    : [],
)
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
const stops = computed(
  () => project.compiledMould?.cautions.filter(({ severity }) => severity !== 'note') ?? [],
)
const scale = computed(() => project.scaleStep)
const length = (x: number) => show(x, 'length', studio.units)
/** Printed before the shape is looked over it would hold none of this. */
const ready = computed(() => project.compiledMould !== undefined && !project.geometryStep)
const scaleUnit = computed(() => scaleUnits(scale.value, studio.units))
const grams = (kg: number) =>
  figure(kg, 'mass', scaleUnit.value, { step: displayStep(kg, scale.value) })
const held = computed(() => project.into?.held)
const print = () => window.print()
</script>

<template>
  <div class="paper-desk">
    <div class="tools">
      <ElButton
        tag="router-link"
        :to="{ name: 'mould', params: { id: String(route.params.id), topic: 'passport' } }"
        >Back to the mould</ElButton
      >
      <ElButton type="primary" :disabled="!ready" @click="print">
        <Printer :size="15" aria-hidden="true" />Print
      </ElButton>
    </div>
    <main v-if="project.problems.length > 0" class="paper">
      <p>{{ sayProblem(project.problems[0]) }}</p>
    </main>
    <main v-else-if="project.loaded && !project.mouldSession" class="paper">
      <p>This piece has no mould yet.</p>
    </main>
    <main v-else-if="document && project.compiledMould" class="paper">
      <header>
        <div>
          <h1>{{ document.name }}</h1>
          <p>
            {{ mouldKindWords[document.kind].label }} for {{ project.piece?.document.name }} ·
            {{ project.silicone?.name ?? 'no silicone chosen' }} · {{ studio.studio.name }}
          </p>
          <p>
            Sheet of {{ showDay(now()) }} · waiting in all {{ showDuration(waitingTime(steps)) }} ·
            begun ______ : ______
          </p>
          <p v-if="held && held.as !== 'as it stood'">It is poured {{ heldWords(held) }}.</p>
        </div>
      </header>
      <p v-for="caution in stops" :key="caution.code" class="stop">
        {{ sayCaution(caution, studio.units) }}
      </p>
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
      <ol>
        <li v-for="(step, i) in steps" :key="i" :class="step.step" :data-step="step.step">
          <SafetyLines
            v-if="step.step !== 'wait'"
            :before="before[step.step]"
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
              <table v-if="step.need">
                <thead>
                  <tr>
                    <th scope="col">In this order</th>
                    <th scope="col">weigh</th>
                    <th scope="col">scale shows</th>
                    <th scope="col">actual</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="part in step.need.weighing.steps" :key="part.key">
                    <th scope="row">{{ part.name }}</th>
                    <td>
                      <b>{{ grams(part.mass) }} {{ scaleUnit.mass }}</b>
                    </td>
                    <td>{{ figure(part.reading, 'mass', scaleUnit, { step: scale }) }}</td>
                    <td class="blank" />
                  </tr>
                </tbody>
              </table>
            </div>
          </div>
        </li>
      </ol>
      <footer>{{ deferring }}</footer>
      <section v-if="svg" class="template">
        <h2>Template, at true size</h2>
        <img
          :src="drawing"
          alt="The box from above with gates and vents, and a check line of 50 mm"
        />
      </section>
    </main>
    <main v-else class="paper">
      <p role="status">
        {{ project.geometryStep ? stepWords[project.geometryStep] : 'Reading the shape' }} …
      </p>
    </main>
  </div>
</template>

<style scoped>
h2 {
  margin: 12px 0 2px;
  font-size: var(--size-lead);
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

.do {
  display: grid;
  grid-template-columns: 14px 1fr;
  gap: 8px;
  margin-top: 3px;
}

table {
  width: 100%;
  margin-top: 3px;
}

td.words,
th.words {
  width: 46%;
  text-align: left;
}

.blank {
  width: 16%;
}

.template {
  break-before: page;
}

.template img {
  display: block;
}
</style>
