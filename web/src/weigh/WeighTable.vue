<script setup lang="ts">
import { computed } from 'vue'
import { ElTable, ElTableColumn } from 'element-plus'
import { displayStep, type Weighing } from '@mivro/core/matter/mix'
import { figure, scaleUnits, show, showCup, unitSymbol } from '@mivro/core/base/units'
import { sayApart } from '@mivro/words/sheet'
import { useStudio } from '../project/studioStore.ts'

const props = defineProps<{
  weighing: Weighing
  copies: number
  /** What stands above the parts instead of the copies. */
  title?: string
  /** What the portions are called where there are several: cups, batches. */
  portions?: string
  /** The scale's step, kg. */
  step: number
}>()
const studio = useStudio()
const head = computed(() => {
  const { cups } = props.weighing
  const whole = props.title ?? `Weigh for ${props.copies} ${props.copies === 1 ? 'copy' : 'copies'}`
  return cups === 1 ? whole : `${whole}, into each of ${cups} ${props.portions ?? 'cups'}`
})
/** What a scale shows is read in the unit that its steps are round in. */
const scale = computed(() => scaleUnits(props.step, studio.units))
const measured = computed(() => props.weighing.steps.some(({ volume }) => volume !== undefined))
const mass = (kg: number) => figure(kg, 'mass', scale.value, { step: displayStep(kg, props.step) })
</script>

<template>
  <div>
    <ElTable
      :data="weighing.steps"
      table-layout="auto"
      :row-class-name="({ row }) => `part-${row.what}`"
    >
      <ElTableColumn min-width="40" prop="name" :label="head" />
      <ElTableColumn
        v-slot="{ row }"
        min-width="40"
        :label="unitSymbol('mass', scale) === 'g' ? 'grams' : 'ounces'"
        align="right"
        class-name="num"
      >
        <b>{{ mass(row.mass) }}</b>
      </ElTableColumn>
      <ElTableColumn
        v-slot="{ row }"
        min-width="40"
        label="scale shows"
        align="right"
        class-name="num"
      >
        {{ figure(row.reading, 'mass', scale, { step }) }}
      </ElTableColumn>
      <ElTableColumn
        v-if="measured"
        v-slot="{ row }"
        min-width="40"
        :label="unitSymbol('volume', studio.units)"
        align="right"
        class-name="num"
      >
        {{ row.volume === undefined ? '' : figure(row.volume, 'volume', studio.units) }}
      </ElTableColumn>
    </ElTable>
    <p class="quiet small">
      {{ show(weighing.volume, 'volume', studio.units) }} in
      {{ weighing.cups === 1 ? 'a cup' : 'each cup' }} of
      {{ showCup(weighing.cupSize, studio.units)
      }}<template v-if="weighing.cups > 1"
        >, {{ show(weighing.volume * weighing.cups, 'volume', studio.units) }} in all</template
      ><template v-if="weighing.apart">; {{ sayApart(weighing) }}</template
      >; one step of the scale puts the ratio out by
      {{ show(weighing.ratioError, 'fraction', studio.units) }}
    </p>
  </div>
</template>

<style scoped>
b {
  font: 650 var(--size-lead) var(--num);
}

p {
  margin-top: 5px;
}
</style>
