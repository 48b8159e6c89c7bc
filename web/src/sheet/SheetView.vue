<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { ElButton } from 'element-plus'
import { useRoute } from 'vue-router'
import { Printer } from 'lucide-vue-next'
import { type PourStep } from '@mivro/core/base/caution'
import { displayStep } from '@mivro/core/matter/mix'
import { finenessOf, runSheet, usualDay, type SheetStep } from '@mivro/core/work/plan'
import { prepareThings } from '@mivro/core/matter/inclusion'
import { sayPreparation, saySettingIn } from '@mivro/words/inclusion'
import {
  figure,
  scaleUnits,
  show,
  showCup,
  showDuration,
  showTimeOfDay,
} from '@mivro/core/base/units'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { deferring } from '@mivro/words/safety'
import MiniCut from '../cutaway/MiniCut.vue'
import { heldWords } from '@mivro/words/held'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import { now, showDay } from '../ui/dates.ts'
import SafetyLines from '../ui/SafetyLines.vue'
import '../ui/paper.css'
import { usePaperFit } from '../ui/usePaperFit.ts'
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
const steps = computed(() => (project.compiled ? runSheet(project.compiled) : []))
/** What changes what the hand does is printed; notes on what is usual stay on the screen. */
const stops = computed(() => project.compiled?.cautions.filter((c) => c.severity !== 'note') ?? [])
const before: Record<PourStep, string> = {
  weigh: 'Before you weigh',
  mix: 'Before you mix',
  pour: 'Before you pour',
  set: 'Before you set things in',
  demould: 'Before you demould',
}
/** How the mould wants to be made ready, from its passport. */
const mouldWords = computed(() => {
  const passport = project.mould
  if (!passport) return ''
  const { bands, release, dust } = passport.liking
  const { warmth } = project.into ?? {}
  const said = [
    `${passport.name}: ${bands > 0 ? `${bands} bands` : 'no bands'}`,
    release === 'none' ? 'no release' : `${release} as release`,
    dust === 'none' ? '' : `dusted with ${dust}`,
    warmth === undefined ? '' : `warmed to ${show(warmth, 'temperature', studio.units)}`,
    passport.prefills.length > 0 ? `${passport.prefills.length} prefilled first` : '',
  ]
  const words = `${said.filter(Boolean).join(', ')}.`
  return passport.nextTime ? `${words} ${passport.nextTime}` : words
})
const fine = computed(() => (project.compiled ? finenessOf(project.compiled) : 'minute'))
/** A moment of the run: by the clock where a time to begin is set, and after the first mix. */
function moment(seconds: number): string {
  const begin = plan.value?.begin
  const words =
    seconds < 1 ? 'at the start' : `${showDuration(seconds, fine.value)} after the first mix`
  return begin === undefined ? words : `${showTimeOfDay(begin + seconds, fine.value)}, ${words}`
}
const held = computed(() => project.into?.held)

function words({ step, layer, at: when, trimAt, set }: SheetStep): string {
  const time = (seconds: number) => showDuration(seconds, fine.value)
  if (step === 'demould') {
    const gates =
      trimAt === undefined ? '' : `Trim the gates while they are rubbery, from ${moment(trimAt)}. `
    return `${gates}Take it out of the mould from ${moment(when ?? 0)}. The witness cup runs ahead of thin and hollow parts: keep one as thick as the thinnest part, or wait half as long again.`
  }
  if (step === 'set') {
    const { inclusions } = plan.value!.layers[layer!.index]
    const things = set!.inclusions.map((i) => {
      const { count, name } = inclusions[i]
      return `${name}, ${count} in each copy`
    })
    const until = set!.when.until
    return `${saySettingIn(set!.when.how, things)} From ${moment(when ?? 0)} until ${moment(until)}.`
  }
  const { clock, weighing, depth, top } = layer!
  const { cups, cupSize } = weighing!
  const each = clock!.pourAt - clock!.mixAt
  if (step === 'mix') {
    const pours = time(clock!.cupUntil - clock!.mixAt)
    return cups === 1
      ? `Mix: ${moment(when ?? 0)}. Scrape sides and bottom, then into a second clean cup. It pours for ${pours}.`
      : `Mix the first of ${cups} cups: ${moment(when ?? 0)}; each next one when the one before is poured, ${time(each)} for each. Scrape sides and bottom, then into a second clean cup. Each pours for ${pours}.`
  }
  if (step === 'pour') {
    const joins = {
      crisp: 'onto the tacky gel',
      soft: 'onto the syrup',
      bled: 'while the layer below still runs',
      late: 'once it is scuffed and wiped',
    }
    const onto = layer!.index > 0 ? `, ${joins[clock!.meets ?? layer!.join]}` : ''
    const last = cups > 1 ? `, the last cup ${moment(clock!.lastPourAt)}` : ''
    return `Pour: ${moment(when ?? 0)}${onto}${last}. ${show(depth, 'length', studio.units)} deep, up to ${show(top, 'length', studio.units)}, ${show(layer!.resin, 'volume', studio.units)} in each copy.`
  }
  const cup = showCup(cupSize, studio.units)
  return cups === 1
    ? `Weigh into a cup of ${cup}, without taring between.`
    : `Weigh this into each of ${cups} cups of ${cup}, without taring between.`
}
const scale = computed(() => scaleUnits(plan.value!.scaleStep, studio.units))
const grams = (kg: number) =>
  figure(kg, 'mass', scale.value, { step: displayStep(kg, plan.value!.scaleStep) })
