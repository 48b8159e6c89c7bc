<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { ChartOptions } from 'chart.js'
import { Line } from 'vue-chartjs'
import { workingCurve, type PotLifeCurve } from '@mivro/core/matter/cure'
import type { Resin, Silicone } from '@mivro/core/matter/material'
import { chosenUnit, fromSI, unitSymbol } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import { token } from '../theme/token.ts'
import { axisTitle } from '../ui/chart.ts'
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
  const { rooms = [], sheet = [], learned = [], band = [] } = curve.value ?? {}
  const line = (values: number[]) =>
    rooms.map((room, i) => ({ x: fromSI(room, degrees.value), y: time(values[i]) }))
  const counted = seen.value.some(({ leftOut }) => !leftOut)
  const dots = (leftOut: boolean) =>
    pots.value
      .filter((one) => Boolean(one.leftOut) === leftOut)
      .map(({ room, value }) => ({ x: fromSI(room, degrees.value), y: time(value) }))
  const curveOf = (label: string, values: number[], colour: string, dash: number[] = []) => ({
    label,
    data: line(values),
    borderColor: token(colour),
    borderDash: dash,
    borderWidth: 2,
    pointRadius: 0,
    pointStyle: 'line' as const,
  })
  const edgeOf = (values: number[]) => ({ data: line(values), borderWidth: 0, pointRadius: 0 })
  const dotsOf = (label: string, leftOut: boolean, edge: string, fill: string) => ({
    label,
    data: dots(leftOut),
    showLine: false,
    borderColor: token(edge),
    backgroundColor: token(fill),
    pointRadius: 5,
    pointBorderWidth: 1.5,
  })
  return {
    datasets: [
      curveOf('Sheet', sheet, 'ink-2', [5, 4]),
      ...(counted
        ? [
            curveOf('Learned', learned, 'teal'),
            {
              ...edgeOf(learned.map((value, i) => value / band[i])),
              label: 'Eight in ten',
              fill: '+1',
              backgroundColor: token('teal-soft'),
            },
            edgeOf(learned.map((value, i) => value * band[i])),
          ]
        : []),
      dotsOf('Measured', false, 'amber', 'honey'),
      dotsOf('Left out', true, 'faint', 'panel'),
    ].filter((set) => set.data.length > 0),
  }
})
const options = computed((): ChartOptions<'line'> => ({
  parsing: false,
  scales: {
    x: {
      type: 'linear',
      title: axisTitle(`room, ${unitSymbol('temperature', studio.units)}`),
      ticks: { maxTicksLimit: 6 },
    },
    y: {
      min: 0,
      title: axisTitle(inHours.value ? 'pot life, hours' : 'pot life, minutes'),
      ticks: { maxTicksLimit: 5 },
    },
  },
  plugins: {
    legend: { labels: { filter: ({ text }) => Boolean(text) } },
    tooltip: {
      filter: ({ dataset }) => dataset.fill === undefined && dataset.label !== undefined,
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
  </div>
</template>

<style scoped>
.chart {
  height: 208px;
}
</style>
