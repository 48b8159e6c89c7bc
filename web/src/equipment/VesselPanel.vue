<script setup lang="ts">
import { computed, ref } from 'vue'
import { Line } from 'vue-chartjs'
import { ElSlider } from 'element-plus'
import {
  airInUrethane,
  airPressure,
  deairing,
  deairingCup,
  insideOf,
  largestDeaired,
  stirring,
  type Vessel,
} from '@mivro/core/matter/air'
import { safetyFor } from '@mivro/core/base/caution'
import { cupsSoldIn } from '@mivro/core/matter/mix'
import type { Problem } from '@mivro/core/base/problem'
import { chosenUnit, fromSI, show, showCup, showDuration, unitSymbol } from '@mivro/core/base/units'
import type { Studio } from '@mivro/core/studio'
import { sayDeairing } from '@mivro/words/equipment'
import { useStudio } from '../project/studioStore.ts'
import { token } from '../theme/token.ts'
import { axisTitle } from '../ui/chart.ts'
import { fieldsOf } from '../ui/fields.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import VesselCup from '../vessel/VesselCup.vue'

/** The vacuum vessel: what it takes, how its gauge falls, and how high a mix froths in it. */
const props = defineProps<{
  vessel: Vessel
  take: (values: Partial<Studio>) => Problem | undefined
}>()
const studio = useStudio()
const set = (values: Partial<Vessel>) => props.take({ vessel: { ...props.vessel, ...values } })

/** A vacuum gauge is read to this, Pa. */
const finest = 1000

/** Something to try it with; nothing that is kept. */
const mix = ref(100e-6)
const cup = computed(() => deairingCup(mix.value, cupsSoldIn(studio.units)))
const story = computed(() =>
  deairing(
    { volume: mix.value, cup: cup.value, share: stirring.usual.share, gas: airInUrethane },
    props.vessel,
    airPressure(studio.studio.altitude ?? 0),
  ),
)
const at = ref(30)
const moment = computed(
  () => story.value.moments[Math.min(at.value, story.value.moments.length - 1)],
)
const pressure = computed(() => chosenUnit('pressure', studio.units))
const data = computed(() => ({
  labels: story.value.moments.map(({ time }) => time),
  datasets: [
    {
      label: `gauge, ${unitSymbol('pressure', studio.units)}`,
      data: story.value.moments.map(({ gauge }) => fromSI(gauge, pressure.value)),
      borderColor: token('teal'),
      pointRadius: 0,
      yAxisID: 'y',
    },
    {
      label: 'froth, % of the cup',
      data: story.value.moments.map(({ level }) => 100 * level),
      borderColor: token('amber'),
      pointRadius: 0,
      yAxisID: 'froth',
    },
  ],
}))
const options = computed(() => ({
  scales: {
    x: { type: 'linear' as const, title: axisTitle('s'), grid: { display: false } },
    y: { title: axisTitle(unitSymbol('pressure', studio.units)) },
    froth: { position: 'right' as const, min: 0, max: 100, grid: { display: false } },
  },
  plugins: {
    annotation: {
      annotations: {
        now: {
          type: 'line' as const,
          xMin: moment.value.time,
          xMax: moment.value.time,
          borderColor: token('ink'),
          borderWidth: 1,
        },
      },
    },
  },
}))
const { field } = fieldsOf(() => props.vessel, set)
</script>

<template>
  <section class="panel box" aria-label="Vacuum vessel">
    <div class="row head">
      <h2>Vacuum vessel</h2>
      <RemoveButton label="Delete vacuum vessel" @click="take({ vessel: undefined })" />
    </div>
    <div class="sides">
      <div class="stack">
        <QuantityField label="Across, inside" kind="length" v-bind="field('diameter')" />
        <QuantityField label="Height, inside" kind="length" v-bind="field('height')" />
        <QuantityField
          label="Pumped to, below the air around"
          kind="pressure"
          :step="finest"
          v-bind="field('gauge')"
        />
        <QuantityField label="Pump" kind="flow" v-bind="field('flow')" />
        <QuantityField
          label="Rises in a minute, valve shut"
          kind="pressure"
          :step="finest"
          v-bind="field('leak')"
        />
        <QuantityField
          label="Held once it is quiet"
          kind="duration"
          bare-unit="s"
          v-bind="field('holds')"
        />
        <QuantityField
          label="Try it with a mix of"
          kind="volume"
          :value="mix"
          :take="(volume) => void (mix = volume && volume > 0 ? volume : mix)"
        />
        <p class="quiet small">
          {{ show(insideOf(vessel), 'volume', studio.units) }} inside: at most
          <b>{{ show(largestDeaired(insideOf(vessel), Infinity), 'volume', studio.units) }}</b> at
          once. {{ show(mix, 'volume', studio.units) }} in a cup of
          {{ showCup(cup, studio.units) }}: {{ sayDeairing(story) }}
        </p>
      </div>
      <figure>
        <VesselCup
          :vessel="vessel"
          :cup="cup"
          :mix="mix / story.batches"
          :moment="moment"
          label="The cup in its vessel, with its froth"
        />
        <ElSlider
          v-model="at"
          :min="0"
          :max="story.moments.length - 1"
          :show-tooltip="false"
          aria-label="Moment"
        />
        <figcaption class="quiet small">
          {{ showDuration(moment.time, 'second') }}:
          {{ show(moment.gauge, 'pressure', studio.units, { step: finest }) }}, froth at
          {{ Math.round(100 * moment.level) }} %
        </figcaption>
      </figure>
    </div>
    <div class="chart">
      <Line :data="data" :options="options" aria-label="Gauge and froth over time" />
    </div>
    <SafetyLines
      before="Before you use it"
      :lines="safetyFor('vacuum', ['vacuum vessel'])"
      with-deferring
    />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}

.chart {
  height: 170px;
}
</style>
