<script setup lang="ts">
import { computed } from 'vue'
import type { ChartOptions } from 'chart.js'
import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { Line } from 'vue-chartjs'
import { cheapestFrom, costPerCopy, mouldKinds, type MouldKind } from '@mivro/core/mould'
import { show } from '@mivro/core/units'
import { useStudio } from '../../project/studioStore.ts'
import { token } from '../../theme/token.ts'
import { axisTitle, chartFont as font } from '../../ui/chart.ts'
import { useProject } from '../../project/projectStore.ts'

const project = useProject()
const studio = useStudio()

/** Each kind keeps its line, so that it is known again. */
const lines: Record<MouldKind, { colour: string; dash: number[] }> = {
  'open block': { colour: token('ok'), dash: [] },
  'cut block': { colour: token('amber'), dash: [] },
  'two-part': { colour: token('teal'), dash: [] },
  hinged: { colour: token('teal'), dash: [6, 4] },
  'brushed sock': { colour: token('mauve'), dash: [] },
  'printed shell': { colour: token('ink-2'), dash: [] },
  turning: { colour: token('faint'), dash: [2, 3] },
  bought: { colour: token('faint'), dash: [] },
}

const advice = computed(() => project.compiledMould?.advice ?? [])
/** The best five that can work, and the one that is chosen. */
const shown = computed(() => {
  const best = advice.value.filter(({ ruledOut }) => !ruledOut).slice(0, 5)
  const chosen = advice.value.find(({ kind }) => kind === project.mould!.kind)
  return chosen && !best.includes(chosen) && chosen.kind !== 'bought' ? [...best, chosen] : best
})
const most = computed(() =>
  Math.min(200, Math.max(20, Math.round(project.mould!.wish.copies * 1.6))),
)
const copies = computed(() => Array.from({ length: most.value }, (_, i) => i + 1))
const hour = computed(() => project.mould!.hourPrice)
const changes = computed(() =>
  cheapestFrom(
    shown.value.filter(({ ruledOut }) => !ruledOut),
    hour.value,
    most.value,
  ),
)

const data = computed(() => ({
  labels: copies.value,
  datasets: shown.value.map((sums) => ({
    label: sums.label,
    data: copies.value.map((n) => costPerCopy(sums, n, hour.value)),
    borderColor: lines[sums.kind].colour,
    borderDash: lines[sums.kind].dash,
    borderWidth: sums.kind === project.mould!.kind ? 3 : 1.6,
    pointRadius: 0,
    pointHitRadius: 8,
    tension: 0,
  })),
}))

const options = computed((): ChartOptions<'line'> => {
  const marks: Record<string, AnnotationOptions> = {
    wish: {
      type: 'line',
      scaleID: 'x',
      value: project.mould!.wish.copies - 1,
      borderColor: token('ink'),
      borderWidth: 1.4,
      borderDash: [3, 3],
      label: {
        display: true,
        content: `${project.mould!.wish.copies} wished`,
        position: 'start',
        backgroundColor: token('ink'),
        font,
        padding: 4,
      },
    },
  }
  changes.value.slice(1).forEach(({ copies: from, kind }, i) => {
    marks[`even${i}`] = {
      type: 'line',
      scaleID: 'x',
      value: from - 1,
      borderColor: lines[kind].colour,
      borderWidth: 1,
      label: {
        display: true,
        content: `from ${from}: ${mouldKinds[kind].label.toLowerCase()}`,
        position: 'start',
        yAdjust: 26 * (1 + (i % 3)),
        backgroundColor: lines[kind].colour,
        font,
        padding: 4,
      },
    }
  })
  const highest = Math.max(
    ...data.value.datasets.map(({ data: line }) => line[Math.min(2, line.length - 1)] ?? 0),
  )
  return {
    interaction: { mode: 'index', intersect: false },
    scales: {
      x: {
        title: axisTitle('Copies'),
        ticks: { maxTicksLimit: 12 },
      },
      y: {
        min: 0,
        max: Math.ceil(highest),
        title: axisTitle('Each copy costs, in your money'),
        ticks: { maxTicksLimit: 8 },
      },
    },
    plugins: {
      legend: { display: false },
      annotation: { annotations: marks },
      tooltip: {
        callbacks: {
          title: ([item]) => `${item.label} copies`,
          label: (item) => `${item.dataset.label}: ${(item.raw as number).toFixed(2)}`,
        },
      },
    },
  }
})

const words = computed(
  () =>
    `Cost of each copy against copies. ${changes.value.map(({ copies: from, kind }) => `From ${from}: ${mouldKinds[kind].label}`).join('. ')}.`,
)
</script>

<template>
  <div v-if="project.compiledMould" class="kinds">
    <div class="chart">
      <Line :data="data" :options="options" :aria-label="words" data-chart="break-even" />
    </div>
    <div class="table">
      <table class="sums">
        <thead>
          <tr>
            <th scope="col">Kind of mould</th>
            <th scope="col">silicone</th>
            <th scope="col">hands</th>
            <th scope="col">days</th>
            <th scope="col">pulls</th>
            <th scope="col">cleaning</th>
            <th scope="col">each copy</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="sums in advice"
            :key="sums.kind"
            :class="{ on: sums.kind === project.mould!.kind, out: sums.ruledOut }"
            :data-kind="sums.kind"
          >
            <th scope="row">
              <button
                type="button"
                :aria-pressed="sums.kind === project.mould!.kind"
                @click="project.chooseKind(sums.kind)"
              >
                <i
                  :style="{
                    borderColor: lines[sums.kind].colour,
                    borderTopStyle: lines[sums.kind].dash.length ? 'dashed' : 'solid',
                  }"
                />{{ sums.label }}
                <small v-if="sums.advised">advised</small>
              </button>
            </th>
            <td>
              {{
                sums.silicone > 0 ? show(sums.silicone, 'mass', studio.units, { step: 1e-3 }) : ''
              }}
            </td>
            <td>{{ sums.hands }} h</td>
            <td>{{ sums.days }}</td>
            <td>{{ sums.pulls }}</td>
            <td>{{ sums.cleaning }} min</td>
            <td>
              <b>{{ sums.ruledOut ? 'no' : sums.perCopy.toFixed(2) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.kinds {
  position: absolute;
  inset: 14px 18px 14px;
  display: grid;
  grid-template-rows: minmax(160px, 1fr) auto;
  gap: 12px;
}

.chart {
  position: relative;
  min-height: 0;
}

.table {
  background: var(--table);
  border: 1px solid var(--line);
  border-radius: var(--r);
  padding: 4px 12px 6px;
}

td {
  font-family: var(--num);
}

tbody tr:last-child th,
tbody tr:last-child td {
  border: 0;
}

.sums th,
.sums td {
  padding: 2px 0;
}

button {
  display: flex;
  align-items: center;
  gap: 8px;
  width: 100%;
  padding: 2px 4px;
  border: 0;
  border-radius: var(--r-small);
  background: none;
  text-align: left;
  cursor: pointer;
}

button:hover {
  background: var(--teal-soft);
}

button i {
  width: 18px;
  border-top: 3px solid;
}

button small {
  padding: 0 7px;
  border-radius: var(--r-field);
  background: var(--ok);
  color: var(--on-ink);
  font-size: var(--size-small);
}

tr.on th,
tr.on td {
  background: var(--teal-soft);
  font-weight: 650;
}

tr.out th,
tr.out td {
  color: var(--ink-2);
}
</style>
