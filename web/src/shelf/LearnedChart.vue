<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { ChartOptions } from 'chart.js'
import { Line } from 'vue-chartjs'
import { workingCurve, type PotLifeCurve } from '@mivro/core/cure'
import type { Resin, Silicone } from '@mivro/core/material'
import { chosenUnit, fromSI, unitSymbol } from '@mivro/core/units'
import { useStudio } from '../project/studioStore.ts'
import ChartLegend from '../ui/ChartLegend.vue'
import { axisTitle, chartFont as font, chartGrid, chartInk } from '../ui/chart.ts'
import { askCurve } from '../work/pool.ts'

/** Pot life over rooms: the sheet's own, what was seen, and what that makes of it. */
const props = defineProps<{ material: Resin | Silicone }>()
const studio = useStudio()
const seen = computed(() => props.material.observations ?? [])

const curve = shallowRef<PotLifeCurve>()
watch(
  () => props.material,
  async (material) => {
    if (material.kind === 'silicone') return (curve.value = workingCurve(material))
    const found = await askCurve(material)
    if (props.material === material) curve.value = found
  },
  { immediate: true },
)

const degrees = computed(() => chosenUnit('temperature', studio.units))
const inHours = computed(() => Math.max(...(curve.value?.sheet ?? [0])) > 3 * 3600)
const time = (s: number) => s / (inHours.value ? 3600 : 60)
const pots = computed(() => seen.value.filter(({ what }) => what === 'pot life'))
const data = computed(() => {
  const { rooms = [], sheet = [], learned = [] } = curve.value ?? {}
  const line = (values: number[]) =>
    rooms.map((room, i) => ({ x: fromSI(room, degrees.value), y: time(values[i]) }))
  const counted = seen.value.some(({ leftOut }) => !leftOut)
  const dots = (leftOut: boolean) =>
    pots.value
      .filter((one) => Boolean(one.leftOut) === leftOut)
      .map(({ room, value }) => ({ x: fromSI(room, degrees.value), y: time(value) }))
  return {
    datasets: [
      {
        label: 'The sheet',
        data: line(sheet),
        borderColor: '#4a625f',
        borderDash: [5, 4],
        borderWidth: 1.6,
        pointRadius: 0,
      },
      ...(counted
        ? [
            {
              label: 'With what was seen',
              data: line(learned),
              borderColor: '#0f7376',
              borderWidth: 2.4,
              pointRadius: 0,
            },
          ]
        : []),
      {
        label: 'Seen',
        data: dots(false),
        showLine: false,
        borderColor: '#b9700c',
        backgroundColor: '#e8a838',
        pointRadius: 5,
        pointBorderWidth: 1.5,
      },
      {
        label: 'Left out',
        data: dots(true),
        showLine: false,
        borderColor: '#7e918e',
        backgroundColor: '#ffffff',
        pointRadius: 4,
        pointBorderWidth: 1.5,
      },
    ],
  }
})
const legend = computed(() => [
  { label: 'the sheet', colour: '#4a625f', as: 'dashed' as const },
  ...(seen.value.some(({ leftOut }) => !leftOut)
    ? [{ label: 'with what was seen', colour: '#0f7376' }]
    : []),
  ...(pots.value.length > 0 ? [{ label: 'seen', colour: '#b9700c', as: 'dot' as const }] : []),
])
const options = computed((): ChartOptions<'line'> => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  parsing: false,
  scales: {
    x: {
      type: 'linear',
      title: axisTitle(`room, ${unitSymbol('temperature', studio.units)}`),
      grid: { color: chartGrid },
      ticks: { color: chartInk, font, maxTicksLimit: 6 },
    },
    y: {
      min: 0,
      title: axisTitle(inHours.value ? 'pot life, hours' : 'pot life, minutes'),
      grid: { color: chartGrid },
      ticks: { color: chartInk, font, maxTicksLimit: 5 },
    },
  },
  plugins: {
    tooltip: {
      callbacks: {
        title: () => '',
        label: ({ dataset, parsed }) =>
          `${dataset.label}: ${(parsed.y ?? 0).toFixed(inHours.value ? 1 : 0)} ${inHours.value ? 'h' : 'min'}`,
      },
    },
  },
}))
</script>

<template>
  <div>
    <div v-if="curve" class="chart">
      <Line
        :data="data"
        :options="options"
        aria-label="Pot life against the room: the sheet, and with what was seen"
        data-chart="learned"
      />
    </div>
    <ChartLegend :entries="legend" />
  </div>
</template>

<style scoped>
.chart {
  height: 168px;
}
</style>
