<script setup lang="ts">
import { computed } from 'vue'
import type { ChartOptions } from 'chart.js'
import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { Line } from 'vue-chartjs'
import type { Settling } from '@mivro/core/matter/inclusion'
import { chosenUnit, fromSI, showDuration, unitSymbol } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'
import { token } from '../../theme/token.ts'
import { axisTitle, chartFont as font } from '../../ui/chart.ts'

/** How high things stand in their layer from the pour to its gel, were they set in with the pour. */
const props = defineProps<{
  things: readonly {
    name: string
    colour: string
    path: readonly { at: number; height: number }[]
    settling: Settling
    /** It is set in once the layer holds it; what lies on the gel or is held is not waited for. */
    late: boolean
  }[]
  /** Of the layer, m. */
  depth: number
}>()
const studio = useStudio()
const unit = computed(() => chosenUnit('length', studio.units))
const inMinutes = (s: number) => s / 60

const data = computed(() => ({
  datasets: props.things.map(({ name, colour, path }) => ({
    label: name,
    data: path.map(({ at, height }) => ({
      x: inMinutes(at),
      y: fromSI(height, unit.value),
    })),
    borderColor: colour,
    borderWidth: 2.5,
    pointRadius: 0,
    pointHitRadius: 6,
  })),
}))
const marks = computed(() => {
  const found: Record<string, AnnotationOptions> = {}
  for (const [i, { settling }] of props.things.filter(({ late }) => late).entries()) {
    found[`holds-${i}`] = {
      type: 'line',
      scaleID: 'x',
      value: inMinutes(settling.holdsFrom),
      borderColor: token('teal'),
      borderWidth: 1.2,
      borderDash: [4, 3],
      label: {
        display: i === 0,
        content: 'stays when set in from here',
        position: 'end',
        xAdjust: -74,
        backgroundColor: 'transparent',
        color: token('teal'),
        font,
        padding: 0,
      },
    }
  }
  return found
})
const options = computed((): ChartOptions<'line'> => ({
  parsing: false,
  interaction: { mode: 'nearest', axis: 'x', intersect: false },
  scales: {
    x: {
      type: 'linear',
      min: 0,
      max: inMinutes(props.things[0]?.settling.gel ?? 60),
      title: axisTitle('minutes after mixing, until the gel'),
      ticks: { maxTicksLimit: 6, includeBounds: false },
    },
    y: {
      min: 0,
      max: fromSI(props.depth, unit.value),
      title: axisTitle(unitSymbol('length', studio.units)),
      ticks: { maxTicksLimit: 4, includeBounds: false },
    },
  },
  plugins: {
    legend: { display: props.things.length > 1 },
    annotation: { annotations: marks.value },
    tooltip: { callbacks: { title: ([item]) => showDuration((item.parsed.x ?? 0) * 60) } },
  },
}))
</script>

<template>
  <div class="drift">
    <Line :data="data" :options="options" aria-label="How things move until the gel" />
  </div>
</template>

<style scoped>
.drift {
  position: relative;
  height: 132px;
}
</style>
