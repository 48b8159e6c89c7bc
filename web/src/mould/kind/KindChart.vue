<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElSkeleton, ElTable, ElTableColumn, ElTag } from 'element-plus'
import type { ChartOptions } from 'chart.js'
import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { Line } from 'vue-chartjs'
import { cheapestFrom, costPerCopy, type MouldKind } from '@mivro/core/mould'
import { mouldKindWords } from '@mivro/words/mouldKind'
import { show, showMoney } from '@mivro/core/base/units'
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

/** Casts are hollow: turning them takes hands too. */
const turned = computed(() => advice.value.some(({ turning }) => turning > 0))
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
    label: mouldKindWords[sums.kind].label,
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
        content: `${project.mould!.wish.copies} wanted`,
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
        content: `from ${from}: ${mouldKindWords[kind].label.toLowerCase()}`,
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
        title: axisTitle(
          studio.studio.currency
            ? `Cost of each copy, ${studio.studio.currency}`
            : 'Cost of each copy',
        ),
        ticks: { maxTicksLimit: 8 },
      },
    },
    plugins: {
      legend: { display: false },
      annotation: { annotations: marks },
      tooltip: {
        callbacks: {
          title: ([item]) => `${item.label} copies`,
          label: (item) =>
            `${item.dataset.label}: ${showMoney(item.raw as number, studio.studio.currency)}`,
        },
      },
    },
  }
})

const words = computed(
  () =>
    `Cost of each copy against copies. ${changes.value.map(({ copies: from, kind }) => `From ${from}: ${mouldKindWords[kind].label}`).join('. ')}.`,
)
</script>

<template>
  <div v-if="project.compiledMould" class="kinds">
    <div class="drawn-on">
      <Line :data="data" :options="options" :aria-label="words" data-chart="break-even" />
    </div>
    <div class="table">
      <ElTable
        :data="advice"
        table-layout="auto"
        highlight-current-row
        :row-class-name="
          ({ row }) =>
            [
              `kind-${row.kind.replace(' ', '-')}`,
              row.kind === project.mould!.kind ? 'on' : '',
              row.ruledOut ? 'out' : '',
            ].join(' ')
        "
      >
        <ElTableColumn v-slot="{ row }" min-width="40" label="Kind of mould">
          <ElButton
            text
            size="small"
            :aria-pressed="row.kind === project.mould!.kind"
            @click="project.chooseKind(row.kind)"
          >
            <i
              :style="{
                borderColor: lines[row.kind as MouldKind].colour,
                borderTopStyle: lines[row.kind as MouldKind].dash.length ? 'dashed' : 'solid',
              }"
            />{{ mouldKindWords[row.kind as MouldKind].label }}
            <ElTag v-if="row.advised" size="small" type="success" effect="dark" round
              >recommended</ElTag
            >
          </ElButton>
        </ElTableColumn>
        <ElTableColumn
          v-slot="{ row }"
          min-width="40"
          label="silicone"
          align="right"
          class-name="num"
        >
          {{ row.silicone > 0 ? show(row.silicone, 'mass', studio.units, { step: 1e-3 }) : '' }}
        </ElTableColumn>
        <ElTableColumn v-slot="{ row }" min-width="40" label="hands" align="right" class-name="num">
          {{ row.hands }} h
        </ElTableColumn>
        <ElTableColumn min-width="40" prop="days" label="days" align="right" class-name="num" />
        <ElTableColumn min-width="40" prop="pulls" label="pulls" align="right" class-name="num" />
        <ElTableColumn
          v-slot="{ row }"
          min-width="40"
          :label="turned ? 'each cast' : 'cleaning'"
          align="right"
          class-name="num"
        >
          {{ row.minutes }} min
        </ElTableColumn>
        <ElTableColumn
          v-slot="{ row }"
          min-width="40"
          label="each copy"
          align="right"
          class-name="num"
        >
          <b>{{ row.ruledOut ? 'no' : showMoney(row.perCopy, studio.studio.currency) }}</b>
        </ElTableColumn>
      </ElTable>
    </div>
  </div>
  <ElSkeleton v-else-if="project.geometryStep" class="waiting" animated :rows="9" />
</template>

<style scoped>
.waiting {
  padding: 30px 24px;
}

.kinds {
  position: absolute;
  inset: 14px 18px 14px;
  display: grid;
  grid-template-rows: minmax(160px, 1fr) auto;
  gap: 12px;
}

.table {
  background: var(--table);
  border: 1px solid var(--line);
  border-radius: var(--r);
  padding: 4px 12px 6px;
}

.table :deep(.el-table__cell) {
  padding: 1px 0;
}

i {
  width: 18px;
  border-top: 3px solid;
}

.table :deep(.on .el-table__cell) {
  background: var(--teal-soft);
  font-weight: 650;
}

.table :deep(.out .el-table__cell) {
  color: var(--ink-2);
}
</style>
