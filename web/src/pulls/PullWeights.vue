<script setup lang="ts">
import { computed } from 'vue'
import { ElTable, ElTableColumn } from 'element-plus'
import { displayStep } from '@mivro/core/matter/mix'
import { ratioErrors, type Pull } from '@mivro/core/work/pull'
import type { Problem } from '@mivro/core/base/problem'
import { figure, show, unitSymbol } from '@mivro/core/base/units'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import QuantityField from '../ui/QuantityField.vue'

/** What was weighed, beside what was planned. */
const props = defineProps<{
  pull: Pull
  change: (values: Partial<Pull>) => Problem | undefined
}>()
const studio = useStudio()
const project = useProject()

function weigh(layer: number, part: number, weighed: number | undefined): Problem | undefined {
  const layers = props.pull.layers.map((l, i) =>
    i === layer
      ? { ...l, amounts: l.amounts.map((a, j) => (j === part ? { ...a, weighed } : a)) }
      : l,
  )
  return props.change({ layers })
}

/** A row for each layer, then one for each of what was weighed for it. */
interface Row {
  layer: number
  heads?: string
  part?: number
  amount?: Pull['layers'][number]['amounts'][number]
}
const rows = computed(() =>
  props.pull.layers.flatMap(({ name, amounts }, layer): Row[] => [
    { layer, heads: name },
    ...amounts.map((amount, part) => ({ layer, part, amount })),
  ]),
)

const errors = computed(() => ratioErrors(props.pull))
/** Under this the ratio is as planned, for any scale. */
const nothing = 5e-4
const ratioWords = (error: number) =>
  Math.abs(error) < nothing
    ? 'ratio as planned'
    : `${show(Math.abs(error), 'fraction')} ${error > 0 ? 'more' : 'less'} A for the B`

const step = computed(() => project.plan?.scaleStep ?? 1e-4)
const fine = (planned: number) => displayStep(planned, step.value)
</script>

<template>
  <ElTable
    :data="rows"
    table-layout="auto"
    :span-method="({ row, columnIndex }) => (row.heads ? [1, columnIndex === 0 ? 3 : 0] : [1, 1])"
  >
    <ElTableColumn v-slot="{ row }" min-width="40" label="What was weighed">
      <template v-if="row.heads">
        <b class="num">{{ row.layer + 1 }} {{ row.heads }}</b>
        <span v-if="errors[row.layer] !== undefined" class="quiet small ratio">{{
          ratioWords(errors[row.layer]!)
        }}</span>
      </template>
      <template v-else>{{ row.amount.name }}</template>
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" min-width="40" label="planned" align="right" class-name="num">
      {{
        row.amount &&
        figure(row.amount.planned, 'mass', studio.units, { step: fine(row.amount.planned) })
      }}
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" min-width="40" label="actual" align="right">
      <QuantityField
        v-if="row.amount"
        bare
        optional
        :label="`${row.amount.name} of ${pull.layers[row.layer].name}, actually weighed`"
        kind="mass"
        :step="fine(row.amount.planned)"
        :placeholder="unitSymbol('mass', studio.units)"
        :value="row.amount.weighed"
        :take="(mass) => weigh(row.layer, row.part, mass)"
      />
    </ElTableColumn>
  </ElTable>
</template>

<style scoped>
.ratio {
  margin-left: 8px;
}
</style>
