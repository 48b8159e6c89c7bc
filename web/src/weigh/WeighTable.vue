<script setup lang="ts">
import { computed } from 'vue'
import { displayStep, type Weighing } from '@mivro/core/mix'
import { figure, scaleUnits, show, showCup, unitSymbol } from '@mivro/core/units'
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
const mass = (kg: number) => figure(kg, 'mass', scale.value, { step: displayStep(kg, props.step) })
</script>

<template>
  <table class="sums">
    <thead>
      <tr>
        <th scope="col">{{ head }}</th>
        <th scope="col">{{ unitSymbol('mass', scale) === 'g' ? 'grams' : 'ounces' }}</th>
        <th scope="col">scale shows</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="part in weighing.steps" :key="part.what" :data-part="part.what">
        <th scope="row">{{ part.name }}</th>
        <td>
          <b>{{ mass(part.mass) }}</b>
        </td>
        <td>{{ figure(part.reading, 'mass', scale, { step }) }}</td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <td colspan="3">
          {{ show(weighing.volume, 'volume', studio.units) }} in
          {{ weighing.cups === 1 ? 'a cup' : 'each cup' }} of
          {{ showCup(weighing.cupSize, studio.units)
          }}<template v-if="weighing.cups > 1"
            >, {{ show(weighing.volume * weighing.cups, 'volume', studio.units) }} in all</template
          >; one step of the scale puts the ratio out by
          {{ show(weighing.ratioError, 'fraction', studio.units) }}
        </td>
      </tr>
    </tfoot>
  </table>
</template>

<style scoped>
td {
  font-family: var(--num);
}

td b {
  font: 650 var(--size-lead) var(--num);
}

tfoot td {
  border: 0;
  color: var(--ink-2);
  font: 400 var(--size-small) var(--text);
  text-align: left;
}
</style>