/** What is set in is made ready before the day. */
const readied = computed(() =>
  prepareThings(plan.value?.layers.flatMap(({ inclusions }) => inclusions) ?? []),
)
const print = () => window.print()

/** Smaller than this nobody reads it at the bench. */
const smallest = 0.4
const content = ref<HTMLElement>()
const zoom = usePaperFit(content, [steps, () => studio.units], smallest)
</script>

<template>
  <div class="paper-desk">
    <div class="tools">
      <ElButton tag="router-link" :to="{ name: 'pour', params: { id: String(route.params.id) } }"
        >Back to the pour</ElButton
      >
      <span class="gap" />
      <SaveCalendar
        v-if="project.piece && plan"
        :title="`${project.piece.document.name}, ${plan.name}`"
        :steps="steps"
        :preparations="readied"
        :begin="plan.begin ?? usualDay.begin"
        :say="words"
      />
      <ElButton
        type="primary"
        :disabled="!project.compiled || project.known.waiting"
        @click="print"
      >
        <Printer :size="15" aria-hidden="true" />Print
      </ElButton>
    </div>
    <main v-if="project.problems.length > 0" class="paper">
      <p>{{ sayProblem(project.problems[0]) }}</p>
    </main>
    <main v-else-if="project.piece && plan && project.compiled && project.survey" class="paper">
      <div ref="content" :class="{ columns: steps.length > 13 }" :style="{ zoom }">
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
                  : `planned at ${showTimeOfDay(plan.begin)}, actual ______ : ______`
              }}
              · room ______ · humidity ______
            </p>
          </div>
        </header>
        <p v-if="mouldWords" class="word"><b>The mould.</b> {{ mouldWords }}</p>
        <p v-if="held && held.as !== 'as it stood'" class="word">
          <b>Held.</b> It is poured {{ heldWords(held) }}.
        </p>
        <p v-if="readied.length > 0" class="word">
          <b>Before the day.</b> {{ readied.map(sayPreparation).join(' ') }}
        </p>
        <p v-if="project.word" class="word">
          <b>From the pull of {{ showDay(project.word.pouredAt) }}:</b> {{ project.word.nextTime }}
        </p>
        <p
          v-for="caution in stops"
          :key="caution.code + caution.place.layer"
          :class="caution.severity"
        >
          <b>{{ caution.severity === 'stop' ? 'Stop.' : 'Careful.' }}</b>
          {{ sayCaution(caution, studio.units) }}
        </p>
        <p v-if="steps.length === 0">
          Nothing can be poured yet: give every layer a height and a resin first.
        </p>
        <ol>
          <li v-for="(step, i) in steps" :key="i" :class="step.step" :data-step="step.step">
            <h2 v-if="step.step === 'weigh'">
              <i :style="{ background: step.layer!.colour }" />{{ step.layer!.index + 1 }}
              {{ step.layer!.name }}
            </h2>
            <SafetyLines :before="before[step.step]" :lines="step.safety" />
            <div class="do">
              <span class="box" />
              <p>
                {{ words(step) }}
              </p>
            </div>
            <table v-if="step.step === 'weigh'">
              <thead>
                <tr>
                  <th scope="col">In this order</th>
                  <th scope="col">weigh</th>
                  <th scope="col">scale shows</th>
                  <th scope="col">actual</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="part in step.layer!.weighing!.steps" :key="part.key">
                  <th scope="row">{{ part.name }}</th>
                  <td>
                    <b>{{ grams(part.mass) }} {{ scale.mass }}</b>
                  </td>
                  <td>
                    {{ figure(part.reading, 'mass', scale, { step: plan.scaleStep }) }}
                  </td>
                  <td class="blank" />
                </tr>
              </tbody>
            </table>
          </li>
        </ol>
        <footer>{{ deferring }}</footer>
      </div>
    </main>
  </div>
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

.tools {
  gap: 8px;
}

.tools :deep(.day) {
  width: 160px;
}

table {
  width: calc(100% - 20px);
  margin: 3px 0 0 20px;
}

th,
td {
  white-space: nowrap;
}

th:last-child {
  width: 18%;
}

.columns ol {
  columns: 2;
  column-gap: 28px;
}

.columns li {
  break-inside: avoid;
}
</style>
