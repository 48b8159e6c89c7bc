<script setup lang="ts">
import { computed, nextTick, onUnmounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { Printer } from 'lucide-vue-next'
import { deferring, sayCaution, sayProblem, type PourStep } from '@mivro/core/caution'
import { displayStep } from '@mivro/core/mix'
import { runSheet, type SheetStep } from '@mivro/core/plan'
import { figure, show, showDuration, showTimeOfDay } from '@mivro/core/units'
import MiniCut from '../piece/MiniCut.vue'
import { useMould } from '../mould/mouldStore.ts'
import { usePiece } from '../piece/pieceStore.ts'
import { useStudio } from '../studio/studioStore.ts'
import { now, showDay } from '../ui/dates.ts'
import SafetyLines from '../ui/SafetyLines.vue'
import './paper.css'

const route = useRoute()
const piece = usePiece()
const studio = useStudio()
const mould = useMould()
const visit = piece.enter()
onUnmounted(() => piece.leave(visit))
watch(
  () => String(route.params.id),
  (id) => piece.open(id),
  { immediate: true },
)

const plan = computed(() => piece.document)
const steps = computed(() => (piece.compiled ? runSheet(piece.compiled) : []))
const stops = computed(() => piece.compiled?.cautions.filter((c) => c.severity === 'stop') ?? [])
const before: Record<PourStep, string> = {
  weigh: 'Before you weigh',
  mix: 'Before you mix',
  pour: 'Before you pour',
  demould: 'Before you demould',
}
/** How the mould wants to be made ready, from its passport. */
const mouldWords = computed(() => {
  const passport = mould.document
  if (!passport) return ''
  const { bands, release, dust, warmth } = passport.liking
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
const after = (seconds: number) => {
  const begin = plan.value?.begin
  const words = `${showDuration(seconds)} after the first mix`
  return begin === undefined ? words : `at ${showTimeOfDay(begin + seconds)}, ${words}`
}
const at = (seconds = 0) => (seconds < 1 ? 'at the start' : after(seconds))

const trimFrom = computed(() =>
  Math.max(0, ...(piece.compiled?.layers ?? []).map(({ clock }) => clock?.trimAt ?? 0)),
)
const cupsOf = (index: number) => plan.value?.layers[index].cups ?? 1

function words({ step, layer, at: when }: SheetStep): string {
  if (step === 'demould')
    return `Trim the gates while they are rubbery, from ${after(trimFrom.value)}. Take it out of the mould from ${after(when ?? 0)}. The witness cup decides.`
  const { clock, weighing, depth, top } = layer!
  if (step === 'mix') {
    return `Mix ${at(when)}: scrape sides and bottom, then into a second clean cup. It pours for ${showDuration(clock!.cupUntil - clock!.mixAt)}.`
  }
  if (step === 'pour') {
    const joins = {
      crisp: 'onto the tacky gel',
      soft: 'onto the syrup',
      bled: 'while the layer below still runs',
      late: 'once it is scuffed and wiped',
    }
    const onto = layer!.index > 0 ? `, ${joins[clock!.meets ?? layer!.join]}` : ''
    return `Pour ${after(when ?? 0)}${onto}: ${show(depth, 'length', studio.units)} deep, up to ${show(top, 'length', studio.units)}, ${show(layer!.resin, 'volume', studio.units)} in each copy.`
  }
  return `Weigh into a cup of ${show(weighing!.cup.size, 'volume', studio.units, { step: 1e-6 })}${weighing!.cup.cups > 1 ? `, ${weighing!.cup.cups} times a share` : ''}, without taring between${cupsOf(layer!.index) > 1 ? `; in ${cupsOf(layer!.index)} cups, mixed one after the other` : ''}.`
}
const setIn = (index: number) =>
  (plan.value?.layers[index].inclusions ?? [])
    .map((i) => `${i.count} ${i.name} in each copy`)
    .join(', ')
const print = () => window.print()

/** A4 less its margins at 96 px to the inch; what is longer is made smaller until it fits. */
const pageHeight = 1010
const smallest = 0.4
const content = ref<HTMLElement>()
const zoom = ref(1)
watch(
  [steps, content, () => studio.units],
  async () => {
    zoom.value = 1
    await nextTick()
    const height = () => content.value?.getBoundingClientRect().height ?? 0
    while (zoom.value > smallest && height() > pageHeight) {
      zoom.value -= 0.03
      await nextTick()
    }
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <div class="paper-desk">
    <div class="tools">
      <RouterLink class="btn ghost" :to="{ name: 'pour', params: { id: String(route.params.id) } }"
        >Back to the pour</RouterLink
      >
      <button type="button" class="btn" @click="print">
        <Printer :size="15" aria-hidden="true" />Print
      </button>
    </div>
    <main v-if="piece.problems.length > 0" class="paper">
      <p>{{ sayProblem(piece.problems[0]) }}</p>
    </main>
    <main v-else-if="piece.piece && plan && piece.compiled && piece.survey" class="paper">
      <div ref="content" :class="{ columns: steps.length > 13 }" :style="{ zoom }">
        <header>
          <MiniCut
            :section="piece.survey.section"
            :compiled="piece.compiled"
            :width="150"
            :height="96"
          />
          <div>
            <h1>{{ piece.piece.document.name }}</h1>
            <p>
              {{ plan.name }} · {{ plan.copies }} {{ plan.copies === 1 ? 'copy' : 'copies' }} · room
              {{ show(plan.room, 'temperature', studio.units) }} · {{ plan.mould }} mould ·
              {{ studio.studio.name }}
            </p>
            <p>
              {{
                plan.mould === 'open'
                  ? 'Poured face down: layer 1 is the face.'
                  : 'Layer 1 is the lowest in the mould; the gate is up.'
              }}
            </p>
            <p>
              Sheet of {{ showDay(now()) }} · first mix at ______ : ______ · room ______ · humidity
              ______
            </p>
          </div>
        </header>
        <p v-if="mouldWords" class="word"><b>The mould.</b> {{ mouldWords }}</p>
        <p v-if="piece.word" class="word">
          <b>From the pull of {{ showDay(piece.word.pouredAt) }}:</b> {{ piece.word.nextTime }}
        </p>
        <p v-for="caution in stops" :key="caution.code + caution.place.layer" class="stop">
          <b>Stop.</b> {{ sayCaution(caution, studio.units) }}
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
                <template v-if="step.step === 'pour' && setIn(step.layer!.index)">
                  Set in {{ setIn(step.layer!.index) }}.
                </template>
              </p>
            </div>
            <table v-if="step.step === 'weigh'">
              <thead>
                <tr>
                  <th scope="col">In this order</th>
                  <th scope="col">weigh</th>
                  <th scope="col">scale shows</th>
                  <th scope="col">really</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="part in step.layer!.weighing!.steps" :key="part.what">
                  <th scope="row">{{ part.name }}</th>
                  <td>
                    <b
                      >{{
                        figure(part.mass, 'mass', studio.units, {
                          step: displayStep(part.mass, plan.scaleStep),
                        })
                      }}
                      {{ studio.units.mass }}</b
                    >
                  </td>
                  <td>
                    {{ figure(part.reading, 'mass', studio.units, { step: plan.scaleStep }) }}
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

p.stop {
  border-color: var(--stop);
  background: var(--stop-soft);
  color: var(--stop-ink);
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
  font-size: 14px;
}

h2 i {
  width: 12px;
  height: 12px;
  border: 1px solid #14312f55;
  border-radius: 3px;
}

.do {
  display: flex;
  gap: 8px;
  margin-top: 4px;
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
