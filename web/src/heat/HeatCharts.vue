<script setup lang="ts">
import { computed } from 'vue'
import { refDebounced } from '@vueuse/core'
import type { ChartOptions } from 'chart.js'
import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { Line } from 'vue-chartjs'
import { eventful, followPlaces } from '@mivro/core/matter/cure'
import type { CompiledPlan } from '@mivro/core/work/plan'
import { chosenUnit, fromSI, show, showDuration, unitSymbol } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import { token } from '../theme/token.ts'
import { axisTitle, chartFont as font } from '../ui/chart.ts'
import type { Heat } from './useHeat.ts'

const props = defineProps<{ heat: Heat; compiled: CompiledPlan; room: number }>()
const studio = useStudio()

const colours = ['teal', 'violet', 'ink'].map(token)
const pours = computed(() => props.compiled.layers.map(({ clock }) => clock?.pourAt))
const followed = computed(() =>
  props.heat.field.value
    ? followPlaces(props.heat.field.value, props.heat.points.value, pours.value)
    : [],
)
const until = computed(() =>
  props.heat.field.value ? eventful(props.heat.field.value, props.room) : 1,
)
const degrees = computed(() => chosenUnit('temperature', studio.units))
const inHours = computed(() => until.value > 3 * 3600)
const time = (s: number) => s / (inHours.value ? 3600 : 60)

const line = (
  label: string,
  colour: string,
  at: number[],
  values: number[],
  dash: number[] = [],
) => ({
  label,
  data: at.map((t, i) => ({ x: time(t), y: values[i] })),
  borderColor: colour,
  borderDash: dash,
  borderWidth: 2,
  pointRadius: 0,
  pointHitRadius: 6,
  pointStyle: 'line' as const,
})
const named = (of: number | 'mould', i: number) =>
  `Point ${i + 1}, ${of === 'mould' ? 'mould' : props.compiled.layers[of].name}`

const temperature = computed(() => {
  const hot = props.heat.hottest.value
  const series = hot
    ? [
        line(
          '95 % of it is cooler',
          token('amber'),
          hot.series.at,
          hot.series.hot.map((t) => fromSI(t, degrees.value)),
          [5, 3],
        ),
      ]
    : []
  const of = followed.value.map(({ of: what, at, temperature: t }, i) =>
    line(
      named(what, i),
      colours[i],
      at,
      t.map((k) => fromSI(k, degrees.value)),
    ),
  )
  return { datasets: [...series, ...of] }
})
const cure = computed(() => ({
  datasets: followed.value.flatMap(({ of, at, alpha }, i) =>
    alpha
      ? line(
          named(of, i),
          colours[i],
          at,
          alpha.map((a) => 100 * a),
        )
      : [],
  ),
}))

/** The charts follow when the hand rests: drawing them with every step of a drag would be felt. */
const moment = refDebounced(props.heat.at, 90)
const now = computed((): AnnotationOptions => ({
  type: 'line',
  scaleID: 'x',
  value: time(moment.value),
  borderColor: token('teal'),
  borderWidth: 1.5,
}))
const limit = computed((): AnnotationOptions | undefined => {
  const at = props.compiled.heatLimit?.at
  if (at === undefined) return undefined
  const value = fromSI(at, degrees.value)
  return {
    type: 'line',
    scaleID: 'y',
    value,
    borderColor: token('stop'),
    borderWidth: 1.2,
    borderDash: [4, 3],
    label: {
      display: true,
      content: `limit ${show(at, 'temperature', studio.units)}`,
      position: 'end',
      yAdjust: -9,
      backgroundColor: 'transparent',
      color: token('stop'),
      font,
      padding: 0,
    },
  }
})
const options = (
  title: string,
  marks: Record<string, AnnotationOptions>,
  more: { min?: number; max?: number; suggestedMax?: number },
  legend = false,
): ChartOptions<'line'> => ({
  parsing: false,
  interaction: { mode: 'nearest', axis: 'x', intersect: false },
  scales: {
    x: {
      type: 'linear',
      min: 0,
      max: time(until.value),
      title: axisTitle(inHours.value ? 'hours after the first mix' : 'minutes after the first mix'),
      ticks: { maxTicksLimit: 7, includeBounds: false },
    },
    y: {
      ...more,
      title: axisTitle(title),
      ticks: { maxTicksLimit: 5 },
    },
  },
  plugins: {
    legend: { display: legend },
    annotation: { annotations: marks },
    tooltip: {
      callbacks: {
        title: ([item]) => showDuration((item.parsed.x ?? 0) * (inHours.value ? 3600 : 60)),
        label: (item) => `${item.dataset.label}: ${(item.parsed.y ?? 0).toFixed(0)}`,
      },
    },
  },
})
const hottestShown = computed(() => {
  const found = props.heat.hottest.value
  return found ? show(found.hot.temperature, 'temperature', studio.units) : ''
})
/** A limit far above what happens would press the lines flat. */
const nearLimit = computed(
  () =>
    (props.heat.hottest.value?.hot.temperature ?? 0) >
    (props.compiled.heatLimit?.at ?? Infinity) - 35,
)
const temperatureOptions = computed(() =>
  options(
    unitSymbol('temperature', studio.units),
    nearLimit.value && limit.value ? { now: now.value, limit: limit.value } : { now: now.value },
    {
      suggestedMax: fromSI(
        nearLimit.value ? props.compiled.heatLimit!.at + 12 : props.room + 10,
        degrees.value,
      ),
    },
    true,
  ),
)
const cureOptions = computed(() => options('% cured', { now: now.value }, { min: 0, max: 100 }))
</script>

<template>
  <div v-if="heat.field.value" class="charts" :class="{ stale: heat.stale.value }">
    <div class="chart">
      <Line
        :data="temperature"
        :options="temperatureOptions"
        :aria-label="`Temperature over time; the hottest part reaches ${hottestShown}`"
        data-chart="temperature"
      />
    </div>
    <div class="chart low">
      <Line
        :data="cure"
        :options="cureOptions"
        aria-label="Degree of cure over time, at the points chosen"
        data-chart="cure"
      />
    </div>
  </div>
</template>

<style scoped>
.charts.stale {
  opacity: 0.5;
}

.chart {
  height: 170px;
}

.chart.low {
  height: 140px;
}
</style>
