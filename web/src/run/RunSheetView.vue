<script setup lang="ts">
import { computed, onMounted, watch } from 'vue'
import { useRoute } from 'vue-router'
import { cupsSoldIn, displayStep } from '@mivro/core/matter/mix'
import { runSteps, type RunStep } from '@mivro/core/work/run'
import { figure, scaleUnits, show, showCup } from '@mivro/core/base/units'
import { sayLoad, sayRun, sayRunStep, saySpare, saySpots } from '@mivro/words/run'
import { beforeInRun } from '@mivro/words/sheet'
import MiniCut from '../cutaway/MiniCut.vue'
import { useStudio } from '../project/studioStore.ts'
import { now, showDay } from '../ui/dates.ts'
import PaperPage from '../ui/paper/PaperPage.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import { useRun } from './useRun.ts'

/** A run on paper: every load with its cups, its moulds in their order, pot and hours. */
const route = useRoute()
const studio = useStudio()
const open = useRun()
const { run, compiled, tools } = open
onMounted(() => void open.known.load())
watch(
  () => String(route.params.run),
  (id) => void open.open(id),
  { immediate: true },
)
const steps = computed(() =>
  compiled.value && run.value
    ? runSteps(compiled.value.loads, run.value, tools.value, cupsSoldIn(studio.units))
    : [],
)
const words = (step: RunStep) =>
  sayRunStep(
    step,
    run.value!,
    { gauge: tools.value.pot?.gauge, vacuum: tools.value.vessel?.gauge },
    studio.units,
  )
const scale = (step: RunStep) => scaleUnits(step.mix!.moulds[0].pour.step, studio.units)
const grams = (step: RunStep, mass: number) => {
  const { step: finest } = step.mix!.moulds[0].pour
  return figure(mass, 'mass', scale(step), { step: displayStep(mass, finest) })
}
/** Moulds stand in their order with a box to tick. */
const filledIn = (step: RunStep) => (step.step === 'fill' ? step.moulds : [])
/** Smaller than this nobody reads it at the bench. */
const smallest = 0.6
</script>

<template>
  <PaperPage
    :back="{ name: 'run', params: { run: String(route.params.run) } }"
    back-says="Back to the run"
    :ready="compiled !== undefined"
    :problem="open.notOpened.value.at(0)"
    :cautions="compiled?.cautions"
    :smallest="smallest"
    :content="steps"
  >
    <template v-if="run && compiled" #head>
      <header>
        <h1>{{ run.name }}</h1>
        <p>
          {{ sayRun(compiled) }} · room {{ show(run.room, 'temperature', studio.units) }} ·
          {{ run.hands === 2 ? 'two pairs of hands' : 'one pair of hands' }} ·
          {{ studio.studio.name }}
        </p>
        <p>
          Sheet of {{ showDay(now()) }} · day {{ run.date ? showDay(run.date) : '______' }} · room
          ______ · humidity ______
        </p>
      </header>
      <div v-if="open.known.pours.value.length > 0" class="pictures">
        <figure v-for="pour in open.known.pours.value" :key="pour.id">
          <MiniCut
            v-if="open.known.pictures.value.get(pour.id)"
            v-bind="open.known.pictures.value.get(pour.id)!"
            :width="210"
            :height="150"
            :spots="pour.spots"
          />
          <figcaption>
            <b>{{ pour.name }}</b><br />{{ pour.mould ?? 'no mould yet' }}
            <template v-for="line in saySpots(pour, studio.units)" :key="line"
              ><br />{{ line }}</template
            >
          </figcaption>
        </figure>
      </div>
    </template>
    <p v-if="compiled && steps.length === 0">Nothing can be poured yet.</p>
    <ol>
      <li v-for="(step, i) in steps" :key="i" :class="step.step" :data-step="step.step">
        <h2 v-if="step.step === 'lay out'">
          {{ sayLoad(step.load, studio.units) }}
          <span class="quiet">{{ saySpare(step.load) }}</span>
        </h2>
        <SafetyLines
          v-if="step.safety.length > 0"
          :before="beforeInRun[step.step]"
          :lines="step.safety"
        />
        <div class="do">
          <span class="box" />
          <p>{{ words(step) }}</p>
        </div>
        <p v-if="step.weighing" class="weighed">
          <span v-for="part in step.weighing.steps" :key="part.key">
            {{ part.name }} <b>{{ grams(step, part.mass) }} {{ scale(step).mass }}</b>
            <span class="quiet">
              (shows
              {{
                figure(part.reading, 'mass', scale(step), {
                  step: step.mix!.moulds[0].pour.step,
                })
              }})
            </span>
          </span>
          <span class="quiet">in a cup of {{ showCup(step.weighing.cupSize, studio.units) }}</span>
        </p>
        <p v-if="filledIn(step).length > 0" class="moulds">
          <span v-for="(mould, k) in filledIn(step)" :key="mould.key">
            <span class="box small-box" />{{ k + 1 }}. {{ mould.pour.name }}, mould {{ mould.number
            }}<template v-if="mould.pour.prefills > 0"
              >, {{ mould.pour.prefills }} prefilled</template
            >
          </span>
        </p>
      </li>
    </ol>
  </PaperPage>
</template>

<style scoped>
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 30px;
  margin-top: 8px;
}

figure {
  display: flex;
  align-items: center;
  gap: 12px;
}

li {
  padding-top: 5px;
  break-inside: avoid;
}

li[data-step='lay out'] {
  margin-top: 9px;
  padding-top: 7px;
  border-top: 1px solid var(--line);
}

h2 {
  display: flex;
  justify-content: space-between;
  margin-bottom: 4px;
  font-size: var(--size-lead);
}

h2 .quiet {
  font: 400 var(--size) var(--text);
}

.weighed,
.moulds {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin: 3px 0 2px 20px;
}

.moulds > span {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
